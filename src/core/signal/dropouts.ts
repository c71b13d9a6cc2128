import { typicalInterval } from './resample';

/** Longest dropout bridged, seconds; a single frame is bridged at any rate. */
const LONGEST_BRIDGE = 0.06;
/** Frames that are bridged at most, by the frames' real seconds. */
export const bridgeFrames = (times: Float64Array): number =>
  Math.max(1, Math.floor(LONGEST_BRIDGE / typicalInterval(times) + 1e-6));

/** So much longer than usual a dropout may last for its number of samples. */
const BEYOND = 1.5;

/** Runs of missing (NaN) samples: first index and length. */
export interface Dropout {
  readonly start: number;
  readonly length: number;
}

export function findDropouts(samples: Float64Array): readonly Dropout[] {
  const found: Dropout[] = [];
  for (let i = 0; i < samples.length; i++) {
    if (!Number.isNaN(samples[i]!)) continue;
    const start = i;
    while (i < samples.length && Number.isNaN(samples[i]!)) i++;
    found.push({ start, length: i - start });
  }
  return found;
}

/** Slope at a present sample from its present neighbours, or null where it stands alone. */
function slopeAt(samples: Float64Array, i: number): number | null {
  const before = samples[i - 1];
  const after = samples[i + 1];
  if (before !== undefined && !Number.isNaN(before)) return samples[i]! - before;
  if (after !== undefined && !Number.isNaN(after)) return after - samples[i]!;
  return null;
}

/**
 * Fills dropouts of at most `longest` samples that have data on both sides, by a cubic Hermite with the slopes of the
 * data at either end; longer ones and those at the ends stay missing.
 * @param times of the samples; with them a dropout is also no longer than so many samples usually take, by half as much
 *   again, which tells where samples come less often
 * @returns new samples; the input is untouched
 */
export function bridgeDropouts(samples: Float64Array, longest: number, times?: Float64Array): Float64Array {
  const most = times ? BEYOND * (longest + 1) * typicalInterval(times) : Infinity;
  const out = Float64Array.from(samples);
  for (const { start, length } of findDropouts(samples)) {
    const left = start - 1;
    const right = start + length;
    if (length > longest || left < 0 || right >= samples.length) continue;
    if (length > 1 && times && times[right]! - times[left]! > most) continue;
    const span = right - left;
    const rise = samples[right]! - samples[left]!;
    const m0 = (slopeAt(samples, left) ?? rise / span) * span;
    const m1 = (slopeAt(samples, right) ?? rise / span) * span;
    for (let i = start; i < right; i++) {
      const u = (i - left) / span;
      const uu = u * u;
      const uuu = uu * u;
      out[i] =
        (2 * uuu - 3 * uu + 1) * samples[left]! +
        (uuu - 2 * uu + u) * m0 +
        (-2 * uuu + 3 * uu) * samples[right]! +
        (uuu - uu) * m1;
    }
  }
  return out;
}
