import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Movement } from '../src/core/model/movement';
import { compareFiles, type PointInput } from './compare';

/** Exit codes: documented in docs/command-line.md. */
export const EXIT = { done: 0, fault: 1, usage: 2, badInput: 3, partly: 4, nothing: 5 } as const;

/** What is wrong, in one line, with the exit code that it ends the command with. */
export class Stop extends Error {
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
export const readText = (file: string): string => new TextDecoder().decode(readBytes(file));
const inputOf = (file: string): PointInput => ({ file: path.basename(file), bytes: readBytes(file) });

/** Writes files into a folder, which is made where it is not there. */
function writeAll(folder: string, files: Readonly<Record<string, string>>): void {
  try {
    mkdirSync(folder, { recursive: true });
    for (const [name, text] of Object.entries(files)) writeFileSync(path.join(folder, name), text);
  } catch (error) {
    throw new Stop(
      EXIT.usage,
      `“${folder}” cannot be written to (${error instanceof Error ? error.message : String(error)}). Give a folder with --out.`,
    );
  }
}

/** What came of a comparison, with the exit code that it ends the command with. */
export interface Outcome {
  readonly said: string;
  readonly code: number;
}

/** One athlete against one reference or several. */
export interface Job {
  readonly athlete: string;
  readonly references: readonly string[];
  readonly moments: string | null;
  readonly dominant: string;
  readonly height: string | null;
  readonly travel: string | null;
  /** Days to the competition. */
  readonly days: string | null;
  readonly underAge: boolean;
}

/**
 * Compares and writes comparison.json, numbers.csv and report.md; returns one line that says what came of it, and first
 * how much was judged at all.
 */
export function run(job: Job, movement: Movement, out: string): Outcome {
  if (job.dominant !== 'left' && job.dominant !== 'right')
    throw new Stop(EXIT.usage, `--dominant is “${job.dominant}”; it is left or right.`);
  if (job.travel !== null && job.travel !== 'left' && job.travel !== 'right')
    throw new Stop(EXIT.usage, `--travel is “${job.travel}”; it is left or right.`);
  const height = job.height === null ? null : Number(job.height);
  if (height !== null && !(height > 0.5 && height < 2.6))
    throw new Stop(EXIT.usage, `--height is “${job.height}”; it is metres, for example 1.75.`);
  const days = job.days === null ? null : Number(job.days);
  if (days !== null && !(Number.isInteger(days) && days >= 0 && days <= 10_000))
    throw new Stop(EXIT.usage, `--days is “${job.days}”; it is a whole number of days to the competition.`);
  const result = compareFiles({
    movement,
    athlete: inputOf(job.athlete),
    references: job.references.map(inputOf),
    moments: job.moments === null ? null : { file: path.basename(job.moments), text: readText(job.moments) },
    dominant: job.dominant,
    height,
    travel: job.travel,
    days,
    minor: job.underAge,
  });
  if (!result.ok) throw new Stop(EXIT.badInput, result.issue.message);
  writeAll(out, {
    'comparison.json': `${JSON.stringify(result.value.document, null, 2)}\n`,
    'numbers.csv': result.value.csv,
    'report.md': result.value.report,
  });
  const { document, counted } = result.value;
  const pair = `${path.basename(job.athlete)} against ${job.references.map((r) => path.basename(r)).join(', ')}`;
  if (counted.judged === 0) {
    const why = counted.why === null ? '' : ` (${counted.why})`;
    const read = `${counted.measurable} of ${counted.of} measures were read${why}`;
    return {
      said: `${pair}: nothing could be judged; ${read}. This says nothing about the athlete (${out})`,
      code: EXIT.nothing,
    };
  }
  const found =
    document.proposed.length === 0
      ? 'no gap beyond the measuring error'
      : `work on ${document.proposed.map((p) => p.measure).join(', ')}`;
  return { said: `${pair}: ${counted.judged} of ${counted.of} measures judged: ${found} (${out})`, code: EXIT.done };
}
