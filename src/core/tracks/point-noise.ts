import { noiseOfSamples } from '../signal/noise';
import { ORIGIN, type PointSeries } from './track';

const known = new WeakMap<PointSeries, number>();

/**
 * Noise of one coordinate of a point from frame to frame, as the positions themselves show it. Frames that were filled
 * in have none of their own: where only every third was detected, a filter has a third as many to average, which is
 * the same as more noise on every frame.
 * @returns standard deviation in pixels; 0 where there are too few frames in a row to tell
 */
export function noiseOf(series: PointSeries): number {
  const before = known.get(series);
  if (before !== undefined) return before;
  const own = (values: Float64Array): Float64Array => values.filter((_, i) => series.origin[i] !== ORIGIN.filled);
  const [x, y] = [own(series.x), own(series.y)];
  const both = [noiseOfSamples(x), noiseOfSamples(y)].filter((v) => !Number.isNaN(v));
  const fewer = series.x.length / Math.max(1, x.length);
  const noise = both.length === 0 ? 0 : Math.sqrt((fewer * both.reduce((sum, v) => sum + v * v, 0)) / both.length);
  known.set(series, noise);
  return noise;
}
