import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import type { Movement } from '../src/core/model/movement';
import { compareFiles } from './compare';
import { type PointInput } from './compare-input';
import { readOptions, type OptionTexts } from './options';
import { EXIT, Stop } from './stop';
import { TEXT } from '../src/text/cli';

const readBytes = (file: string): Uint8Array => {
  try {
    return readFileSync(file);
  } catch {
    throw new Stop(EXIT.badInput, TEXT.cannotBeReadCheckIts(file));
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
      TEXT.cannotBeWrittenToGive(folder, error instanceof Error ? error.message : String(error)),
    );
  }
}

/** What came of a comparison, with the exit code that it ends the command with. */
export interface Outcome {
  readonly said: string;
  readonly code: number;
}

/** One athlete against one reference, several, or none but the movement's targets. */
export interface Job {
  readonly athlete: string;
  readonly references: readonly string[];
  readonly moments: string | null;
  readonly options: OptionTexts;
  readonly underAge: boolean;
}

/** Who is compared with whom, in one phrase. */
const pairOf = ({ athlete, references }: Job): string =>
  TEXT.againstBasenameReferences(
    path.basename(athlete),
    references.map((r) => path.basename(r)).join(', ') || TEXT.targets,
  );

/**
 * Compares and writes comparison.json, numbers.csv and report.md; returns one line that says what came of it, and first
 * how much was judged at all.
 */
export function run(job: Job, movement: Movement, out: string): Outcome {
  const { performers, school, days } = readOptions(job.options);
  const result = compareFiles({
    movement,
    athlete: inputOf(job.athlete),
    references: job.references.map(inputOf),
    moments: job.moments === null ? null : { file: path.basename(job.moments), text: readText(job.moments) },
    performers,
    school,
    days,
    minor: job.underAge,
  });
  if (!result.ok) throw new Stop(result.issue.code === 'no-school' ? EXIT.usage : EXIT.badInput, result.issue.message);
  writeAll(out, {
    'comparison.json': `${JSON.stringify(result.value.document, null, 2)}\n`,
    'numbers.csv': result.value.csv,
    'report.md': result.value.report,
  });
  const { document, counted } = result.value;
  const pair = pairOf(job);
  if (counted.judged === 0) {
    const why = counted.why === null ? '' : ` (${counted.why})`;
    const read = TEXT.ofMeasuresWereRead(counted.measurable, counted.of, why);
    return {
      said: TEXT.nothingCouldBeJudgedThis(pair, read, out),
      code: EXIT.nothing,
    };
  }
  const found =
    document.proposed.length === 0
      ? TEXT.noGapBeyondMeasuringError
      : TEXT.work(document.proposed.map((p) => p.measure).join(', '));
  return { said: TEXT.ofMeasuresJudged(pair, counted.judged, counted.of, found, out), code: EXIT.done };
}
