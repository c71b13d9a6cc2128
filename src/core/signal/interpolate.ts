/**
 * The polynomial through a few samples (Lagrange's form), at a time of its own: a cubic through four.
 * @param at the samples that it goes through
 * @param times of all samples; @param values of all samples
 */
export function interpolateCubic(
  at: readonly number[],
  times: Float64Array,
  values: Float64Array,
  time: number,
): number {
  let sum = 0;
  for (const i of at) {
    let weight = 1;
    for (const j of at) if (j !== i) weight *= (time - times[j]!) / (times[i]! - times[j]!);
    sum += weight * values[i]!;
  }
  return sum;
}
