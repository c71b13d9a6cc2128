import { isBodyPoint, type PointId } from './body-points';

/**
 * How far a joint lies in front of or behind the one that it hangs on, seen square to the plane of a movement: standard
 * deviation, share of standing height. It is the segment's length times the sine of how far limbs usually leave the
 * plane: 8 degrees for leg and trunk, 25 for the arms; half the breadth of hips and shoulders that turn (common
 * practice).
 */
const BESIDE_PARENT: Readonly<Record<string, number>> = {
  hip: 0.03,
  knee: 0.034,
  ankle: 0.034,
  heel: 0.01,
  'foot-index': 0.02,
  trunk: 0.05,
  shoulder: 0.05,
  elbow: 0.075,
  wrist: 0.06,
  head: 0.04,
};
/** A point of the movement's own hangs on nothing. */
const OWN = 0.08;

const PARENT: Readonly<Record<string, string | null>> = {
  hip: null,
  knee: 'hip',
  ankle: 'knee',
  heel: 'ankle',
  'foot-index': 'ankle',
  shoulder: 'trunk',
  elbow: 'shoulder',
  wrist: 'elbow',
  trunk: null,
  head: 'trunk',
};

/**
 * One link of the chain from the pelvis to a point, with the standard deviation of its depth, share of standing height.
 */
export interface DepthLink {
  readonly id: string;
  readonly sd: number;
}

/**
 * The links by which a point's depth differs from the pelvis's; two points differ by the links that they do not share.
 */
export function depthLinks(id: PointId): readonly DepthLink[] {
  if (!isBodyPoint(id)) return [{ id, sd: OWN }];
  const [, side, joint] = /^(left|right)-(.+)$/.exec(id) ?? [];
  const links: DepthLink[] = [];
  const known = joint !== undefined && joint in PARENT ? joint : /pinky|index|thumb/.test(id) ? 'wrist' : 'head';
  for (let at: string | null = known; at; at = PARENT[at] ?? null) {
    links.push({ id: at === 'trunk' || at === 'head' ? at : `${side ?? ''} ${at}`, sd: BESIDE_PARENT[at]! });
  }
  return links;
}
