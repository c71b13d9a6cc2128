import type { PointId } from '../anatomy/body-points';
import { SEGMENTS_IN_SPACE, WIDTHS_IN_SPACE } from '../reconstruction/body';
import type { SpatialSeries, SpatialTrack } from '../tracks/marker-map';
import type { PointSeries, Track } from '../tracks/track';

type Joint = 'shoulder' | 'elbow' | 'wrist' | 'hip' | 'knee' | 'ankle' | 'heel' | 'foot-index';
const SIDES = ['right', 'left'] as const;
type Side = (typeof SIDES)[number];

/**
 * Limbs from the trunk outwards, and which way they leave the plane: away from the body's middle, or back towards it.
 * One camera does not tell (Taylor 2000: each limb has two mirror answers); feet are taken as they are seen.
 */
const LIMBS: readonly (readonly [from: Joint, to: Joint, leaves: 1 | -1 | 0])[] = [
  ['shoulder', 'elbow', 1],
  ['elbow', 'wrist', -1],
  ['hip', 'knee', 1],
  ['knee', 'ankle', -1],
  ['ankle', 'heel', 0],
  ['ankle', 'foot-index', 0],
];
/** A limb is as long as it is seen in this share of the frames, if that is more than usual. */
const LONGEST = 0.98;

const longestOf = (lengths: Float64Array): number => {
  const seen = lengths.filter((length) => !Number.isNaN(length)).sort();
  return seen.length === 0 ? 0 : seen[Math.floor(LONGEST * (seen.length - 1))]!;
};

/**
 * The joints of a performance in space, as one camera square to it leaves them open: segments keep their lengths, what
 * is seen shorter leaves the plane (scaled orthography, Taylor 2000), the middle of the trunk stays in it.
 * @param scale from pixels to metres; negative in x where the performer goes to the left
 * @param stature metres
 * @returns metres: x the way of travel, y up, z to the performer's right
 */
export function liftedBody(
  track: Track,
  scale: { readonly x: number; readonly y: number },
  stature: number,
): SpatialTrack {
  const flat = (series: PointSeries): Pick<SpatialSeries, 'x' | 'y'> => ({
    x: series.x.map((x) => x * scale.x),
    y: series.y.map((y) => -y * scale.y),
  });
  const lifted: Record<string, SpatialSeries> = {};
  const idOf = (side: Side, joint: Joint): PointId => `${side}-${joint}`;
  /** By how much two joints leave the plane from one another. */
  const depths = (
    a: Pick<SpatialSeries, 'x' | 'y'>,
    b: Pick<SpatialSeries, 'x' | 'y'>,
    usual: number,
  ): Float64Array => {
    const seen = a.x.map((x, i) => Math.hypot(x - b.x[i]!, a.y[i]! - b.y[i]!));
    const length = Math.max(usual * stature, longestOf(seen));
    return seen.map((d) => Math.sqrt(Math.max(0, length ** 2 - d ** 2)));
  };
  for (const joint of ['hip', 'shoulder'] as const) {
    const [right, left] = SIDES.map((side) => track[idOf(side, joint)]);
    if (!right || !left) continue;
    const [a, b] = [flat(right), flat(left)];
    const apart = depths(a, b, WIDTHS_IN_SPACE.find(({ name }) => name === joint)!.length);
    lifted[idOf('right', joint)] = { ...a, z: apart.map((d) => d / 2) };
    lifted[idOf('left', joint)] = { ...b, z: apart.map((d) => -d / 2) };
  }
  for (const [from, to, leaves] of LIMBS)
    for (const side of SIDES) {
      const [near, series] = [lifted[idOf(side, from)], track[idOf(side, to)]];
      if (!near || !series) continue;
      const far = flat(series);
      const usual = SEGMENTS_IN_SPACE.find(({ joints: [a, b] }) => a === from && b === to)!.length;
      const outward = leaves * (side === 'right' ? 1 : -1);
      lifted[idOf(side, to)] = { ...far, z: depths(near, far, usual).map((d, i) => near.z[i]! + outward * d) };
    }
  // What is missing stays so.
  if (track.nose) lifted['nose'] = { ...flat(track.nose), z: track.nose.x.map((x) => 0 * x) };
  return lifted as SpatialTrack;
}
