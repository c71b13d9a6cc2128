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
