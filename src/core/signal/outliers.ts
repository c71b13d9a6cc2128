/** Half width of the neighbourhood that a sample must agree with, seconds, and in frames at least and at most. */
const REACH = { seconds: 0.04, least: 3, most: 6 } as const;
const ROUNDS = 6;

/** Weighted quadratic through samples at offsets -n..n, evaluated at 0; NaN where too few samples carry weight. */
function quadraticAtZero(offsets: readonly number[], values: readonly number[], weights: readonly number[]): number {
  // Normal equations of a + b t + c t^2; only a is wanted (Cramer's rule).
  let [s0, s1, s2, s3, s4, y0, y1, y2] = [0, 0, 0, 0, 0, 0, 0, 0];
  offsets.forEach((t, i) => {
    const w = weights[i]!;
    const v = values[i]!;
    s0 += w;
    s1 += w * t;
    s2 += w * t * t;
    s3 += w * t ** 3;
    s4 += w * t ** 4;
    y0 += w * v;
    y1 += w * t * v;
    y2 += w * t * t * v;
  });
  const determinant = s0 * (s2 * s4 - s3 * s3) - s1 * (s1 * s4 - s2 * s3) + s2 * (s1 * s3 - s2 * s2);
  if (Math.abs(determinant) < 1e-9) return NaN;
  return (y0 * (s2 * s4 - s3 * s3) - s1 * (y1 * s4 - y2 * s3) + s2 * (y1 * s3 - y2 * s2)) / determinant;
}

/**
 * Marks single wild positions: frames whose point lies farther than `limit` from a robust local quadratic through its
 * neighbours (Tukey's biweight, reweighted a few times; after Cleveland 1979, robust locally weighted regression).
 * @param limit in the unit of x and y
 * @param rate frames per second
 * @returns true where a frame is an outlier; missing frames are not
 */
export function findOutliers(x: Float64Array, y: Float64Array, limit: number, rate: number): readonly boolean[] {
  const reach = Math.min(REACH.most, Math.max(REACH.least, Math.round(REACH.seconds * rate)));
  return Array.from(x, (_, i) => {
    if (Number.isNaN(x[i]!)) return false;
    const near: number[] = [];
    for (let k = -reach; k <= reach; k++) if (!Number.isNaN(x[i + k] ?? NaN)) near.push(k);
    // At an end the fit would have to extrapolate, which throws out good samples.
    if (near.length < 5 || near[0]! >= 0 || near[near.length - 1]! <= 0) return false;
    const xs = near.map((k) => x[i + k]!);
    const ys = near.map((k) => y[i + k]!);
    let weights = near.map(() => 1);
    let away = 0;
    for (let round = 0; round < ROUNDS; round++) {
      const cx = quadraticAtZero(near, xs, weights);
      const cy = quadraticAtZero(near, ys, weights);
      if (Number.isNaN(cx) || Number.isNaN(cy)) return false;
      away = Math.hypot(x[i]! - cx, y[i]! - cy);
      // Residuals of all neighbours from the curve through them.
      const residuals = near.map((k) => {
        const shifted = near.map((other) => other - k);
        return Math.hypot(x[i + k]! - quadraticAtZero(shifted, xs, weights), y[i + k]! - quadraticAtZero(shifted, ys, weights));
      });
      const middle = [...residuals].sort((a, b) => a - b)[residuals.length >> 1]!;
      const width = Math.max(limit / 2, 6 * middle);
      weights = residuals.map((r) => (r < width ? (1 - (r / width) ** 2) ** 2 : 0));
    }
    return away > limit;
  });
}
