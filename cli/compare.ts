import { z } from 'zod';
import { prioritise } from '../src/core/judgement/priority';
import { judgeAll, judgedCount } from '../src/core/judgement/state';
import { schoolBy, techniqueOf } from '../src/core/judgement/technique';
import { techniqueWords } from '../src/core/judgement/technique-words';
import { compareSides } from '../src/core/comparison/compare';
import { timingTable } from '../src/core/comparison/timing-table';
import type { Role } from '../src/core/model/clip';
import { withSchool, type Movement } from '../src/core/model/movement';
import { slowedBy } from '../src/core/tracks/oddities';
import { fail, ok, type Result } from '../src/core/result';
import { timeAtFrame } from '../src/core/timing/clip-time';
import { comparisonDocument, type ComparisonDocument } from '../src/formats/comparison-json/comparison-json';
import { reportCsv } from '../src/report/csv';
import { planOf } from '../src/core/coaching/plan';
import { reportOf } from '../src/core/coaching/report';
import { textReport } from '../src/report/text-report';
import { trialOf } from './read-trial';
import type { CompareInput, Read, CompareIssue } from './compare-input';
import { TEXT } from '../src/text/cli';

export interface CompareOutput {
  /** How many measures were judged, could be read, and there are; the commonest reason where none was. */
  readonly counted: ReturnType<typeof judgedCount> & { readonly why: string | null };
  readonly document: ComparisonDocument;
  readonly csv: string;
  readonly report: string;
}

const timesSchema = z.record(z.string(), z.number());

/** Seconds of key events by side, or by the name of a file. */
const keyEventsSchema = z.record(z.string(), timesSchema);

type Given = z.infer<typeof keyEventsSchema>;

function readEvents(
  movement: Movement,
  moments: CompareInput['moments'],
  files: readonly string[],
): Result<Given, CompareIssue> {
  if (!moments) return ok({});
  const bad = (what: string): Result<never, CompareIssue> => fail('bad-moments', `“${moments.file}”${what}`);
  let parsed: unknown;
  try {
    parsed = JSON.parse(moments.text);
  } catch (error) {
    return bad(TEXT.isNotValidJson(error instanceof Error ? error.message : String(error)));
  }
  const checked = keyEventsSchema.safeParse(parsed);
  if (!checked.success) {
    const { path, message } = checked.error.issues[0]!;
    return bad(TEXT.itShouldReadAthleteRelease(path.join('.'), message));
  }
  const whose = Object.keys(checked.data).find((name) => !['athlete', 'reference', ...files].includes(name));
  if (whose !== undefined) return bad(TEXT.isNeitherAthleteNorReference(whose, files.join(', ')));
  const known = movement.moments.map((m) => m.id);
  const unknown = Object.values(checked.data)
    .flatMap((times) => Object.keys(times))
    .find((id) => !known.includes(id));
  if (unknown !== undefined) return bad(TEXT.isNotMomentOf(unknown, movement.name, known.join(', ')));
  return ok(checked.data);
}

/**
 * One athlete against a reference (one file, or the mean of several) from files of points: read, moments proposed where
 * none are given, measured, judged, ranked.
 */
export function compareFiles(input: CompareInput): Result<CompareOutput, CompareIssue> {
  if (input.school !== null && !input.movement.schools.some((school) => school.id === input.school)) {
    const schools = input.movement.schools.map((school) => school.id).join(', ') || 'none';
    return fail('no-school', TEXT.isNoSchoolOfThere(input.school, input.movement.name, schools));
  }
  const files = [input.athlete, ...input.references].map(({ file }) => file);
  const given = readEvents(input.movement, input.moments, files);
  if (!given.ok) return given;
  const timesOf = (file: string, role: Role, first: boolean): Readonly<Record<string, number>> =>
    given.value[file] ?? (first ? given.value[role] : undefined) ?? {};
  const athlete = trialOf(input, input.athlete, 'athlete', timesOf(input.athlete.file, 'athlete', true));
  if (!athlete.ok) return athlete;
  const references: Read[] = [];
  for (const [i, file] of input.references.entries()) {
    // Moments of the reference are those of its first file; those of others stand under their names.
    const reference = trialOf(input, file, 'reference', timesOf(file.file, 'reference', i === 0));
    if (!reference.ok) return reference;
    references.push(slowAgainst(reference.value, athlete.value));
  }
  const a = athlete.value;
  const [athletes, others] = [[a.views], references.map((r) => r.views)];
  const technique = input.school === null ? techniqueOf(input.movement, athletes) : null;
  const movement = withSchool(input.movement, schoolBy(input.school, technique));
  const judged = judgeAll(compareSides(movement, athletes, others), []);
  const priorities = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: input.days });
  const counted = judgedCount(judged);
  return ok({
    counted: {
      ...counted,
      why: counted.judged > 0 ? null : commonest(judged.flatMap(({ athlete: r }) => (r.measurable ? [] : [r.message]))),
    },
    document: comparisonDocument(movement, a, references, judged, priorities),
    csv: reportCsv({
      movement,
      judged,
      timing: timingTable(movement, athletes, others),
      athlete: a.trial,
      reference: references[0]?.trial ?? null,
    }),
    report: textReport({
      movement,
      athlete: a.file,
      reference: references.map((r) => r.file).join(', ') || TEXT.publishedTargetsOnly,
      judged,
      report: reportOf({
        movement,
        judged,
        priorities,
        plan: planOf(priorities, [], []),
        notes: [],
        athlete: a.trial,
        reference: references[0]?.trial ?? null,
        minor: input.minor,
      }),
      warnings: [
        ...(technique ? [techniqueWords(movement, technique)] : []),
        ...[a, ...references].flatMap((p) => p.warnings),
      ],
    }),
  });
}

/** Times of key events, seconds. */
const secondsOf = ({ trial: { times, marks } }: Read): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(marks).map(([id, frame]) => [id, timeAtFrame(times, frame)]));

/** Says of a reference that it runs at another speed than the athlete: slow motion that nobody told. */
function slowAgainst(reference: Read, athlete: Read): Read {
  const ratio = slowedBy(secondsOf(reference), secondsOf(athlete));
  if (ratio === null) return reference;
  const [slow, other, times] =
    ratio > 1 ? [reference.file, athlete.file, ratio] : [athlete.file, reference.file, 1 / ratio];
  const warning = TEXT.takesTimesAsLong(slow, times.toFixed(1), other);
  return { ...reference, warnings: [...reference.warnings, warning] };
}

/** The text that occurs most often; null of none. */
function commonest(texts: readonly string[]): string | null {
  const counts = new Map<string, number>();
  for (const text of texts) counts.set(text, (counts.get(text) ?? 0) + 1);
  return (
    [...counts].reduce<readonly [string, number] | null>(
      (best, next) => (best && best[1] >= next[1] ? best : next),
      null,
    )?.[0] ?? null
  );
}
