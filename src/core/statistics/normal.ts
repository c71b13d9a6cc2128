/** Half width of a 95 % interval in standard deviations. */
export const COVERAGE_95 = 1.96;

/** Standard normal distribution function. Source: Abramowitz and Stegun 1964, 26.2.17; absolute error below 7.5e-8. */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

/** The value that a standard normal variable stays below with probability p, by bisection. */
export function normalQuantile(p: number): number {
  let [low, high] = [-9, 9];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * How far the largest of n independent normal errors lies above nought on average, in their deviations (Blom 1958: the
 * quantile of (n - 3/8) / (n + 1/4)).
 */
export const largestOf = (n: number): number => (n <= 1 ? 0 : normalQuantile((n - 0.375) / (n + 0.25)));
