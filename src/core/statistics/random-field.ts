import { studentCdf } from './student';

/**
 * How many independent pieces a curve has: its length over the width to which noise is smooth, from the curves'
 * residuals (Kiebel et al. 1999, Robust smoothness estimation in statistical parametric maps; as for one-dimensional
 * curves in Pataky 2010, J. Biomech. 43).
 * @param residuals of each curve from their mean, over their deviation there; missing samples are passed over
 */
export function resels(residuals: readonly Float64Array[]): number {
  const samples = residuals[0]?.length ?? 0;
  let [sum, steps] = [0, 0];
  for (let i = 1; i < samples; i++) {
    const changes = residuals.map((r) => r[i]! - r[i - 1]!).filter((v) => !Number.isNaN(v));
    if (changes.length < 2) continue;
    sum += changes.reduce((total, v) => total + v * v, 0) / changes.length;
    steps++;
  }
  if (steps === 0) return 1;
  const width = Math.sqrt((4 * Math.LN2) / Math.max(1e-12, sum / steps));
  return Math.max(1, steps / width);
}

/**
 * Chance that a smooth curve of Student noise passes u anywhere, on either side (Worsley et al. 1996; expected Euler
 * characteristic in one dimension).
 */
const chanceAnywhere = (u: number, freedom: number, pieces: number): number =>
  2 *
  (1 -
    studentCdf(u, freedom) +
    ((pieces * Math.sqrt(4 * Math.LN2)) / (2 * Math.PI)) * (1 + (u * u) / freedom) ** (-(freedom - 1) / 2));

/** The value that a smooth curve of Student noise passes anywhere in no more than a share of cases, by bisection. */
export function simultaneousThreshold(share: number, freedom: number, pieces: number): number {
  let [low, high] = [0, 4];
  while (chanceAnywhere(high, freedom, pieces) > share && high < 1e6) high *= 2;
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2;
    if (chanceAnywhere(middle, freedom, pieces) > share) low = middle;
    else high = middle;
  }
  return high;
}
