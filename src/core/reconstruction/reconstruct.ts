import { isOwnPoint, type PointId } from '../anatomy/body-points';
import { fail, type Result } from '../result';
import { adjust, type Adjusted } from './adjust';
import { bendsForward } from './bending';
import { withPointsBeside } from './beside-body';
import type { Problem, State } from './problem';
import {
  bestStart,
  evenly,
  freedomOf,
  onFrames,
  problemOf,
  sharedPoints,
  type SpaceCamera,
} from './problem-of-cameras';
import {
  bodyThrough,
  COARSE_FRAMES,
  refusalOf,
  seenByAll,
  usedFrames,
  type Body,
  type ReconstructOptions,
  type SpaceIssue,
} from './stated-body';
import { TEXT } from '../../text/core/reconstruction';

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
  const { clocks } = adjusted.state;
  const all = [...ids, ...sharedPoints(cameras, isOwnPoint)];
  const whole = problemOf(cameras, all, shared, { biased: true, clocks });
  const beside = withPointsBeside(adjusted, fine, whole);
  const statures = cameras.map((c) => c.stature);
  const solved = onFrames(whole, beside.state, statures);
  if (!bendsForward(all, solved.points))
    return fail('mirrored', TEXT.kneesWouldBendWrongWay(TEXT.correctViewOrExchangeLeft));
  return bodyThrough({ cameras, shared, adjusted: beside, whole, solved, misfit }, options);
}
