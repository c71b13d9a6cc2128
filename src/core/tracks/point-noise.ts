import { noiseOfSamples } from '../signal/noise';
import { ORIGIN, type PointSeries } from './track';

const known = new WeakMap<PointSeries, number>();

/**
 * Noise of one coordinate of a point from frame to frame, as the positions themselves show it: where frames in a row
 * were detected, since over longer steps the movement itself looks like noise, and filled frames have none.
 * @returns standard deviation in pixels; 0 where there are too few frames in a row to tell
 */
export function noiseOf(series: PointSeries): number {
  const before = known.get(series);
  if (before !== undefined) return before;
  const own = (values: Float64Array): Float64Array =>
    values.map((v, i) => (series.origin[i] === ORIGIN.filled ? NaN : v));
  const both = [noiseOfSamples(own(series.x)), noiseOfSamples(own(series.y))].filter((v) => !Number.isNaN(v));
  const noise = both.length === 0 ? 0 : Math.sqrt(both.reduce((sum, v) => sum + v * v, 0) / both.length);
  known.set(series, noise);
  return noise;
}
