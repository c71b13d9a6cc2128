/**
 * Rate of change at every sample, per second, by the parabola through it and its two neighbours at their own times:
 * exact for a constant speed and a constant acceleration however the samples are spaced. NaN at both ends and beside
 * missing samples.
 * @param times seconds, increasing
 * @param values without jumps of whole turns
 */
export function rateOfChange(times: Float64Array, values: Float64Array): Float64Array {
  return values.map((value, i) => {
    const [before, after] = [values[i - 1] ?? NaN, values[i + 1] ?? NaN];
    const [h, k] = [times[i]! - times[i - 1]!, times[i + 1]! - times[i]!];
    // On an even grid the middle sample has no weight, and may be missing.
    if (Math.abs(h - k) < 1e-9 * (h + k)) return (after - before) / (h + k);
    return (h * h * after - k * k * before + (k * k - h * h) * value) / (h * k * (h + k));
  });
}

/** Radians a sample up to which a low-pass filter lets through. */
const band = (interval: number, cutoff: number): number => 2 * Math.PI * Math.min(cutoff, 0.5 / interval) * interval;

/**
 * Standard deviation of a rate of change, as `rateOfChange` takes it, from that of the samples: white noise of variance
 * s^2 at interval T has the spectral density s^2 T / (2 pi), an ideal low-pass filter lets it through up to w, and the
 * difference of both neighbours has the gain sin(w T) / T; by integration s^2 (w T / 2 - sin(2 w T) / 4) / (pi T^2).
 * @param sd of one sample, @param interval between samples in seconds, @param cutoff of the smoothing in Hz
 */
export const derivativeSd = (sd: number, interval: number, cutoff: number): number => {
  const wide = band(interval, cutoff);
  return (sd / interval) * Math.sqrt((wide / 2 - Math.sin(2 * wide) / 4) / Math.PI);
};

/** The same of the step from one sample to the next over its time, whose gain is 2 sin(w T / 2) / T. */
export const stepSd = (sd: number, interval: number, cutoff: number): number => {
  const wide = band(interval, cutoff);
  return (sd / interval) * Math.sqrt((2 * (wide - Math.sin(wide))) / Math.PI);
};
