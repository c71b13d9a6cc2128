import { LENGTH_SHARES } from '../body/segment-table';
import { distance } from '../geometry/vec2';
import { bodyHeightPixels } from './point-error';
import { clearPoint, ORIGIN, type Track } from './track';
import type { PointId, Side } from './body-points';

/** Bones whose length a table gives: a picture can shorten them but never lengthen them. */
const bonesOf = (side: Side): readonly (readonly [PointId, PointId, number])[] => [
  [`${side}-hip`, `${side}-knee`, LENGTH_SHARES.thigh],
  [`${side}-knee`, `${side}-ankle`, LENGTH_SHARES.shank],
  [`${side}-shoulder`, `${side}-elbow`, LENGTH_SHARES.upperArm],
  [`${side}-elbow`, `${side}-wrist`, LENGTH_SHARES.forearm],
];

/** Builds differ, and so do the finder's joints: only what is far too long is impossible. */
const TOO_LONG = 1.5;
/** With this many impossible bones at a frame the finder has not seen the person at all. */
const ALL_WRONG = 3;

/**
 * Takes out what a body cannot do: the outer end of a found bone that is half as long again as anatomy allows, and every
 * found point of a frame with several of those (as when the person is half outside the picture). Points placed by hand stay.
 * @returns the track and how many frames were changed
 */
export function withoutImpossible(track: Track): { readonly track: Track; readonly changedFrames: number } {
  const height = bodyHeightPixels(track);
  const frames = Object.values(track)[0]?.x.length ?? 0;
  if (Number.isNaN(height)) return { track, changedFrames: 0 };
  let next = track;
  let changedFrames = 0;
  const bones = [...bonesOf('left'), ...bonesOf('right')];
  for (let i = 0; i < frames; i++) {
    const long = bones.filter(([a, b, share]) => {
      const [from, to] = [track[a], track[b]];
      if (!from || !to) return false;
      return distance({ x: from.x[i]!, y: from.y[i]! }, { x: to.x[i]!, y: to.y[i]! }) > TOO_LONG * share * height;
    });
    if (long.length === 0) continue;
    changedFrames++;
    const ids = long.length >= ALL_WRONG ? (Object.keys(track) as PointId[]) : long.map(([, outer]) => outer);
    for (const id of ids) if (next[id]!.origin[i] === ORIGIN.found) next = clearPoint(next, frames, id, i);
  }
  return { track: next, changedFrames };
}
