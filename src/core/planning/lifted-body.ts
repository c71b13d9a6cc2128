import type { PointId } from '../anatomy/body-points';
import { SEGMENTS_IN_SPACE, WIDTHS_IN_SPACE } from '../reconstruction/body';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import type { PointSeries, Track } from '../tracks/track';

type Joint = 'shoulder' | 'elbow' | 'wrist' | 'hip' | 'knee' | 'ankle' | 'heel' | 'foot-index';
const SIDES = ['right', 'left'] as const;
type Side = (typeof SIDES)[number];

/**
 * Limbs from the trunk outwards, and which way they leave the plane: away from the body's middle, or back towards it.
 * One camera does not tell (Taylor 2000: each limb has two mirror answers).
 */
const LIMBS: readonly (readonly [from: Joint, to: Joint, leaves: 1 | -1])[] = [
  ['shoulder', 'elbow', 1],
  ['elbow', 'wrist', -1],
  ['hip', 'knee', 1],
  ['knee', 'ankle', -1],
  ['ankle', 'heel', -1],
  ['ankle', 'foot-index', 1],
];
/** A joint in the plane of the picture, standing heights. */
type Flat = Pick<SpatialSeries, 'x' | 'y'>;

/**
 * A joint at a length from another one in the direction in which it is seen: what it is seen shorter leaves the plane,
 * what it is seen longer is left out.
 * @param leaves 1 to the performer's right, -1 to the left
 */
function atLength(from: SpatialSeries, seen: Flat, length: number, leaves: number): SpatialSeries {
  const away = seen.x.map((x, i) => Math.hypot(x - from.x[i]!, seen.y[i]! - from.y[i]!));
  const share = away.map((d) => Math.min(1, length / d));
  return {
    x: from.x.map((x, i) => x + share[i]! * (seen.x[i]! - x)),
    y: from.y.map((y, i) => y + share[i]! * (seen.y[i]! - y)),
    z: from.z.map((z, i) => z + leaves * Math.sqrt(Math.max(0, length ** 2 - away[i]! ** 2))),
  };
}

/**
 * The joints of a performance in space, as one camera square to it leaves them open: a body of usual lengths of segments,
 * whose limbs that are seen shorter leave the plane (scaled orthography, Taylor 2000), the middle of the trunk in it.
 * @param scale from pixels to standing heights; negative in x where the performer goes to the left
 * @returns standing heights: x the way of travel, y up, z to the performer's right
 */
export function liftedBody(track: Track, scale: { readonly x: number; readonly y: number }): SpatialTrack {
  const flat = ({ x, y }: PointSeries): Flat => ({ x: x.map((v) => v * scale.x), y: y.map((v) => -v * scale.y) });
  const lifted: Partial<Record<PointId, SpatialSeries>> = {};
  const idOf = (side: Side, joint: Joint): PointId => `${side}-${joint}`;
  for (const joint of ['hip', 'shoulder'] as const) {
    const [right, left] = SIDES.map((side) => track[idOf(side, joint)]);
    if (!right || !left) continue;
    const [a, b] = [flat(right), flat(left)];
    const middle: SpatialSeries = {
      x: a.x.map((x, i) => (x + b.x[i]!) / 2),
      y: a.y.map((y, i) => (y + b.y[i]!) / 2),
      z: a.x.map((x) => 0 * x),
    };
    const half = WIDTHS_IN_SPACE.find(({ name }) => name === joint)!.length / 2;
    lifted[idOf('right', joint)] = atLength(middle, a, half, 1);
    lifted[idOf('left', joint)] = atLength(middle, b, half, -1);
  }
  for (const [from, to, leaves] of LIMBS) {
    const { length } = SEGMENTS_IN_SPACE.find(({ joints: [a, b] }) => a === from && b === to)!;
    for (const side of SIDES) {
      const [near, far] = [lifted[idOf(side, from)], track[idOf(side, to)]];
      if (near && far) lifted[idOf(side, to)] = atLength(near, flat(far), length, side === 'right' ? leaves : -leaves);
    }
  }
  // What is missing stays so.
  if (track.nose) lifted.nose = { ...flat(track.nose), z: track.nose.x.map((x) => 0 * x) };
  return lifted;
}
