import type { PointId } from '../anatomy/body-points';
import { fail, ok, type Issue, type Result } from '../result';
import type { FigureCamera } from '../tracks/spatial-view';
import type { Adjusted } from './adjust';
import { factorise } from '../geometry/cholesky';
import { degreesBetween, directionOf } from './pinhole';
import { OF_CAMERA, type Clock, type Problem, type State } from './problem';
import {
  evenly,
  framesOfBody,
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
export const COARSE_FRAMES = 24;
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

const lowerTriangle = (matrix: Float64Array, n: number, by: number): Float32Array => {
  const triangle = new Float32Array((n * (n + 1)) / 2);
  for (let i = 0, k = 0; i < n; i++) for (let j = 0; j <= i; j++, k++) triangle[k] = by * matrix[i * n + j]!;
  return triangle;
};

const RADIANS = Math.PI / 180;

/** What to do where nothing can be told. */
const FARTHER = TEXT.putSecondCameraAt;
const CHECK = TEXT.checkCommonInstantsLeft;
const DETECT = TEXT.detectPointsOfLimbs;

/** How well the azimuth of every further camera against the first is known, degrees. */
const azimuthSds = ({ state, covariance, layout }: Adjusted): readonly number[] =>
  state.cameras.slice(1).map((_, i) => {
    const at = OF_CAMERA * (i + 1) + 1;
    return covariance ? Math.sqrt(covariance[at * layout.size + at]!) / RADIANS : NaN;
  });

/** Why nothing can be made of cameras that were adjusted; null where it can. Cameras that were not found have no misfit. */
export function refusalOf(adjusted: Adjusted, misfit: number | null): Result<never, SpaceIssue> | null {
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
export function usedFrames({ times }: SeenClip, shared: readonly number[]): readonly number[] {
  const rate = (times.length - 1) / (times.at(-1)! - times[0]!);
  const apart = Math.round(shared.length / rate / SAYS_THE_SAME);
  return evenly(shared, Math.min(MOST_FRAMES, Math.max(COARSE_FRAMES, apart)));
}

/** What a body is stated from: all frames that the cameras share, and the unknowns that all of them share. */
export interface Solved {
  readonly cameras: readonly SpaceCamera[];
  readonly shared: readonly number[];
  readonly adjusted: Adjusted;
  readonly whole: Problem;
  /** With the points of every frame. */
  readonly solved: State;
  readonly misfit: number;
}

/** The body at every frame of the first camera, with the covariance of its points. */
export function bodyThrough(
  { cameras, shared, adjusted, whole, solved, misfit }: Solved,
  { onProgress, stopped }: ReconstructOptions,
): Result<Body, SpaceIssue> {
  const { layout } = adjusted;
  const { ids } = whole;
  const { clocks } = solved;
  const covariance = adjusted.covariance!;
  const ofShared = Float64Array.from(covariance);
  if (!factorise(ofShared, layout.size)) return fail('undetermined', TEXT.movementDoesNotTellHow(FARTHER));
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
    covariances[frame] = lowerTriangle(frameCovariance(whole, solved, saw, f, ofShared), n, wider);
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
export function seenByAll(
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
