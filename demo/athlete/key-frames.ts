/** Key frames of one quantity: pairs of time in seconds and value, times increasing. */
export type KeyFrames = readonly (readonly [time: number, value: number])[];

/**
 * Value of a key-framed curve at a time: cubic Hermite with finite-difference slopes, held constant outside.
 * Source: Catmull and Rom 1974, with slopes for unequal spacing.
 */
export function sampleKeyFrames(keys: KeyFrames, time: number): number {
  const first = keys[0]!;
  const last = keys[keys.length - 1]!;
  if (time <= first[0]) return first[1];
  if (time >= last[0]) return last[1];
  let i = 0;
  while (keys[i + 1]![0] <= time) i++;
  const [t1, v1] = keys[i]!;
  const [t2, v2] = keys[i + 1]!;
  const [t0, v0] = keys[i - 1] ?? keys[i]!;
  const [t3, v3] = keys[i + 2] ?? keys[i + 1]!;
  const h = t2 - t1;
  const slope1 = (v2 - v0) / (t2 - t0);
  const slope2 = (v3 - v1) / (t3 - t1);
  const u = (time - t1) / h;
  const uu = u * u;
  const uuu = uu * u;
  return (
    (2 * uuu - 3 * uu + 1) * v1 + (uuu - 2 * uu + u) * h * slope1 + (-2 * uuu + 3 * uu) * v2 + (uuu - uu) * h * slope2
  );
}

/** The same curve averaged over a short Gaussian window, which rounds the corners that key frames leave. */
export function smoothKeyFrames(keys: KeyFrames, time: number, sigma = 0.012): number {
  let sum = 0;
  let weight = 0;
  for (let k = -3; k <= 3; k++) {
    const offset = (k / 1.5) * sigma;
    const w = Math.exp(-0.5 * (offset / sigma) ** 2);
    sum += w * sampleKeyFrames(keys, time + offset);
    weight += w;
  }
  return sum / weight;
}
