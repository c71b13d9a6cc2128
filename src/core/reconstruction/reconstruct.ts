import type { PointId } from '../anatomy/body-points';
import { fail, ok, type Issue, type Result } from '../result';
import type { SpatialTrack } from '../tracks/marker-map';
import type { FigureCamera } from '../tracks/spatial-view';
import { adjust, type Adjusted } from './adjust';
import { bendsForward } from './bending';
import { degreesBetween, directionOf, type Pinhole } from './pinhole';
import { OF_CAMERA, type Clock, type Problem, type State } from './problem';
import {
  bestStart,
  evenly,
  framesOfBody,
  freedomOf,
  onFrames,
  problemOf,
  sharedFrames,
  sharedPoints,
  withoutUnseen,
  type SpaceCamera,
} from './problem-of-cameras';
import type { SeenClip } from './seen-points';
import { frameCovariance, solveFrames } from './solve-frames';
import { TEXT } from '../../text/core/reconstruction';

/** A camera as it was found. */
export interface FoundCamera extends FigureCamera {
  readonly clipId: string;
  /** Standard deviation of its azimuth against the first camera's, degrees. */
  readonly azimuthSd: number;
  readonly clock: Clock;
  readonly clockSd: number;
}

/** A body in space, frame by frame of the first camera's clip. Lengths are in standing heights, y is up. */
export interface Body {
  readonly ids: readonly PointId[];
  /** Frame by frame, point by point: x, y, z; NaN where fewer than two cameras saw the point. */
  readonly points: Float64Array;
  /** The same from points that were not smoothed. */
  readonly raw: Float64Array;
  /** Frame by frame: covariance of all its coordinates, the lower triangle row by row. */
  readonly covariances: readonly Float32Array[];
  readonly cameras: readonly FoundCamera[];
  /** Root mean square of the residuals in their standard deviations: about 1 where the errors are what was stated. */
  readonly misfit: number;
}

export type SpaceIssue = Issue<
  'too-few-points' | 'alike-cameras' | 'misfit' | 'mirrored' | 'undetermined' | 'cancelled'
>;

export interface ReconstructOptions {
  readonly onProgress?: (share: number) => void;
  readonly stopped?: () => boolean;
}

/** Fewer shared joints or frames do not tell how cameras stand. */
const LEAST_JOINTS = 8;
const LEAST_FRAMES = 8;
/** A body that is seen in fewer of the frames is guessed at by its detector. */
const LEAST_SHARE = 0.5;
/** Frames by which the starts are compared, and at most by which all is adjusted. */
const COARSE_FRAMES = 24;
const MOST_FRAMES = 90;
/**
 * How long a detector errs in the same way, and a limb is longer or shorter than it should be: frames nearer to one
 * another say the same, seconds.
 */
const SAYS_THE_SAME = 0.08;
/** Cameras nearer to one another than this, or to being opposite, do not tell depth, degrees. */
const LEAST_APART = 25;
/** The azimuth between the cameras must be known as well as this, degrees. */
const MOST_AZIMUTH_SD = 10;
/** Residuals so many times as large as was stated are of points that are not of one body. */
const MOST_MISFIT = 1.25;
/** The other cameras may stand so far from where their view says, degrees. */
const STARTS = [0, -30, 30];

/** A clock that is moved by less is found, seconds. */
const SETTLED_CLOCK = 2e-4;
const MOST_ROUNDS = 4;

/** Everything adjusted together; the points are read anew by the clocks that were found, until these stay. */
function adjustAll(
  cameras: readonly SpaceCamera[],
  ids: readonly PointId[],
  frames: readonly number[],
  begin: State,
  stopped?: () => boolean,
): { readonly fine: Problem; readonly adjusted: Adjusted } {
  const statures = cameras.map((c) => c.stature);
  let clocks = begin.clocks;
  for (let round = 1; ; round++) {
    const fine = problemOf(cameras, ids, frames, { biased: true, clocks });
    const adjusted = adjust(fine, onFrames(fine, begin, statures), {
      iterations: 25,
      ...(stopped ? { stopped } : {}),
    });
    const moved = Math.max(...adjusted.state.clocks.map(({ offset }, c) => Math.abs(offset - clocks[c]!.offset)));
    if (moved < SETTLED_CLOCK || round === MOST_ROUNDS || stopped?.()) return { fine, adjusted };
    begin = adjusted.state;
    ({ clocks } = begin);
  }
}

const lowerTriangle = (matrix: Float64Array, n: number, by: number): Float32Array => {
  const triangle = new Float32Array((n * (n + 1)) / 2);
  for (let i = 0, k = 0; i < n; i++) for (let j = 0; j <= i; j++, k++) triangle[k] = by * matrix[i * n + j]!;
  return triangle;
};

const RADIANS = Math.PI / 180;

/** What to do where nothing can be told. */
const FARTHER = TEXT.putSecondCameraAt;
const CHECK = TEXT.checkCommonInstantsLeft;
const CORRECT = TEXT.correctViewOrExchangeLeft;
const DETECT = TEXT.detectPointsOfLimbs;

/** How well the azimuth of every further camera against the first is known, degrees. */
const azimuthSds = ({ state, covariance, layout }: Adjusted): readonly number[] =>
  state.cameras.slice(1).map((_, i) => {
    const at = OF_CAMERA * (i + 1) + 1;
    return covariance ? Math.sqrt(covariance[at * layout.size + at]!) / RADIANS : NaN;
  });

/** Why nothing can be made of cameras that were adjusted; null where it can. Cameras that were not found have no misfit. */
function refusalOf(adjusted: Adjusted, misfit: number | null): Result<never, SpaceIssue> | null {
  const [main, ...others] = adjusted.state.cameras;
  const apart = others.map(({ rotation }) => degreesBetween(main!.rotation, rotation));
  if (Math.max(...apart.map((d) => Math.min(d, 180 - d))) < LEAST_APART)
    return fail(
      'alike-cameras',
      TEXT.camerasLookDegreesApartWhich(apart.map((d) => Math.round(d)).join(' and '), FARTHER),
    );
  if (misfit !== null && !(misfit < MOST_MISFIT))
    return fail('misfit', TEXT.pointsOfCamerasAreNot(misfit.toFixed(1), CHECK));
  if (!adjusted.covariance || !(Math.min(...azimuthSds(adjusted)) < MOST_AZIMUTH_SD))
    return fail('undetermined', TEXT.movementDoesNotTellHow(FARTHER));
  return null;
}

/** Frames from which the unknowns that all share are found: no nearer than detectors err in the same way. */
function usedFrames({ times }: SeenClip, shared: readonly number[]): readonly number[] {
  const rate = (times.length - 1) / (times.at(-1)! - times[0]!);
  const apart = Math.round(shared.length / rate / SAYS_THE_SAME);
  return evenly(shared, Math.min(MOST_FRAMES, Math.max(COARSE_FRAMES, apart)));
}

/** What a body is stated from: all frames that the cameras share, and the unknowns that all of them share. */
interface Solved {
  readonly cameras: readonly SpaceCamera[];
  readonly shared: readonly number[];
  readonly adjusted: Adjusted;
  readonly whole: Problem;
  /** With the points of every frame. */
  readonly solved: State;
  readonly misfit: number;
}

/** The body at every frame of the first camera, with the covariance of its points. */
function bodyThrough(
  { cameras, shared, adjusted, whole, solved, misfit }: Solved,
  { onProgress, stopped }: ReconstructOptions,
): Result<Body, SpaceIssue> {
  const { layout } = adjusted;
  const { ids } = whole;
  const { clocks } = solved;
  const covariance = adjusted.covariance!;
  const raw = problemOf(cameras, ids, shared, { biased: true, clocks, raw: true });
  const rough = solveFrames(raw, solved).state;
  onProgress?.(0.8);
  const saw = cameras.map((_, c) => whole.sightings(c, clocks[c]!));
  const n = 3 * ids.length;
  const frames = cameras[0]!.clip.times.length;
  const none = new Float32Array(0);
  const wider = Math.max(1, misfit) ** 2;
  const covariances: Float32Array[] = Array.from({ length: frames }, () => none);
  for (const [f, frame] of shared.entries()) {
    if (f % 20 === 0) onProgress?.(0.8 + (0.2 * f) / shared.length);
    covariances[frame] = lowerTriangle(frameCovariance(whole, solved, saw, f, covariance), n, wider);
  }
  if (stopped?.()) return fail('cancelled', TEXT.itWasCancelled);
  const spread = (values: Float64Array): Float64Array => {
    const wide = new Float64Array(n * frames).fill(NaN);
    shared.forEach((frame, f) => wide.set(values.subarray(f * n, f * n + n), frame * n));
    return wide;
  };
  const sds = azimuthSds(adjusted);
  return ok({
    ids,
    points: spread(withoutUnseen(whole, solved)),
    raw: spread(withoutUnseen(whole, rough)),
    covariances,
    misfit,
    cameras: solved.cameras.map(({ rotation }, c) => {
      const clock = layout.clock(c);
      return {
        clipId: cameras[c]!.clip.clipId,
        ...directionOf(rotation),
        azimuthSd: c === 0 ? 0 : sds[c - 1]!,
        clock: clocks[c]!,
        clockSd: c === 0 ? 0 : Math.sqrt(covariance[clock * layout.size + clock]!),
      };
    }),
  });
}

/** The joints that cameras share and the frames that fall into all of them; or why they are too few. */
function seenByAll(
  cameras: readonly SpaceCamera[],
): Result<{ readonly ids: readonly PointId[]; readonly shared: readonly number[] }, SpaceIssue> {
  const ids = sharedPoints(cameras);
  const shared = sharedFrames(cameras);
  const tall = cameras.every(({ stature }) => stature > 0);
  if (cameras.length < 2 || ids.length < LEAST_JOINTS || shared.length < LEAST_FRAMES || !tall)
    return fail('too-few-points', TEXT.camerasShareJointsAndFrames(ids.length, shared.length, LEAST_JOINTS, DETECT));
  const seen = framesOfBody(cameras, ids, shared, LEAST_JOINTS);
  if (seen.frames < LEAST_FRAMES || seen.share < LEAST_SHARE)
    return fail('too-few-points', TEXT.onlyOfFramesShowJoints(seen.frames, shared.length, LEAST_JOINTS, DETECT));
  return ok({ ids, shared });
}

/**
 * A body in space from two or more cameras of one performance that nobody calibrated: the body itself is what the
 * cameras are calibrated by. Its segments keep their lengths, left and right are alike, the pictures are about level,
 * and each camera stands about where its view says. What is unknown (directions, places and focal lengths of the
 * cameras, their clocks, the lengths, the detectors' lasting error of every joint in every view, all points of all
 * frames) is adjusted together (`adjust.ts`), from several starts, and stated with its covariance.
 *
 * Two cameras far away see a body and its mirror image in depth alike; which it is follows from the views that were
 * stated, and is checked by which way the knees bend.
 */
export function reconstruct(
  cameras: readonly SpaceCamera[],
  options: ReconstructOptions = {},
): Result<Body, SpaceIssue> {
  const { onProgress, stopped } = options;
  const seen = seenByAll(cameras);
  if (!seen.ok) return seen;
  const { ids, shared } = seen.value;
  const stated = cameras.map(({ prior }) => prior.azimuthDegrees);
  const begin = bestStart(
    problemOf(cameras, ids, evenly(shared, COARSE_FRAMES), { biased: false }),
    cameras,
    STARTS.map((by) => stated.map((a, c) => (c === 0 ? a : a + by))),
    stopped,
  );
  onProgress?.(0.3);
  const { fine, adjusted } = adjustAll(cameras, ids, usedFrames(cameras[0]!.clip, shared), begin.state, stopped);
  onProgress?.(0.6);
  if (stopped?.()) return fail('cancelled', TEXT.itWasCancelled);
  const misfit = Math.sqrt(adjusted.cost / freedomOf(fine, adjusted.state));
  const refused = refusalOf(adjusted, misfit);
  if (refused) return refused;
  const { state } = adjusted;
  const whole = problemOf(cameras, ids, shared, { biased: true, clocks: state.clocks });
  const statures = cameras.map((c) => c.stature);
  const solved = onFrames(whole, state, statures);
  if (!bendsForward(ids, solved.points)) return fail('mirrored', TEXT.kneesWouldBendWrongWay(CORRECT));
  return bodyThrough({ cameras, shared, adjusted, whole, solved, misfit }, options);
}

/**
 * What would be known of a body if cameras stood as they are planned: nothing is searched for, and the covariance is that
 * of the adjustment where it would end, of residuals as large as is stated.
 * @param cameras what each would see of the body
 * @param places of the cameras
 * @param body of usual lengths, at the frames of the first camera; all in standing heights
 */
export function expectBody(
  cameras: readonly SpaceCamera[],
  places: readonly Pinhole[],
  body: SpatialTrack,
): Result<Body, SpaceIssue> {
  const seen = seenByAll(cameras);
  if (!seen.ok) return seen;
  const { ids, shared } = seen.value;
  const on = (frames: readonly number[]): { readonly problem: Problem; readonly state: State } => {
    const problem = problemOf(cameras, ids, frames, { biased: true });
    const at = (axis: 'x' | 'y' | 'z', id: PointId, f: number): number => body[id]![axis][f]! || 0;
    const state = {
      cameras: places,
      clocks: places.map(() => ({ offset: 0, drift: 0 })),
      lengths: Float64Array.from(problem.links.lengths, ({ length }) => Math.log(length)),
      biases: new Float64Array(2 * places.length * ids.length),
      points: Float64Array.from(
        frames.flatMap((f) => ids.flatMap((id) => [at('x', id, f), at('y', id, f), at('z', id, f)])),
      ),
    };
    // A joint that is missing goes where its segments leave it.
    return { problem, state: solveFrames(problem, state).state };
  };
  const few = on(usedFrames(cameras[0]!.clip, shared));
  const adjusted = adjust(few.problem, few.state, { iterations: 0 });
  const all = on(shared);
  return (
    refusalOf(adjusted, null) ??
    bodyThrough({ cameras, shared, adjusted, whole: all.problem, solved: all.state, misfit: 1 }, {})
  );
}
