import { distance } from '../geometry/vec2';
import { LENGTH_SHARES } from '../body/segment-table';
import { ORIGIN, type PointSeries, type Track } from './track';
import { sideOf, type PointId, type Side } from './body-points';

/** Length of thigh, shank and trunk together as a share of standing height. */
const CHAIN = LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk;

/**
 * Standing height in pixels, from the length of trunk, thigh and shank over the clip. The 80th percentile is taken:
 * out-of-plane positions only shorten the chain, a wrong point lengthens it.
 * @returns NaN where no frame shows the whole chain
 */
export function bodyHeightPixels(track: Track): number {
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const chain = ['shoulder', 'hip', 'knee', 'ankle'].map((joint) => track[`${side}-${joint}` as PointId]);
    if (chain.some((series) => !series)) continue;
    const frames = chain[0]!.x.length;
    for (let i = 0; i < frames; i++) {
      const at = (chain as PointSeries[]).map((series) => ({ x: series.x[i]!, y: series.y[i]! }));
      const sum = distance(at[0]!, at[1]!) + distance(at[1]!, at[2]!) + distance(at[2]!, at[3]!);
      if (!Number.isNaN(sum)) heights.push(sum / CHAIN);
    }
  }
  if (heights.length === 0) return NaN;
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length * 0.8)]!;
}

/**
 * Standard deviation of a found point as a share of standing height, set from rendered clips with known truth
 * (`npm run bench points`); the side turned away from the camera is less sure.
 */
export const FOUND_SD_SHARE = { near: 0.0085, far: 0.014 } as const;
/** A point set by hand: about a pixel and a half on a picture enlarged for the purpose (common practice). */
export const HAND_SD_PIXELS = 1.5;
/** Points below this are drawn as unsure. */
export const UNSURE_CONFIDENCE = 0.3;
/** Share of standing height that a half-sure point adds to its deviation, in quadrature. */
const DOUBT_SHARE = 0.01;

/** Standard deviation (pixels) of one coordinate of a point at a frame: it grows as the finder's confidence falls. */
export function pointSd(
  series: PointSeries,
  id: PointId,
  frame: number,
  bodyHeight: number,
  farSide: Side | null,
): number {
  const origin = series.origin[frame];
  if (origin === ORIGIN.hand) return HAND_SD_PIXELS;
  if (origin === ORIGIN.interpolated) return HAND_SD_PIXELS * 2;
  const share = sideOf(id) !== null && sideOf(id) === farSide ? FOUND_SD_SHARE.far : FOUND_SD_SHARE.near;
  const doubt = 1 / Math.max(0.05, series.confidence[frame]!) - 1;
  return Math.sqrt(share ** 2 + DOUBT_SHARE ** 2 * doubt) * (Number.isNaN(bodyHeight) ? 300 : bodyHeight);
}
