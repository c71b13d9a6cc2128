// npm run falcon -- compare --athlete a.csv --reference r1.csv,r2.csv --movement pace-delivery --out DIR
import path from 'node:path';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import type { Movement } from '../src/core/model/movement';
import { movementJson, unknownKeys } from '../src/formats/movement-json/movement-json';
import { MOVEMENTS, movementOf } from '../src/movements';
import { runAll } from './batch';
import { readText, run, type Job } from './job';
import { OPTIONS, type OptionName, type OptionTexts } from './options';
import { EXIT, Stop } from './stop';
import { TEXT } from '../src/text/cli';

const USAGE = `npm run falcon -- compare --athlete FILE --reference FILE[,FILE...] --movement NAME|FILE.json --out DIR
                         [--moments FILE.json] [--under-age] [--days N] [--school NAME]
                         [--dominant right|left] [--travel left|right] [--view side|front|back|overhead]
                         [--off-plane DEGREES] [--down DEGREES] [--rate FPS] [--height METRES] [--scale PIXELS_PER_METRE]
                         [--camera still|follows]
npm run falcon -- compare --athlete FILE --targets-only --movement NAME|FILE.json --out DIR
npm run falcon -- compare --batch LIST.csv --movement NAME|FILE.json --out DIR
npm run falcon -- find CLIP... --out DIR (points of videos)
From --dominant on, an option is for both sides, or athlete/reference, as in --travel left/right.
Movements: ${MOVEMENTS.map((m) => m.id).join(', ')}`;

function chooseMovement(name: string): Movement {
  const known = movementOf(name);
  if (known) return known;
  if (!name.endsWith('.json'))
    throw new Stop(EXIT.usage, TEXT.thereIsNoMovementThere(name, MOVEMENTS.map((m) => m.id).join(', ')));
  const text = readText(name);
  const read = movementJson.read(text, path.basename(name));
  if (!read.ok) throw new Stop(EXIT.badInput, read.issue.message);
  const unknown = unknownKeys(text, read.value);
  if (unknown.length > 0) console.error(TEXT.warningIsReadWithoutWhat(path.basename(name), unknown.join(', ')));
  return read.value;
}

/** A column that says yes or no; empty is no. */
function isYes(text: string, list: string, row: number): boolean {
  const said = text.trim().toLowerCase();
  if (!['', 'yes', 'no'].includes(said)) throw new Stop(EXIT.badInput, TEXT.rowUnderAgeIs(list, row + 2, text));
  return said === 'yes';
}

const optionsOf = (texts: Readonly<Record<string, unknown>>): OptionTexts =>
  Object.fromEntries(OPTIONS.flatMap((name) => (typeof texts[name] === 'string' ? [[name, texts[name]]] : [])));

/**
 * Rows of a batch: athlete, reference (several with ;, empty for the targets only), and optionally moments, under-age
 * and the options of a pair; files beside the list.
 */
function jobsOf(list: string): readonly Job[] {
  const { data, meta } = Papa.parse<Record<string, string>>(readText(list).trim(), {
    header: true,
    skipEmptyLines: 'greedy',
  });
  for (const column of ['athlete', 'reference'])
    if (!meta.fields?.includes(column))
      throw new Stop(EXIT.badInput, TEXT.hasNoColumnItsColumns(list, column, meta.fields?.join(', ') || 'none'));
  const beside = (file: string): string => path.resolve(path.dirname(list), file.trim());
  return data.map((row, i) => {
    if (!row['athlete']?.trim()) throw new Stop(EXIT.badInput, TEXT.rowAthleteIsEmpty(list, i + 2));
    const references = (row['reference'] ?? '').split(';').filter((name) => name.trim() !== '');
    return {
      athlete: beside(row['athlete']),
      references: references.map(beside),
      moments: row['moments']?.trim() ? beside(row['moments']) : null,
      options: optionsOf(row),
      underAge: isYes(row['under-age'] ?? '', list, i),
    };
  });
}

async function main(): Promise<number> {
  // A browser and its tools are loaded only where they are needed.
  if (process.argv[2] === 'find') return (await import('./find')).find(process.argv.slice(3));
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      athlete: { type: 'string' },
      reference: { type: 'string' },
      movement: { type: 'string' },
      moments: { type: 'string' },
      out: { type: 'string' },
      'targets-only': { type: 'boolean', default: false },
      ...(Object.fromEntries(OPTIONS.map((name) => [name, { type: 'string' }])) as Record<
        OptionName,
        { type: 'string' }
      >),
      'under-age': { type: 'boolean', default: false },
      batch: { type: 'string' },
      help: { type: 'boolean', short: 'h', default: false },
    },
  });
  if (values.help) {
    console.log(USAGE);
    return EXIT.done;
  }
  if (
    positionals[0] !== 'compare' ||
    !values.movement ||
    !values.out ||
    (!values.batch && (!values.athlete || !values.reference === !values['targets-only']))
  )
    throw new Stop(EXIT.usage, USAGE);
  const movement = chooseMovement(values.movement);
  if (!values.batch) {
    const { said, code } = run(
      {
        athlete: values.athlete!,
        references: values.reference?.split(',') ?? [],
        moments: values.moments ?? null,
        options: optionsOf(values),
        underAge: values['under-age'],
      },
      movement,
      values.out,
    );
    console.log(said);
    return code;
  }
  const jobs = jobsOf(values.batch);
  const started = Date.now();
  let done = 0;
  const failed = await runAll(
    jobs.map((job, i) => ({
      job,
      out: path.join(values.out!, `${i + 1}-${path.basename(job.athlete).replace(/\.[^.]*$/, '')}`),
    })),
    movement,
    (i, said) => {
      done++;
      const left = Math.round(((Date.now() - started) / 1000 / done) * (jobs.length - done));
      console.log(TEXT.ofRow(done, jobs.length, i + 2, said, left > 2 ? TEXT.aboutSLeft(left) : ''));
    },
  );
  console.log(TEXT.ofCompared(jobs.length - failed, jobs.length));
  return failed === 0 ? EXIT.done : EXIT.partly;
}

try {
  process.exitCode = await main();
} catch (error) {
  const message = error instanceof Error ? error.message : String(error);
  // A wrong option is a TypeError with a code.
  const usage = error instanceof TypeError && 'code' in error;
  const known = error instanceof Stop || usage;
  console.error(known ? message : TEXT.thisIsFaultOfProgram(message.slice(0, 300)));
  process.exitCode = error instanceof Stop ? error.code : usage ? EXIT.usage : EXIT.fault;
}
