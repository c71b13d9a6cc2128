import type { PointId, Side } from '../anatomy/body-points';
import { bodyHeightPixels } from '../tracks/point-error';
import { clearDetected, ORIGIN, type PointSeries, type Track } from '../tracks/track';

/**
 * Joints, the points that go with them, and how fast they may go past the middle of the hips at most, standing heights
 * a second: the foot of a kick goes some 20 m/s, the hand of a throw 35 (from memory), and the joints above them half
 * as fast.
 */
const JOINTS = [
  { joint: 'knee', goes: [], fastest: 7 },
  { joint: 'ankle', goes: ['heel', 'foot-index'], fastest: 13 },
  { joint: 'elbow', goes: [], fastest: 12 },
  { joint: 'wrist', goes: ['pinky', 'index', 'thumb'], fastest: 22 },
] as const;

/** A hand is a tenth of the body long (Drillis and Contini: 0.108), and detectors are off by as much as half of it. */
const HAND = { points: ['pinky', 'index', 'thumb'], most: 0.16 } as const;

/** What detectors may be off by without being wrong, share of standing height. */
const SLACK = 0.08;

/** From this share of the fastest on a limb seldom goes so fast: what is beyond it counts against sure frames. */
const USUAL = 0.5;
/** How many surely seen frames a standing height of way beyond the usual counts as much as. */
const DEAR = 4;

/** Within this time, seconds, a limb may not come to any place that it reaches at all. */
const WITHIN = 0.2;

/** The middle of the hips, which the limbs are seen against: a camera that follows does not move it. */
function hipsOf(track: Track): { readonly x: Float64Array; readonly y: Float64Array } | null {
  const [left, right] = [track['left-hip'], track['right-hip']];
  if (!left || !right) return null;
  const middle = (a: Float64Array, b: Float64Array): Float64Array => a.map((v, i) => (v + b[i]!) / 2);
  return { x: middle(left.x, right.x), y: middle(left.y, right.y) };
}

/** Frames on which a joint is seen, and where, in standing heights from the hips. */
interface Seen {
  readonly frames: readonly number[];
  readonly x: Float64Array;
  readonly y: Float64Array;
}

function seenOf(series: PointSeries, hips: { x: Float64Array; y: Float64Array }, height: number): Seen {
  const x = series.x.map((v, i) => (v - hips.x[i]!) / height);
  const y = series.y.map((v, i) => (v - hips.y[i]!) / height);
  const frames = Array.from(series.x.keys()).filter(
    (i) => (series.origin[i] === ORIGIN.detected || series.origin[i] === ORIGIN.hand) && !Number.isNaN(x[i]! + y[i]!),
  );
  return { frames, x, y };
}

/**
 * Frames of a joint that do not belong to its path: of all chains of frames in which it never goes faster than it can,
 * the one whose points are surest together, less what it goes unusually fast, is the path (a longest path through the
 * frames, by dynamic programming).
 */
function unreachable(series: PointSeries, { frames, x, y }: Seen, times: Float64Array, fastest: number): number[] {
  const best = new Float64Array(frames.length);
  const from = new Int32Array(frames.length).fill(-1);
  // The best chain that ended so long ago that it reaches everywhere.
  let old = -1;
  let first = 0;
  frames.forEach((i, n) => {
    for (; times[i]! - times[frames[first]!]! > WITHIN; first++) if (old < 0 || best[first]! > best[old]!) old = first;
    if (old >= 0) [best[n], from[n]] = [best[old]!, old];
    for (let m = first; m < n; m++) {
      const j = frames[m]!;
      const way = Math.hypot(x[i]! - x[j]!, y[i]! - y[j]!) - SLACK;
      const most = fastest * (times[i]! - times[j]!);
      const worth = best[m]! - DEAR * Math.max(0, way - USUAL * most);
      if (way <= most && worth > best[n]!) [best[n], from[n]] = [worth, m];
    }
    best[n]! += series.origin[i] === ORIGIN.hand ? frames.length : series.confidence[i]!;
  });
  const path = new Set<number>();
  let n = best.reduce((top, v, m) => (v > best[top]! ? m : top), 0);
  for (; n >= 0; n = from[n]!) path.add(frames[n]!);
  return frames.filter((i) => !path.has(i));
}

/** Frames on which a point of the hand lies farther from its wrist than a hand is long. */
function offTheHand(wrist: PointSeries | undefined, point: PointSeries | undefined, height: number): readonly number[] {
  if (!wrist || !point) return [];
  const away = point.x.map((x, i) => Math.hypot(x - wrist.x[i]!, point.y[i]! - wrist.y[i]!));
  return Array.from(away.keys()).filter((i) => away[i]! > HAND.most * height);
}

/**
 * Takes out what a limb cannot have reached: a joint that jumps to another place and back (onto the other leg, or
 * something else in the picture) was not seen meanwhile, nor was a finger that lies off its hand. Points placed by
 * hand stay.
 * @param times real seconds of every frame
 */
export function withoutUnreachable(track: Track, times: Float64Array): Track {
  const height = bodyHeightPixels(track);
  const hips = hipsOf(track);
  if (Number.isNaN(height) || !hips) return track;
  const wrong = new Map<number, PointId[]>();
  const look = (side: Side, { joint, goes, fastest }: (typeof JOINTS)[number]): void => {
    const series = track[`${side}-${joint}`];
    if (!series) return;
    const ids = [joint, ...goes].map((name) => `${side}-${name}` as PointId).filter((id) => track[id]);
    for (const i of unreachable(series, seenOf(series, hips, height), times, fastest))
      wrong.set(i, [...(wrong.get(i) ?? []), ...ids]);
  };
  for (const side of ['left', 'right'] as const) {
    for (const joint of JOINTS) look(side, joint);
    for (const id of HAND.points.map((name) => `${side}-${name}` as const))
      for (const i of offTheHand(track[`${side}-wrist`], track[id], height))
        wrong.set(i, [...(wrong.get(i) ?? []), id]);
  }
  return clearDetected(track, wrong);
}
