import { BODY_POINTS, type BodyPoint, type PointId } from '../anatomy/body-points';
import { bodyHeightPixels } from '../tracks/point-error';
import { clearDetected, ORIGIN, type PointSeries, type Track } from '../tracks/track';

/**
 * Joints that tell of a limb where it is, the outermost last, and the points that go with them; and how fast both ends
 * may go past each other at most in the mean, standing heights a second: a sprinter's feet go some 10 m/s before and
 * behind the hips, the hands of throws and strokes more than 20 (from memory).
 */
const LIMBS = [
  { tells: ['knee', 'ankle'], goes: ['knee', 'ankle', 'heel', 'foot-index'], fastest: 7 },
  { tells: ['elbow', 'wrist'], goes: ['elbow', 'wrist', 'pinky', 'index', 'thumb'], fastest: 15 },
] as const;

/** A frame tells where a limb is when its joints are at least this sure on both sides. */
const SURE = 0.3;
/** Frames farther apart than this tell nothing of a jump, seconds: a limb may have come to the other's place. */
const NEAR = 0.07;
/** An exchange leaves both limbs this much nearer to where the other was, and together this far from their own. */
const JUMP = { nearer: 0.5, far: 0.2 } as const;
/** Limbs pass each other within this time of where they are found exchanged, seconds. */
const REACH = 0.5;
/** A second jump is where the way becomes shorter by at least this much when labels are exchanged, share of height. */
const SECOND = 0.1;
/** Labels are wrong for short: a stretch that would be so many times as long as that on the other side is believed. */
const BELIEVED = 3;
/** What is left of the confidence of points that were exchanged against what all detectors said. */
const DOUBTED = 0.5;

type Pair = readonly [PointSeries, PointSeries];

const way = (a: PointSeries, i: number, b: PointSeries, j: number): number =>
  Math.hypot(a.x[i]! - b.x[j]!, a.y[i]! - b.y[j]!);

/** Ways of both limbs from one frame to another, labels kept and labels exchanged. */
function waysOf([left, right]: Pair, i: number, j: number): { readonly kept: number; readonly exchanged: number } {
  return {
    kept: way(left, i, left, j) + way(right, i, right, j),
    exchanged: way(left, i, right, j) + way(right, i, left, j),
  };
}

/**
 * Where labels can have slipped unseen in one direction from a frame: the step at which exchanging them there makes the
 * way least longer. Over frames that are far apart it makes nothing longer.
 * @param frames sure frames, from the one at the jump on, in that direction
 */
function slipFrom(
  pairs: readonly Pair[],
  frames: readonly number[],
  times: Float64Array,
): { readonly longer: number; readonly count: number } {
  let best = { longer: Infinity, count: 0 };
  for (let k = 1; k < frames.length; k++) {
    const [from, to] = [frames[k - 1]!, frames[k]!];
    const difference = pairs.reduce((sum, pair) => {
      const { kept, exchanged } = waysOf(pair, from, to);
      return sum + exchanged - kept;
    }, 0);
    const longer = Math.abs(times[to]! - times[from]!) > NEAR ? Math.min(0, difference) : difference;
    if (longer < best.longer) best = { longer, count: k };
  }
  return best;
}

/**
 * Limbs that change places from one picture to the next, faster than any can move, have not moved: on one side of the
 * jump left is taken for right. Where a second jump shows where that began or ends, what lies between is exchanged, and
 * half as sure. Where the labels can have slipped on either side unseen, as limbs passed each other, nothing tells
 * which: the limb is not known from the one passing to the other, or on the one side that is much shorter.
 * Points placed by hand stay.
 * @param times real seconds of every frame
 */
export function mendExchangeJumps(track: Track, times: Float64Array): Track {
  const height = bodyHeightPixels(track);
  if (Number.isNaN(height)) return track;
  let mended = track;
  for (const limb of LIMBS) {
    const pairsOf = (joints: readonly string[]): readonly (readonly [BodyPoint, BodyPoint])[] =>
      joints
        .map((joint) => [`left-${joint}`, `right-${joint}`] as [BodyPoint, BodyPoint])
        .filter(([l, r]) => BODY_POINTS.includes(l) && track[l] && track[r]);
    const tells = pairsOf(limb.tells);
    if (tells.length < limb.tells.length) continue;
    const seriesOf = (from: Track): readonly Pair[] => tells.map(([l, r]): Pair => [from[l]!, from[r]!]);
    const sure = Array.from(times.keys()).filter((i) =>
      seriesOf(track).every((pair) =>
        pair.every((s) => s.origin[i] === ORIGIN.detected && s.confidence[i]! >= SURE && !Number.isNaN(s.x[i]!)),
      ),
    );
    for (let k = 1; k < sure.length; k++) {
      const pairs = seriesOf(mended);
      const [a, b] = [sure[k - 1]!, sure[k]!];
      const jumps =
        times[b]! - times[a]! <= NEAR &&
        pairs.every((pair) => {
          const { kept, exchanged } = waysOf(pair, a, b);
          return exchanged < JUMP.nearer * kept && kept > JUMP.far * height;
        }) &&
        waysOf(pairs.at(-1)!, a, b).kept / 2 > limb.fastest * height * (times[b]! - times[a]!);
      if (!jumps) continue;
      const within = (i: number): boolean => Math.abs(times[i]! - times[a]!) <= REACH;
      const [back, on] = [sure.slice(0, k).filter(within).reverse(), sure.slice(k).filter(within)];
      const [before, after] = [slipFrom(pairs, back, times), slipFrom(pairs, on, times)];
      const goes = pairsOf(limb.goes);
      const [first, last] = [back[Math.max(0, before.count - 1)]!, on[Math.max(0, after.count - 1)]!];
      if (Math.min(before.longer, after.longer) > -SECOND * height)
        mended = clearedWithin(
          mended,
          goes,
          before.count > BELIEVED * after.count ? a + 1 : first,
          after.count > BELIEVED * before.count ? b - 1 : last,
        );
      else if (before.longer < after.longer) mended = exchangedWithin(mended, goes, first, b - 1);
      else mended = exchangedWithin(mended, goes, a + 1, last);
    }
  }
  return mended;
}

/** Detected points of a limb taken out on the frames from one to another, both included. */
const clearedWithin = (
  track: Track,
  ids: readonly (readonly [BodyPoint, BodyPoint])[],
  first: number,
  last: number,
): Track => clearDetected(track, new Map(Array.from({ length: last - first + 1 }, (_, k) => [first + k, ids.flat()])));

/** Detected points of a limb exchanged on the frames from one to another, both included. */
function exchangedWithin(
  track: Track,
  ids: readonly (readonly [BodyPoint, BodyPoint])[],
  first: number,
  last: number,
): Track {
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  for (const [l, r] of ids) {
    const [left, right] = [track[l]!, track[r]!];
    const inside = (i: number): boolean =>
      i >= first && i <= last && left.origin[i] === ORIGIN.detected && right.origin[i] === ORIGIN.detected;
    const from = (own: PointSeries, other: PointSeries): PointSeries => ({
      x: own.x.map((v, i) => (inside(i) ? other.x[i]! : v)),
      y: own.y.map((v, i) => (inside(i) ? other.y[i]! : v)),
      confidence: own.confidence.map((v, i) => (inside(i) ? DOUBTED * other.confidence[i]! : v)),
      origin: own.origin,
    });
    next[l] = from(left, right);
    next[r] = from(right, left);
  }
  return next;
}
