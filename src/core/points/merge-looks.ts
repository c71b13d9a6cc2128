import { distance, midpoint } from '../geometry/vec2';
import { BODY_POINTS, type PointId } from './body-points';
import type { FoundPoints } from './track';

/** Distance between two looks, in standing heights, at which a point counts as half sure. */
export const HALF_SURE = 0.02;

const LIMBS: readonly RegExp[] = [/hip|knee|ankle|heel|foot-index/, /shoulder|elbow|wrist|pinky|-index|thumb/, /eye|ear|mouth/];

const otherSide = (id: PointId): PointId =>
  (id.includes('left') ? id.replace('left', 'right') : id.replace('right', 'left')) as PointId;

/** The same points with left and right exchanged in names. */
export function exchangeSides(found: FoundPoints, which: (id: PointId) => boolean = () => true): FoundPoints {
  return Object.fromEntries(
    (Object.entries(found) as [PointId, NonNullable<FoundPoints[PointId]>][]).map(([id, point]) => [which(id) ? otherSide(id) : id, point]),
  );
}

const apart = (a: FoundPoints, b: FoundPoints, ids: readonly PointId[]): number =>
  ids.reduce((sum, id) => sum + (a[id] && b[id] ? distance(a[id]!, b[id]!) : 0), 0);

/**
 * Joins two looks at the same frame, one of them through a mirror and brought back: positions are averaged, and where
 * the looks disagree the confidence falls. A limb pair that the second look labels the other way round is turned to
 * agree with the first before averaging.
 * @param height standing height in the unit of the positions
 */
export function mergeLooks(first: FoundPoints, second: FoundPoints, height: number): FoundPoints {
  let turned = second;
  for (const limb of LIMBS) {
    const ids = BODY_POINTS.filter((id) => limb.test(id));
    const exchanged = exchangeSides(turned, (id) => ids.includes(id));
    if (apart(first, exchanged, ids) < apart(first, turned, ids)) turned = exchanged;
  }
  const merged: Partial<Record<PointId, { x: number; y: number; confidence: number }>> = {};
  for (const id of BODY_POINTS) {
    const [a, b] = [first[id], turned[id]];
    if (!a || !b) continue;
    const agreement = 1 / (1 + (distance(a, b) / (HALF_SURE * height)) ** 2);
    merged[id] = { ...midpoint(a, b), confidence: Math.min(a.confidence, b.confidence) * agreement };
  }
  return merged;
}
