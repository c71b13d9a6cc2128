import { LENGTH_SHARES } from '../anatomy/segment-table';
import { levelOf } from '../calibration/level';
import { cameraAngles, ontoPlane } from '../calibration/view';
import { rotate, type Vec2 } from '../geometry/vec2';
import type { Clip } from '../model/clip';
import type { Track } from '../tracks/track';

/** Length of thigh, shank and trunk together as a share of standing height. */
const CHAIN = LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk;
/**
 * Limbs that leave the plane only shorten the chain, shoulders that rise and noise lengthen it: a little above the
 * middle it is what it is (made and recorded movements).
 */
const SHARE = 0.6;

/**
 * Standing height in pixels of movement coordinates, from the length of trunk, thigh and shank over the clip.
 * @param track smoothed, since noise only ever makes a length longer
 * @returns NaN where no frame shows the whole chain of a side
 */
export function statureOf(clip: Pick<Clip, 'view' | 'levelDegrees'>, track: Track): number {
  const plane = ontoPlane(cameraAngles(clip));
  const level = levelOf(clip);
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const chain = (['shoulder', 'hip', 'knee', 'ankle'] as const).map((joint) => track[`${side}-${joint}`]);
    if (chain.some((series) => !series)) continue;
    for (let i = 0; i < chain[0]!.x.length; i++) {
      const at = chain.map((series) => rotate({ x: series!.x[i]!, y: series!.y[i]! }, level));
      const length = (a: Vec2, b: Vec2): number =>
        Math.hypot(plane.x * (a.x - b.x), plane.lean * (a.x - b.x) - plane.y * (a.y - b.y));
      const sum = length(at[0]!, at[1]!) + length(at[1]!, at[2]!) + length(at[2]!, at[3]!);
      if (!Number.isNaN(sum)) heights.push(sum / CHAIN);
    }
  }
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length * SHARE)] ?? NaN;
}
