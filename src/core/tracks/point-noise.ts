import type { PointSeries } from './track';

/** Fewer third differences than this say too little. */
const LEAST = 12;
const known = new WeakMap<PointSeries, number>();

const medianOf = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

function ofCoordinate(values: Float64Array): number {
  const away: number[] = [];
  for (let i = 3; i < values.length; i++) {
    const third = values[i]! - 3 * values[i - 1]! + 3 * values[i - 2]! - values[i - 3]!;
    if (!Number.isNaN(third)) away.push(Math.abs(third));
  }
  return away.length < LEAST ? NaN : medianOf(away) / 0.6745 / Math.sqrt(20);
}

/**
 * Noise of one coordinate of a point from frame to frame, as the positions themselves show it: the median size of their third differences, which of a
 * smooth movement are next to nothing, and of white noise have twenty times its variance. Noise that is carried on from frame to frame shows less.
 * @returns standard deviation in pixels; 0 where there are too few frames in a row to tell
 */
export function noiseOf(series: PointSeries): number {
  const before = known.get(series);
  if (before !== undefined) return before;
  const both = [ofCoordinate(series.x), ofCoordinate(series.y)].filter((v) => !Number.isNaN(v));
  const noise = both.length === 0 ? 0 : Math.sqrt(both.reduce((sum, v) => sum + v * v, 0) / both.length);
  known.set(series, noise);
  return noise;
}

/** What is left of white noise after a zero-lag low-pass: the root of its band's share of all that the samples hold. */
export const afterSmoothing = (noise: number, cutoff: number, interval: number): number => noise * Math.sqrt(Math.min(1, 2 * cutoff * interval));
