/** The value in the middle, the higher of two; NaN of none. */
export const medianOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;
