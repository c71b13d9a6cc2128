/** Half width of the neighbourhood that a sample must agree with, seconds, and in frames at least and at most. */
const REACH = { seconds: 0.04, least: 3, most: 6 } as const;
const ROUNDS = 6;

/**
 * Weighted quadratic through the samples `near` a frame (offsets from it), evaluated at the frame; NaN where too few
 * samples carry weight.
 */
function quadraticAt(frame: number, near: readonly number[], values: Float64Array, weights: Float64Array): number {
  // Normal equations of a + b t + c t^2; only a is wanted (Cramer's rule). A loop without callbacks: this is most of
  // the work of preparing a trial.
  let [s0, s1, s2, s3, s4, y0, y1, y2] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let k = 0; k < near.length; k++) {
    const t = near[k]!;
    const w = weights[frame + t]!;
    const v = values[frame + t]!;
    s0 += w;
    s1 += w * t;
    s2 += w * t * t;
    s3 += w * (t * t * t);
    s4 += w * (t * t * t * t);
    y0 += w * v;
    y1 += w * t * v;
    y2 += w * t * t * v;
  }
  const determinant = s0 * (s2 * s4 - s3 * s3) - s1 * (s1 * s4 - s2 * s3) + s2 * (s1 * s3 - s2 * s2);
  if (Math.abs(determinant) < 1e-9) return NaN;
  return (y0 * (s2 * s4 - s3 * s3) - s1 * (y1 * s4 - y2 * s3) + s2 * (y1 * s3 - y2 * s2)) / determinant;
}

const sorted = new Float64Array(2 * REACH.most + 1);

/** Median of the present values among the neighbours of a frame; few as they are, they are put in order one by one. */
function localMedian(values: Float64Array, i: number, reach: number): number {
  const last = Math.min(values.length - 1, i + reach);
  let present = 0;
  for (let k = Math.max(0, i - reach); k <= last; k++) {
    const value = values[k]!;
    if (Number.isNaN(value)) continue;
    let at = present++;
    for (; at > 0 && sorted[at - 1]! > value; at--) sorted[at] = sorted[at - 1]!;
    sorted[at] = value;
  }
  return present === 0 ? NaN : sorted[present >> 1]!;
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
      const cx = quadraticAt(i, near, x, trust);
      const cy = quadraticAt(i, near, y, trust);
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
