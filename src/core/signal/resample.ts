/** Piecewise linear value at `at` of samples taken at increasing times; NaN outside and next to missing samples. */
export function interpolateLinear(times: Float64Array, samples: Float64Array, at: number): number {
  const n = times.length;
  if (n === 0 || at < times[0]! || at > times[n - 1]!) return NaN;
  let low = 0;
  let high = n - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (times[middle]! <= at) low = middle;
    else high = middle;
  }
  const span = times[high]! - times[low]!;
  if (span === 0) return samples[low]!;
  const u = (at - times[low]!) / span;
  if (u === 0) return samples[low]!;
  if (u === 1) return samples[high]!;
  return samples[low]! * (1 - u) + samples[high]! * u;
}

/**
 * Usual interval between samples: the mean of those within half as much again of the median. Containers that round
 * times to a millisecond make a plain median wrong (8, 8, 9 for 120 per second); pauses would make a plain mean wrong.
 */
export function typicalInterval(times: Float64Array): number {
  const gaps = times.slice(1).map((time, i) => time - times[i]!);
  gaps.sort();
  const median = gaps[gaps.length >> 1];
  if (median === undefined) return NaN;
  let [sum, count] = [0, 0];
  for (const gap of gaps) {
    if (gap < median / 1.5 || gap > median * 1.5) continue;
    sum += gap;
    count++;
  }
  return sum / count;
}

/** Whether all intervals are within `tolerance` (a share) of the usual one. */
export function evenlySpaced(times: Float64Array, tolerance = 0.2): boolean {
  const typical = typicalInterval(times);
  for (let i = 1; i < times.length; i++) {
    if (Math.abs(times[i]! - times[i - 1]! - typical) > tolerance * typical) return false;
  }
  return true;
}

export const sameTimes = (a: Float64Array, b: Float64Array): boolean =>
  a === b || (a.length === b.length && a.every((t, i) => t === b[i]));
