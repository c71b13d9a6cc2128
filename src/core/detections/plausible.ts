import { LENGTH_SHARES } from '../anatomy/segment-table';
import { distance } from '../geometry/vec2';
import { bodyHeightPixels } from '../tracks/point-error';
import { clearDetected, ORIGIN, type PointSeries, type Track } from '../tracks/track';
import type { PointId, Side } from '../anatomy/body-points';

/** Bones whose length a table gives: a picture can shorten them but never lengthen them. */
const bonesOf = (side: Side): readonly (readonly [PointId, PointId, number])[] => [
  [`${side}-hip`, `${side}-knee`, LENGTH_SHARES.thigh],
  [`${side}-knee`, `${side}-ankle`, LENGTH_SHARES.shank],
  [`${side}-shoulder`, `${side}-elbow`, LENGTH_SHARES.upperArm],
  [`${side}-elbow`, `${side}-wrist`, LENGTH_SHARES.forearm],
];

/** Builds differ, and so do the detector's joints: only what is far too long is impossible. */
const TOO_LONG = 1.5;
/** With this many impossible bones at a frame the detector has not seen the person at all. */
const ALL_WRONG = 3;

/**
 * Takes out what a body cannot do: the outer end of a found bone that is half as long again as anatomy allows, and
 * every detected point of a frame with several of those (as when the person is half outside the picture). Points placed
 * by hand stay.
 * @returns the track and how many frames were changed
 */
export function withoutImpossible(track: Track): { readonly track: Track; readonly changedFrames: number } {
  const height = bodyHeightPixels(track);
  const frames = Object.values(track)[0]?.x.length ?? 0;
  if (Number.isNaN(height)) return { track, changedFrames: 0 };
  const wrong = new Map<number, readonly PointId[]>();
  const bones = [...bonesOf('left'), ...bonesOf('right')];
  for (let i = 0; i < frames; i++) {
    const long = bones.filter(([a, b, share]) => {
      const [from, to] = [track[a], track[b]];
      if (!from || !to) return false;
      return distance({ x: from.x[i]!, y: from.y[i]! }, { x: to.x[i]!, y: to.y[i]! }) > TOO_LONG * share * height;
    });
    if (long.length > 0)
      wrong.set(i, long.length >= ALL_WRONG ? (Object.keys(track) as PointId[]) : long.map(([, outer]) => outer));
  }
  return { track: clearDetected(track, wrong), changedFrames: wrong.size };
}

const TRUNK: readonly PointId[] = ['left-shoulder', 'right-shoulder', 'left-hip', 'right-hip'];
/** From here on a trunk is surely the person's: one detection alone is never that sure. */
const SURELY = 0.6;
/** Frames over which the way of the trunk is taken where it is surely seen. */
const WAY_OVER = 4;
/** Standing heights by which the trunk may lie beside where that way leads, and more for every frame in between. */
const BESIDE = { atOnce: 0.5, perFrame: 0.08 };

/**
 * Takes out the detected points of frames in which the person is hardly seen and is not where the way from the nearest
 * frames that show them surely leads: that is something else in the picture, as before somebody comes into it. Points
 * placed by hand stay.
 * @returns the track and how many frames were changed
 */
export function withoutStrangers(track: Track): { readonly track: Track; readonly changedFrames: number } {
  const height = bodyHeightPixels(track);
  const trunk = TRUNK.map((id) => track[id]);
  if (Number.isNaN(height) || trunk.includes(undefined)) return { track, changedFrames: 0 };
  const series = trunk as readonly PointSeries[];
  const mean = (of: (s: PointSeries) => number): number => series.reduce((sum, s) => sum + of(s), 0) / series.length;
  const at = (i: number): { x: number; y: number } => ({ x: mean((s) => s.x[i]!), y: mean((s) => s.y[i]!) });
  const frames = Array.from(series[0]!.x.keys()).filter((i) =>
    series.every((s) => s.origin[i] === ORIGIN.detected && !Number.isNaN(s.x[i]!)),
  );
  const isSure = (i: number): boolean => mean((s) => s.confidence[i]!) >= SURELY;
  const sure = frames.filter(isSure);
  if (sure.length < 2) return { track, changedFrames: 0 };
  const wrong = new Map<number, readonly PointId[]>();
  // The first sure frame after the one that is looked at.
  let after = 0;
  for (const i of frames) {
    while (after < sure.length && sure[after]! <= i) after++;
    if (isSure(i)) continue;
    const before = after - 1;
    const n = before < 0 || (after < sure.length && sure[after]! - i < i - sure[before]!) ? after : before;
    const near = sure[n]!;
    const beyond = sure[near > i ? Math.min(sure.length - 1, n + WAY_OVER) : Math.max(0, n - WAY_OVER)]!;
    const u = beyond === near ? 0 : (i - near) / (near - beyond);
    // Meanwhile they may have stopped as well as gone on.
    const [a, b] = [at(near), at(beyond)];
    const way = { x: u * (a.x - b.x), y: u * (a.y - b.y) };
    const p = at(i);
    const gone = Math.min(1, Math.max(0, ((p.x - a.x) * way.x + (p.y - a.y) * way.y) / (way.x ** 2 + way.y ** 2) || 0));
    const off = distance(p, { x: a.x + gone * way.x, y: a.y + gone * way.y });
    if (off > (BESIDE.atOnce + BESIDE.perFrame * Math.abs(i - near)) * height)
      wrong.set(i, Object.keys(track) as PointId[]);
  }
  return { track: clearDetected(track, wrong), changedFrames: wrong.size };
}
