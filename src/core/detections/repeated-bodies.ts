import { distance } from '../geometry/vec2';
import { boundsOf } from '../geometry/bounds';
import type { DetectedPoints } from '../tracks/track';
import { exchangeSides } from './fuse-detections';

/**
 * Mean distance of the points, as a share of the body's extent, below which two detections are of one body. Of two
 * walkers who pass onlookers (`npm run bench varied`) repeats are 0.02 to 0.1 apart, others 0.13 and more.
 */
const ONE_BODY = 0.1;

/** Mean distance of the points of two detections; their units. */
function apart(a: DetectedPoints, b: DetectedPoints): number {
  const both = (Object.keys(a) as (keyof DetectedPoints)[]).filter((id) => b[id]);
  return both.length === 0 ? Infinity : both.reduce((sum, id) => sum + distance(a[id]!, b[id]!), 0) / both.length;
}

const extentOf = (detected: DetectedPoints): number => {
  const { width, height } = boundsOf(Object.values(detected));
  return Math.max(width, height);
};

/** Whether two detections of one frame are of one body. */
export const isOneBody = (a: DetectedPoints, b: DetectedPoints): boolean =>
  Math.min(apart(a, b), apart(a, exchangeSides(b))) < ONE_BODY * Math.max(extentOf(a), extentOf(b));

/**
 * The detections of a frame without those of a body that an earlier one has: a detector that is asked for several
 * people gives one of them twice, also with the sides exchanged, and the second would be followed as somebody else who
 * goes along with the first.
 */
export const withoutRepeatedBodies = (all: readonly DetectedPoints[]): readonly DetectedPoints[] =>
  all.reduce<readonly DetectedPoints[]>(
    (kept, next) => (kept.some((other) => isOneBody(other, next)) ? kept : [...kept, next]),
    [],
  );
