// npm run falcon -- compare --athlete a.csv --reference r1.csv,r2.csv --movement pace-delivery --out DIR
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import type { Movement } from '../src/core/model/movement';
import { movementJson } from '../src/formats/movement-json/movement-json';
import { MOVEMENTS, movementOf } from '../src/movements';
import { compareFiles, type PointInput } from './compare';

/** Exit codes: documented in docs/command-line.md. */
const EXIT = { done: 0, usage: 2, badInput: 3, partly: 4 } as const;

const USAGE = `npm run falcon -- compare --athlete FILE --reference FILE[,FILE...] --movement NAME|FILE.json --out DIR
                         [--moments FILE.json] [--dominant right|left] [--height METRES]
npm run falcon -- compare --batch LIST.csv --movement NAME|FILE.json --out DIR
Movements: ${MOVEMENTS.map((m) => m.id).join(', ')}`;

class Stop extends Error {
  constructor(
    readonly code: number,
    message: string,
  ) {
    super(message);
  }
}

const readBytes = (file: string): Uint8Array => {
  try {
    return readFileSync(file);
  } catch {
    throw new Stop(EXIT.badInput, `“${file}” cannot be read. Check its name and folder.`);
  }
};
const readText = (file: string): string => new TextDecoder().decode(readBytes(file));
const inputOf = (file: string): PointInput => ({ file: path.basename(file), bytes: readBytes(file) });

function chooseMovement(name: string): Movement {
  const known = movementOf(name);
  if (known) return known;
  if (!name.endsWith('.json')) throw new Stop(EXIT.usage, `There is no movement “${name}”. There are: ${MOVEMENTS.map((m) => m.id).join(', ')}; or give a .json file.`);
  const read = movementJson.read!(readText(name), path.basename(name));
  if (!read.ok) throw new Stop(EXIT.badInput, read.issue.message);
  return read.value;
}

interface Job {
  readonly athlete: string;
  readonly references: readonly string[];
  readonly moments: string | null;
  readonly dominant: string;
  readonly height: string | null;
}

/** Rows of a batch: athlete, reference (several with ;), and optionally moments, dominant, height; files beside the list. */
function jobsOf(list: string): readonly Job[] {
  const { data, meta } = Papa.parse<Record<string, string>>(readText(list).trim(), { header: true, skipEmptyLines: 'greedy' });
  for (const column of ['athlete', 'reference']) if (!meta.fields?.includes(column)) throw new Stop(EXIT.badInput, `“${list}” has no column “${column}”; its columns are ${meta.fields?.join(', ') || 'none'}.`);
  const beside = (file: string): string => path.resolve(path.dirname(list), file.trim());
  return data.map((row, i) => {
    if (!row['athlete']?.trim() || !row['reference']?.trim()) throw new Stop(EXIT.badInput, `“${list}”, row ${i + 2}: athlete or reference is empty.`);
    return { athlete: beside(row['athlete']), references: row['reference'].split(';').map(beside), moments: row['moments']?.trim() ? beside(row['moments']) : null, dominant: row['dominant']?.trim() || 'right', height: row['height']?.trim() || null };
  });
}

function run(job: Job, movement: Movement, out: string): void {
  if (job.dominant !== 'left' && job.dominant !== 'right') throw new Stop(EXIT.usage, `--dominant is “${job.dominant}”; it is left or right.`);
  const height = job.height === null ? null : Number(job.height);
  if (height !== null && !(height > 0.5 && height < 2.6)) throw new Stop(EXIT.usage, `--height is “${job.height}”; it is metres, for example 1.75.`);
  for (const reference of job.references) {
    const result = compareFiles({
      movement,
      athlete: inputOf(job.athlete),
      reference: inputOf(reference),
      moments: job.moments === null ? null : { file: path.basename(job.moments), text: readText(job.moments) },
      dominant: job.dominant,
      height,
    });
    if (!result.ok) throw new Stop(EXIT.badInput, result.issue.message);
    const stem = (file: string): string => path.basename(file).replace(/\.[^.]*$/, '');
    const folder = job.references.length > 1 ? path.join(out, stem(reference)) : out;
    mkdirSync(folder, { recursive: true });
    writeFileSync(path.join(folder, 'comparison.json'), `${JSON.stringify(result.value.document, null, 2)}\n`);
    writeFileSync(path.join(folder, 'numbers.csv'), result.value.csv);
    writeFileSync(path.join(folder, 'report.md'), result.value.report);
    const { proposed } = result.value.document;
    console.log(`${path.basename(job.athlete)} against ${path.basename(reference)}: ${proposed.length === 0 ? 'no gap beyond the measuring error' : `work on ${proposed.map((p) => p.measure).join(', ')}`} (${folder})`);
  }
}

function main(): number {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { athlete: { type: 'string' }, reference: { type: 'string' }, movement: { type: 'string' }, moments: { type: 'string' }, out: { type: 'string' }, dominant: { type: 'string', default: 'right' }, height: { type: 'string' }, batch: { type: 'string' } },
  });
  if (positionals[0] !== 'compare' || !values.movement || !values.out || (!values.batch && (!values.athlete || !values.reference))) throw new Stop(EXIT.usage, USAGE);
  const movement = chooseMovement(values.movement);
  if (!values.batch) {
    run({ athlete: values.athlete!, references: values.reference!.split(','), moments: values.moments ?? null, dominant: values.dominant, height: values.height ?? null }, movement, values.out);
    return EXIT.done;
  }
  const jobs = jobsOf(values.batch);
  let failed = 0;
  jobs.forEach((job, i) => {
    try {
      process.stdout.write(`${i + 1} of ${jobs.length}: `);
      run(job, movement, path.join(values.out!, `${i + 1}-${path.basename(job.athlete).replace(/\.[^.]*$/, '')}`));
    } catch (error) {
      if (!(error instanceof Stop)) throw error;
      failed++;
      console.log(`row ${i + 2}: ${error.message}`);
    }
  });
  console.log(`${jobs.length - failed} of ${jobs.length} compared.`);
  return failed === 0 ? EXIT.done : EXIT.partly;
}

try {
  process.exitCode = main();
} catch (error) {
  const known = error instanceof Stop || (error instanceof TypeError && 'code' in error);
  if (!known) throw error;
  console.error(error.message);
  process.exitCode = error instanceof Stop ? error.code : EXIT.usage;
}
