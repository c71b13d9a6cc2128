import { z } from 'zod';
import { prioritise } from '../src/core/judgement/priority';
import { judge, judgedCount } from '../src/core/judgement/state';
import { compareSides } from '../src/core/comparison/compare';
import { timingTable } from '../src/core/comparison/timing-table';
import { orderProblem } from '../src/core/events/order';
import { proposeTrial } from '../src/core/events/repetitions';
import { clipSchema, type Clip, type Role, type View } from '../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../src/core/model/session';
import { withSchool, type Movement } from '../src/core/model/movement';
import { momentsOfMarks, type Timed } from '../src/core/trial/moments';
import { prepareTrial, type Trial } from '../src/core/trial/trial';
import {
  FIGURE_PICTURE,
  figureOf,
  LEAST_SURE_TRAVEL,
  metresByHeight,
  proposeFigure,
  travelOf,
  viewOfCamera,
  type Figure,
} from '../src/core/tracks/figure';
import { seenFrom, spatialHeight, type FigureCamera } from '../src/core/tracks/spatial-view';
import { withoutHold } from '../src/core/calibration/camera-state';
import { FEET_SLIDE, feetSlide } from '../src/core/tracks/feet-slide';
import { oddities, slowedBy } from '../src/core/tracks/oddities';
import { framesOf, LENGTH_UNITS } from '../src/core/tracks/recording';
import { fail, ok, type Issue, type Result } from '../src/core/result';
import { frameAtTime, realTimes, timeAtFrame } from '../src/core/timing/clip-time';
import {
  comparisonDocument,
  type ComparedTrial,
  type ComparisonDocument,
} from '../src/formats/comparison-json/comparison-json';
import { readPointFile } from '../src/formats/points';
import { reportCsv } from '../src/report/csv';
import { textReport } from '../src/report/text-report';
import type { PerformerAnswers } from './options';

export interface PointInput {
  readonly file: string;
  readonly bytes: Uint8Array;
}

export interface CompareInput {
  readonly movement: Movement;
  readonly athlete: PointInput;
  /** One, several whose mean and spread count, or none: then only published targets are judged. */
  readonly references: readonly PointInput[];
  /** Text of the moments file, or null to have all moments proposed. */
  readonly moments: { readonly file: string; readonly text: string } | null;
  /** The athlete is under age. */
  readonly minor: boolean;
  readonly performers: Readonly<Record<Role, PerformerAnswers>>;
  /** Whose targets count, by the id of a school of the movement; null for the movement's own. */
  readonly school: string | null;
  /** Days to the competition; null where none is near. */
  readonly days: number | null;
}

/**
 * One trial as all the cameras that a file has of it: one for points of a picture, side, front and above for
 * points in space.
 */
interface Read extends ComparedTrial {
  readonly views: readonly Trial[];
}

export interface CompareOutput {
  /** How many measures were judged, could be read, and there are; the commonest reason where none was. */
  readonly counted: ReturnType<typeof judgedCount> & { readonly why: string | null };
  readonly document: ComparisonDocument;
  readonly csv: string;
  readonly report: string;
}

export type CompareIssue = Issue<'bad-file' | 'bad-moments' | 'no-moments' | 'which-way' | 'no-school'>;

const timesSchema = z.record(z.string(), z.number());
/** Seconds of key events by side, or by the name of a file. */
const momentsSchema = z.record(z.string(), timesSchema);
type Given = z.infer<typeof momentsSchema>;

function readMoments(
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
    return bad(` is not valid JSON (${error instanceof Error ? error.message : String(error)}).`);
  }
  const checked = momentsSchema.safeParse(parsed);
  if (!checked.success) {
    const { path, message } = checked.error.issues[0]!;
    return bad(
      `: ${path.join('.')}: ${message}. It should read {"athlete": {"release": 1.125}, "reference": {...}}, in seconds.`,
    );
  }
  const whose = Object.keys(checked.data).find((name) => !['athlete', 'reference', ...files].includes(name));
  if (whose !== undefined)
    return bad(`: “${whose}” is neither athlete nor reference nor a file of these (${files.join(', ')}).`);
  const known = movement.moments.map((m) => m.id);
  const unknown = Object.values(checked.data)
    .flatMap((times) => Object.keys(times))
    .find((id) => !known.includes(id));
  if (unknown !== undefined)
    return bad(`: “${unknown}” is not a moment of ${movement.name}; it has ${known.join(', ')}.`);
  return ok(checked.data);
}

/** An attempt has no more: more than a minute at 240 a second. */
const MOST_FRAMES = 20_000;
/** Standing heights that are a person's, metres. */
const TALL = { least: 0.6, most: 2.6 };

function trialOf(
  input: CompareInput,
  { file, bytes }: PointInput,
  role: 'athlete' | 'reference',
  given: Readonly<Record<string, number>>,
): Result<Read, CompareIssue> {
  const read = readPointFile(bytes, file);
  if (!read.ok) return fail('bad-file', read.issue.message);
  const recording = read.value.recordings[0]!;
  const warnings = [...read.value.warnings];
  if (read.value.recordings.length > 1)
    warnings.push(`“${file}” has ${read.value.recordings.length} subjects; the first, ${recording.name}, was taken.`);
  const proposal = proposeFigure(recording, null);
  const stated = LENGTH_UNITS[recording.unit] !== null;
  const { dominant, travel, view, rate, height, scale, camera } = input.performers[role];
  const answers =
    height !== null && !stated
      ? { ...proposal, metresPerUnit: metresByHeight(recording, proposal.map, height) }
      : proposal;
  const figure = figureOf(answers);
  if (Object.keys(figure.track).length === 0)
    return fail(
      'bad-file',
      `“${file}”: none of its markers is known by its name (${recording.markers
        .slice(0, 6)
        .map((m) => m.name)
        .join(', ')} ...). Name them after the points, for example left-knee.`,
    );
  const told = travelOf(figure.track);
  if (!figure.spatial && view.kind === 'side' && travel === null && told.sure < LEAST_SURE_TRAVEL)
    return fail(
      'which-way',
      `Which way the performer goes cannot be told from “${file}”. Say it: --travel left or --travel right.`,
    );
  const seen = figure.spatial ? viewOfCamera(figure.spatial, answers.camera) : { view, travel: travel ?? told.travel };
  const frames = framesOf(recording);
  if (frames > MOST_FRAMES)
    return fail(
      'bad-file',
      `“${file}” has ${frames} frames; at most ${MOST_FRAMES} are compared. Cut it to the attempt.`,
    );
  const tall = figure.spatial ? spatialHeight(figure.spatial) : NaN;
  if (tall < TALL.least || tall > TALL.most)
    warnings.push(
      `“${file}”: its performer would be ${Number(tall.toPrecision(3))} m tall. Check the unit of its lengths (millimetres, metres).`,
    );
  warnings.push(...oddities(figure.track, figure.spatial, view.kind).map((odd) => `“${file}”: ${odd}.`));
  const followed =
    !figure.spatial && (camera === null ? feetSlide(figure.track, recording.rate) : camera === 'follows');
  if (followed) warnings.push(`“${file}”: ${FEET_SLIDE}. If the camera stood still, say so: --camera still.`);
  const pixelsPerMetre = figure.pixelsPerMetre ?? scale;
  const checked = clipSchema.safeParse({
    id: role,
    role,
    fileName: file,
    mediaId: null,
    codec: 'points',
    ...figure.picture,
    rotation: 0,
    frameTimes: Float64Array.from({ length: frames }, (_, i) => Math.round((i * 1e6) / recording.rate)),
    fileRate: recording.rate,
    captureRate: rate ?? recording.rate,
    // A file is a performer: names inside files are often the same for everybody.
    performer: { name: file, dominantSide: dominant, minor: role === 'athlete' && input.minor, consent: true },
    ...seen,
    mirrored: false,
    camera: followed ? withoutHold() : null,
    scale: pixelsPerMetre === null ? null : { pixels: pixelsPerMetre, metres: 1, alongDegrees: 90 },
  });
  if (!checked.success) {
    const { path, message } = checked.error.issues[0]!;
    return fail('bad-file', `“${file}” makes no clip: ${path.join('.')}: ${message}`);
  }
  const clip = checked.data;
  const times = realTimes(clip);
  const last = times.length - 1;
  const outside = Object.entries(given).find(([, seconds]) => seconds < 0 || seconds > times[last]!);
  if (outside)
    return fail(
      'bad-moments',
      `The moment “${outside[0]}” of the ${role} is at ${outside[1]} s; “${file}” lasts from 0 to ${times[last]!.toFixed(3)} s.`,
    );
  const marks: Record<string, Timed> = Object.fromEntries(
    Object.entries(given).map(([id, seconds]) => [id, { frame: frameAtTime(times, seconds) }]),
  );
  const marked = prepareTrial(clip, figure.track, marks, DEFAULT_CUTOFF, {}, figure.spatial ?? undefined);
  const wrong = orderProblem(input.movement, marked);
  if (wrong) return fail('bad-moments', wrong);
  const proposals = proposeTrial(input.movement, marked);
  for (const { momentId, frame, confidence, sd, systematic } of proposals)
    marks[momentId] = { frame: Math.min(last, Math.max(0, frame)), proposed: confidence, sd, systematic };
  const trial = { ...marked, ...momentsOfMarks(marks) };
  if (Object.keys(trial.marks).length === 0)
    return fail(
      'no-moments',
      `“${file}”: no moment of ${input.movement.name} could be proposed from its points, and none was given (--moments).`,
    );
  return ok({
    trial,
    views: [trial, ...furtherViews(figure, answers.camera, trial)],
    file,
    warnings,
    proposed: Object.fromEntries(proposals.map((p) => [p.momentId, Math.round(100 * p.confidence) / 100])),
  });
}

/** Points in space are seen from the front and from above too: what those planes show is read there. */
function furtherViews({ spatial }: Figure, camera: FigureCamera, main: Trial): readonly Trial[] {
  if (!spatial) return [];
  const cameras: readonly (readonly [View['kind'], FigureCamera])[] = [
    ['front', { azimuthDegrees: camera.azimuthDegrees + 90, elevationDegrees: 0 }],
    ['overhead', { azimuthDegrees: camera.azimuthDegrees, elevationDegrees: 90 }],
  ];
  return cameras.map(([kind, from]) => {
    const { track, pixelsPerMetre } = seenFrom(spatial, from, FIGURE_PICTURE);
    const clip: Clip = {
      ...main.clip,
      id: `${main.clip.id}-${kind}`,
      view: { kind, offPlaneDegrees: 0 },
      travel: 'right',
      scale: { pixels: pixelsPerMetre, metres: 1, alongDegrees: 90 },
    };
    return { ...prepareTrial(clip, track, {}, main.cutoff, {}, spatial), marks: main.marks, timing: main.timing };
  });
}

/**
 * One athlete against a reference (one file, or the mean of several) from files of points: read, moments proposed where
 * none are given, measured, judged, ranked.
 */
export function compareFiles(input: CompareInput): Result<CompareOutput, CompareIssue> {
  if (input.school !== null && !input.movement.schools.some((school) => school.id === input.school)) {
    const schools = input.movement.schools.map((school) => school.id).join(', ') || 'none';
    return fail('no-school', `“${input.school}” is no school of ${input.movement.name}. There are: ${schools}.`);
  }
  const movement = withSchool(input.movement, input.school);
  const files = [input.athlete, ...input.references].map(({ file }) => file);
  const given = readMoments(movement, input.moments, files);
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
  const judged = compareSides(movement, athletes, others).map((c) => judge(c, undefined));
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
      reference: references.map((r) => r.file).join(', ') || 'published targets only',
      minor: input.minor,
      judged,
      priorities,
      warnings: [a, ...references].flatMap((p) => p.warnings),
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
  const warning = `“${slow}” takes ${times.toFixed(1)} times as long as “${other}”. If it is slow motion, give the rate of its camera with --rate.`;
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
