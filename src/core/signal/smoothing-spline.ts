/**
 * Solves a symmetric positive definite system with two bands beside the diagonal (LDL', Golub and Van Loan 1996, 4.3).
 */
function solvePentadiagonal(
  diagonal: Float64Array,
  first: Float64Array,
  second: Float64Array,
  right: Float64Array,
): Float64Array {
  const n = diagonal.length;
  const [d, l, m, x] = [
    Float64Array.from(diagonal),
    Float64Array.from(first),
    Float64Array.from(second),
    Float64Array.from(right),
  ];
  for (let i = 0; i < n; i++) {
    if (i >= 1) d[i] = d[i]! - l[i - 1]! ** 2 * d[i - 1]!;
    if (i >= 2) d[i] = d[i]! - m[i - 2]! ** 2 * d[i - 2]!;
    if (i + 1 < n) l[i] = (first[i]! - (i >= 1 ? m[i - 1]! * l[i - 1]! * d[i - 1]! : 0)) / d[i]!;
    if (i + 2 < n) m[i] = second[i]! / d[i]!;
  }
  for (let i = 0; i < n; i++)
    x[i] = x[i]! - (i >= 1 ? l[i - 1]! * x[i - 1]! : 0) - (i >= 2 ? m[i - 2]! * x[i - 2]! : 0);
  for (let i = 0; i < n; i++) x[i] = x[i]! / d[i]!;
  for (let i = n - 1; i >= 0; i--)
    x[i] = x[i]! - (i + 1 < n ? l[i]! * x[i + 1]! : 0) - (i + 2 < n ? m[i]! * x[i + 2]! : 0);
  return x;
}

/**
 * Cubic smoothing spline at its own knots: the curve s with the least sum of weight (y - s)^2 plus lambda times the
 * integral of s''^2 (Reinsch 1967, Numer. Math. 10). Equals scipy's `make_smoothing_spline(times, samples, weights,
 * lam)`.
 * @param times increasing; @param samples without missing values; @param weights above 0
 */
export function smoothingSpline(
  times: Float64Array,
  samples: Float64Array,
  weights: Float64Array,
  lambda: number,
): Float64Array {
  const n = samples.length;
  if (n < 3) return Float64Array.from(samples);
  const h = Float64Array.from({ length: n - 1 }, (_, i) => times[i + 1]! - times[i]!);
  const inner = n - 2;
  // Column j of the second differences has entries at samples j, j + 1 and j + 2.
  const column = (j: number): readonly [number, number, number] => [
    1 / h[j]!,
    -1 / h[j]! - 1 / h[j + 1]!,
    1 / h[j + 1]!,
  ];
  const bands = [0, 1, 2].map(() => new Float64Array(inner));
  const right = new Float64Array(inner);
  for (let j = 0; j < inner; j++) {
    const q = column(j);
    right[j] = q[0] * samples[j]! + q[1] * samples[j + 1]! + q[2] * samples[j + 2]!;
    bands[0]![j] = (h[j]! + h[j + 1]!) / 3;
    if (j + 1 < inner) bands[1]![j] = h[j + 1]! / 6;
    for (let k = 0; k <= 2 && j + k < inner; k++) {
      const other = column(j + k);
      let sum = 0;
      for (let i = k; i <= 2; i++) sum += (q[i]! * other[i - k]!) / weights[j + i]!;
      bands[k]![j] = bands[k]![j]! + lambda * sum;
    }
  }
  const bend = solvePentadiagonal(bands[0]!, bands[1]!, bands[2]!, right);
  const out = Float64Array.from(samples);
  for (let j = 0; j < inner; j++)
    column(j).forEach((q, i) => (out[j + i] = out[j + i]! - (lambda * q * bend[j]!) / weights[j + i]!));
  return out;
}

/**
 * The lambda with which the spline of evenly spaced samples of equal weight has the response of the zero-lag filter, 1
 * / (1 + (f / corner)^4) (Craven and Wahba 1979, Numer. Math. 31: a smoothing spline is a Butterworth filter run both
 * ways).
 * @param corner cut-off frequency of one pass, Hz; @param interval between samples, seconds
 */
export const lambdaOf = (corner: number, interval: number): number => 1 / (interval * (2 * Math.PI * corner) ** 4);
