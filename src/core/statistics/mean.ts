/** Mean and spread of some values. */
export interface MeanAndSd {
  readonly mean: number;
  /** Standard deviation with n - 1; 0 for a single value. */
  readonly sd: number;
}

/**
 * Mean and standard deviation of values of which only the differences mean something: plain numbers, or directions,
 * which go round. The mean is the value from which all lie away by nought on average; it is found from the member in
 * the middle of the others, so that where a circle is cut does not matter.
 */
export function meanAndSd(values: readonly number[], difference: (a: number, b: number) => number): MeanAndSd {
  const n = values.length;
  if (n === 0) return { mean: NaN, sd: NaN };
  const total = (from: number): number => values.reduce((sum, v) => sum + Math.abs(difference(v, from)), 0);
  const middle = values.reduce((best, v) => (total(v) < total(best) ? v : best));
  const mean = middle + values.reduce((sum, v) => sum + difference(v, middle), 0) / n;
  const squares = values.reduce((sum, v) => sum + difference(v, mean) ** 2, 0);
  // The mean itself lies where the differences are counted from: 0 away from nothing.
  return { mean: difference(mean, 0), sd: n > 1 ? Math.sqrt(squares / (n - 1)) : 0 };
}
