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

/** Median of the present values among the neighbours of a frame. */
function localMedian(values: Float64Array, i: number, reach: number): number {
  const near: number[] = [];
  for (let k = Math.max(0, i - reach); k <= Math.min(values.length - 1, i + reach); k++)
    if (!Number.isNaN(values[k]!)) near.push(values[k]!);
  near.sort((a, b) => a - b);
  return near[near.length >> 1] ?? NaN;
}

/**
 * Marks single wild positions: frames whose point lies farther than `limit` from a robust local quadratic through its
 * neighbours, the frame itself left out. All frames share their weights, which are found again from the residuals a few
 * times (bisquare, six median residuals; Cleveland 1979, robust locally weighted regression).
 * @param limit in the unit of x and y
 * @param rate frames per second
 * @returns true where a frame is an outlier; missing frames are not
 */
export function findOutliers(x: Float64Array, y: Float64Array, limit: number, rate: number): readonly boolean[] {
  const reach = Math.min(REACH.most, Math.max(REACH.least, Math.round(REACH.seconds * rate)));
  const n = x.length;
  const trust = new Float64Array(n).fill(1);
  const residuals = new Float64Array(n);
  const neighbours = Array.from({ length: n }, (_, i) => {
    const near: number[] = [];
    for (let k = -reach; k <= reach; k++) if (k !== 0 && !Number.isNaN(x[i + k] ?? NaN)) near.push(k);
    // At an end the fit would have to extrapolate, which throws out good samples.
    return near.length < 4 || near[0]! >= 0 || near[near.length - 1]! <= 0 ? null : near;
  });
  for (let round = 0; round < ROUNDS; round++) {
    for (let i = 0; i < n; i++) {
      const near = neighbours[i];
      residuals[i] = NaN;
      if (!near || Number.isNaN(x[i]!)) continue;
      const weights = near.map((k) => trust[i + k]!);
      const cx = quadraticAtZero(
        near,
        near.map((k) => x[i + k]!),
        weights,
      );
      const cy = quadraticAtZero(
        near,
        near.map((k) => y[i + k]!),
        weights,
      );
      residuals[i] = Math.hypot(x[i]! - cx, y[i]! - cy);
    }
    // Robust weights only ever move a fit away from a far sample: where none is far there is nothing to find.
    if (!residuals.some((away) => away > limit)) break;
    for (let i = 0; i < n; i++) {
      if (Number.isNaN(residuals[i]!)) continue;
      const width = Math.max(limit / 2, 6 * localMedian(residuals, i, reach));
      const u = residuals[i]! / width;
      trust[i] = u < 1 ? Math.max(1e-6, (1 - u * u) ** 2) : 1e-6;
    }
  }
  return Array.from(residuals, (away) => away > limit);
}
