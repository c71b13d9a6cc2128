import { medianOf } from './median';

/** Fewer third differences than this say too little. */
const LEAST = 12;

/**
 * Noise of samples as they themselves show it: the median size of their third differences, which of a smooth movement
 * are next to nothing, and of white noise have twenty times its variance. Noise that is carried on from sample to
 * sample shows less.
 * @returns standard deviation; NaN where there are too few samples in a row to tell
 */
export function noiseOfSamples(values: Float64Array): number {
  const away: number[] = [];
  for (let i = 3; i < values.length; i++) {
    const third = values[i]! - 3 * values[i - 1]! + 3 * values[i - 2]! - values[i - 3]!;
    if (!Number.isNaN(third)) away.push(Math.abs(third));
  }
  return away.length < LEAST ? NaN : medianOf(away) / 0.6745 / Math.sqrt(20);
}

/** What is left of white noise after a zero-lag low-pass: the root of its band's share of all that the samples hold. */
export const afterSmoothing = (noise: number, cutoff: number, interval: number): number =>
  noise * Math.sqrt(Math.min(1, 2 * cutoff * interval));
