import { orderProblem } from '../src/core/events/order';
import { proposeTrial } from '../src/core/events/repetitions';
import { clipSchema } from '../src/core/model/clip';
import { DEFAULT_CUTOFF } from '../src/core/model/session';
import { eventsOfMarks, type Timed } from '../src/core/trial/key-events';
import { prepareTrial } from '../src/core/trial/trial';
import {
  figureOf,
  LEAST_SURE_TRAVEL,
  metresByHeight,
  proposeFigure,
  travelOf,
  viewOfCamera,
} from '../src/core/tracks/figure';
import { viewsOfRecorded } from '../src/core/reconstruction/body-views';
import { spatialHeight } from '../src/core/tracks/spatial-view';
import { withoutHold } from '../src/core/calibration/camera-state';
import { FEET_SLIDE, feetSlide } from '../src/core/tracks/feet-slide';
import { oddities } from '../src/core/tracks/oddities';
import { framesOf, LENGTH_UNITS } from '../src/core/tracks/recording';
import { fail, ok, type Result } from '../src/core/result';
import { frameAtTime, realTimes } from '../src/core/timing/clip-time';
import { readPointFile } from '../src/formats/points';
import type { PointInput, CompareInput, Read, CompareIssue } from './compare-input';
import { TEXT } from '../src/text/cli';

/** An attempt has no more: more than a minute at 240 a second. */
const MOST_FRAMES = 20_000;

/** Standing heights that are a person's, metres. */
const TALL = { least: 0.6, most: 2.6 };

export function trialOf(
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
    warnings.push(TEXT.hasSubjectsFirstWasTaken(file, read.value.recordings.length, recording.name));
  const proposal = proposeFigure(recording, null);
  const stated = LENGTH_UNITS[recording.unit] !== null;
  const { dominant, travel, view, rate, rateChanges, height, scale, camera } = input.performers[role];
  const answers =
    height !== null && !stated
      ? { ...proposal, metresPerUnit: metresByHeight(recording, proposal.map, height) }
      : proposal;
  const figure = figureOf(answers);
  if (Object.keys(figure.track).length === 0)
    return fail(
      'bad-file',
      TEXT.noneOfItsMarkers(
        file,
        recording.markers
          .slice(0, 6)
          .map((m) => m.name)
          .join(', '),
      ),
    );
  const told = travelOf(figure.track);
  if (!figure.spatial && view.kind === 'side' && travel === null && told.sure < LEAST_SURE_TRAVEL)
    return fail('which-way', TEXT.whichWayPerformerGoesCannot(file));
  const seen = figure.spatial ? viewOfCamera(figure.spatial, answers.camera) : { view, travel: travel ?? told.travel };
  const frames = framesOf(recording);
  if (frames > MOST_FRAMES) return fail('bad-file', TEXT.hasFramesAtMost(file, frames, MOST_FRAMES));
  const tall = figure.spatial ? spatialHeight(figure.spatial) : NaN;
  if (tall < TALL.least || tall > TALL.most)
    warnings.push(TEXT.itsPerformerWouldBeM(file, Number(tall.toPrecision(3))));
  warnings.push(...oddities(figure.track, figure.spatial, view.kind).map((odd) => `“${file}”: ${odd}.`));
  const followed =
    !figure.spatial && (camera === null ? feetSlide(figure.track, recording.rate) : camera === 'follows');
  if (followed) warnings.push(TEXT.ifCameraStoodStillSay(file, FEET_SLIDE));
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
    rateChanges: [...rateChanges],
    // A file is a performer: names inside files are often the same for everybody.
    performer: { name: file, dominantSide: dominant, minor: role === 'athlete' && input.minor, consent: true },
    ...seen,
    mirrored: false,
    camera: followed ? withoutHold() : null,
    scale: pixelsPerMetre === null ? null : { pixels: pixelsPerMetre, metres: 1, alongDegrees: 90 },
  });
  if (!checked.success) {
    const { path, message } = checked.error.issues[0]!;
    return fail('bad-file', TEXT.makesNoClip(file, path.join('.'), message));
  }
  const clip = checked.data;
  const times = realTimes(clip);
  const last = times.length - 1;
  const outside = Object.entries(given).find(([, seconds]) => seconds < 0 || seconds > times[last]!);
  if (outside)
    return fail('bad-moments', TEXT.momentOfIsAtS(outside[0], role, outside[1], file, times[last]!.toFixed(3)));
  const marks: Record<string, Timed> = Object.fromEntries(
    Object.entries(given).map(([id, seconds]) => [id, { frame: frameAtTime(times, seconds) }]),
  );
  const marked = prepareTrial(clip, figure.track, marks, DEFAULT_CUTOFF, {}, figure.spatial ?? undefined);
  const wrong = orderProblem(input.movement, marked);
  if (wrong) return fail('bad-moments', wrong);
  const proposals = proposeTrial(input.movement, marked);
  for (const { eventId, frame, confidence, sd, systematic } of proposals)
    marks[eventId] = { frame: Math.min(last, Math.max(0, frame)), proposed: confidence, sd, systematic };
  const trial = { ...marked, ...eventsOfMarks(marks) };
  if (Object.keys(trial.marks).length === 0) return fail('no-moments', TEXT.noMomentOfCould(file, input.movement.name));
  return ok({
    trial,
    views: [trial, ...(figure.spatial ? viewsOfRecorded(figure.spatial, trial) : [])],
    file,
    warnings,
    proposed: Object.fromEntries(proposals.map((p) => [p.eventId, Math.round(100 * p.confidence) / 100])),
  });
}
