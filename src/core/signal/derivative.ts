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

/**
 * Standard deviation of a derivative from that of the samples: white noise of variance s^2 at interval T has the
 * spectral density s^2 T / (2 pi), and its derivative through an ideal low-pass filter up to w the variance s^2 T w^3 /
 * (3 pi), by integration of w^2.
 * @param sd of one sample, @param interval between samples in seconds, @param cutoff of the smoothing in Hz
 */
export const derivativeSd = (sd: number, interval: number, cutoff: number): number => {
  const corner = Math.min(cutoff, 0.5 / interval);
  return sd * Math.sqrt((interval * (2 * Math.PI * corner) ** 3) / (3 * Math.PI));
};
