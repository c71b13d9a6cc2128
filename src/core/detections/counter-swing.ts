import type { BodyPoint, PointId, Side } from '../anatomy/body-points';
import { distance, type Vec2 } from '../geometry/vec2';
import { bodyHeightPixels } from '../tracks/point-error';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import type { Detections } from './fuse-detections';

/** Joints that tell on which side a limb is, and all points that go with a leg. */
const TELLS = { legs: ['knee', 'ankle'], arms: ['elbow', 'wrist'] } as const;
const LEG = ['hip', 'knee', 'ankle', 'heel', 'foot-index'] as const;
/** Limbs nearer together than this share of standing height tell no side. */
const APART = 0.07;
/** Fewer frames in which both detectors name a side tell nothing. */
const LEAST_FRAMES = 12;
/**
 * Legs of which both detectors contradict the names in so many of those frames are not known by them; arms in fewer are.
 * Of 44 rendered clips legs were contradicted in at most 0.24, in 0.28 and 0.43 under two skirts; arms in at most 0.09,
 * in 0.23 to 0.31 of three whose pictures were hard.
 */
const LEGS_UNKNOWN = 0.2;
const ARMS_KNOWN = 0.1;
/**
 * Arms and legs of one side that go together are those of no gait: hands swing against feet (of the same clips, where
 * arms were known: walking and hurdling -0.68 to -0.91, bowling 0.11 to 0.38). They pass each other so often at least.
 */
const TOGETHER = 0.7;
const LEAST_PASSINGS = 2;

type Limb = keyof typeof TELLS;
const placeOf = (series: PointSeries | undefined, frame: number): Vec2 | undefined =>
  series && !Number.isNaN(series.x[frame]!) ? { x: series.x[frame]!, y: series.y[frame]! } : undefined;

/** Whether two namings of a limb's sides are alike (1) or exchanged (-1) at a frame; 0 where nothing tells. */
function alike(
  limb: Limb,
  one: (id: BodyPoint) => Vec2 | undefined,
  other: (id: BodyPoint) => Vec2 | undefined,
  apart: number,
): -1 | 0 | 1 {
  let [same, exchanged] = [0, 0];
  for (const joint of TELLS[limb])
    for (const side of ['left', 'right'] as const) {
      const opposite: Side = side === 'left' ? 'right' : 'left';
      const [at, named, across] = [one(`${side}-${joint}`), other(`${side}-${joint}`), other(`${opposite}-${joint}`)];
      if (!at || !named || !across) return 0;
      same += distance(at, named);
      exchanged += distance(at, across);
    }
  return Math.abs(same - exchanged) < apart ? 0 : same < exchanged ? 1 : -1;
}

/** Share of the frames in which both detectors name a limb's sides that contradict a track; null of too few. */
function contradicted(track: Track, detections: Detections, limb: Limb, apart: number): number | null {
  let [agree, contradict] = [0, 0];
  for (const [frame, [first, second]] of detections) {
    if (!first || !second) continue;
    const votes = [first, second].map((seen) =>
      alike(
        limb,
        (id) => placeOf(track[id], frame),
        (id) => seen[id],
        apart,
      ),
    );
    if (votes.every((vote) => vote === 1)) agree++;
    else if (votes.every((vote) => vote === -1)) contradict++;
  }
  return agree + contradict < LEAST_FRAMES ? null : contradict / (agree + contradict);
}

/** How the left of a pair lies beside the right along the picture, by frame; NaN where it is not known. */
function ahead(track: Track, joint: 'wrist' | 'ankle', frames: number): Float64Array {
  const [left, right] = [track[`left-${joint}`], track[`right-${joint}`]];
  return Float64Array.from({ length: frames }, (_, i) => (left && right ? left.x[i]! - right.x[i]! : NaN));
}

/** Pearson's correlation over the frames in which both are known. */
function correlation(a: Float64Array, b: Float64Array): number {
  const known = [...a.keys()].filter((i) => !Number.isNaN(a[i]! + b[i]!));
  const mean = (of: Float64Array): number => known.reduce((sum, i) => sum + of[i]!, 0) / known.length;
  const [meanA, meanB] = [mean(a), mean(b)];
  let [ab, aa, bb] = [0, 0, 0];
  for (const i of known) {
    ab += (a[i]! - meanA) * (b[i]! - meanB);
    aa += (a[i]! - meanA) ** 2;
    bb += (b[i]! - meanB) ** 2;
  }
  return ab / Math.sqrt(aa * bb);
}

/** How often limbs that stand apart pass each other. */
function passings(values: Float64Array, apart: number): number {
  const sides = [...values].filter((v) => Math.abs(v) > apart).map(Math.sign);
  return sides.filter((side, i) => i > 0 && side !== sides[i - 1]).length;
}

/**
 * Exchanges the legs of a whole clip where detectors do not know them apart, as where both are bare or hidden alike by
 * a skirt, and they would go with the arms of their side: in gait arms swing against legs (Elftman 1939, The function
 * of the arms in walking). Paths that are smooth say nothing of which of two is the left one.
 * Legs of which a point was placed by hand stay as they are.
 */
export function legsAgainstArms(track: Track, detections: Detections): Track {
  const height = bodyHeightPixels(track);
  const frames = track['left-ankle']?.x.length ?? 0;
  if (Number.isNaN(height) || frames === 0) return track;
  const apart = APART * height;
  const legs = contradicted(track, detections, 'legs', apart);
  const arms = contradicted(track, detections, 'arms', apart);
  if (legs === null || arms === null || legs < LEGS_UNKNOWN || arms > ARMS_KNOWN) return track;
  const ids = LEG.map((joint) => [`left-${joint}`, `right-${joint}`] as const);
  if (ids.flat().some((id) => track[id]?.origin.includes(ORIGIN.hand))) return track;
  const [feet, hands] = [ahead(track, 'ankle', frames), ahead(track, 'wrist', frames)];
  if (passings(feet, apart) < LEAST_PASSINGS || !(correlation(hands, feet) >= TOGETHER)) return track;
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  for (const [left, right] of ids)
    if (track[left] && track[right]) [next[left], next[right]] = [track[right], track[left]];
  return next;
}
