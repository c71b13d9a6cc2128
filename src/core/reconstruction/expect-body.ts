import type { PointId } from '../anatomy/body-points';
import type { Result } from '../result';
import type { SpatialTrack } from '../tracks/marker-map';
import { adjust } from './adjust';
import type { Pinhole } from './pinhole';
import type { Problem, State } from './problem';
import { problemOf, type SpaceCamera } from './problem-of-cameras';
import { solveFrames } from './solve-frames';
import { bodyThrough, refusalOf, seenByAll, usedFrames, type Body, type SpaceIssue } from './stated-body';

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
