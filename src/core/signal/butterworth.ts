import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/signal';

/** Coefficients of a second-order section: y[n] = sum b[k] x[n-k] - a1 y[n-1] - a2 y[n-2]. */
export interface SecondOrderSection {
  readonly b: readonly [number, number, number];
  readonly a: readonly [number, number];
}

/**
 * Second-order low-pass Butterworth section by the bilinear transform with frequency pre-warping.
 * @param cutoff frequency (-3 dB) in Hz of a single pass
 * @param rate samples per second
 */
export function lowPassSection(cutoff: number, rate: number): Result<SecondOrderSection, Issue<'cutoff-out-of-range'>> {
  if (!(cutoff > 0 && cutoff < rate / 2)) {
    return fail('cutoff-out-of-range', TEXT.cutOffOfHzDoes(cutoff, rate));
  }
  const omega = Math.tan((Math.PI * cutoff) / rate);
  const norm = 1 + Math.SQRT2 * omega + omega * omega;
  const b0 = (omega * omega) / norm;
  return ok({
    b: [b0, 2 * b0, b0],
    a: [(2 * (omega * omega - 1)) / norm, (1 - Math.SQRT2 * omega + omega * omega) / norm],
  });
}

/** Runs a section forward, started in the steady state of the first sample. */
function runSection(section: SecondOrderSection, input: Float64Array): Float64Array {
  const [b0, b1, b2] = section.b;
  const [a1, a2] = section.a;
  const gain = (b0 + b1 + b2) / (1 + a1 + a2);
  const first = input[0]!;
  // Transposed direct form II; its state for a constant input, scaled to the first sample.
  let s2 = (b2 - a2 * gain) * first;
  let s1 = (b1 - a1 * gain) * first + s2;
  const output = new Float64Array(input.length);
  for (let i = 0; i < input.length; i++) {
    const x = input[i]!;
    const y = b0 * x + s1;
    s1 = b1 * x - a1 * y + s2;
    s2 = b2 * x - a2 * y;
    output[i] = y;
  }
  return output;
}

/**
 * Samples mirrored about each end before filtering: the usual rule for a second-order section, and as long as the
 * filter remembers.
 */
const LEAST_PAD = 6;
const padFor = (cutoff: number, rate: number): number => Math.max(LEAST_PAD, Math.ceil((1.25 * rate) / cutoff));

/**
 * Zero-lag low-pass: a second-order Butterworth section run forward and backward (fourth order in all), with odd
 * reflection at both ends, over as many samples as the filter remembers. Equals scipy's `filtfilt(*butter(2, cutoff,
 * fs=rate), x, padlen=pad)`.
 *
 * @param samples evenly spaced, no missing values
 * @param cutoff frequency of one pass in Hz; the two passes together are 3 dB down at 0.802 of it
 * @param pad samples that are mirrored at each end; no more than there are beside the end itself
 */
export function zeroLagLowPass(
  samples: Float64Array,
  cutoff: number,
  rate: number,
  pad = padFor(cutoff, rate),
): Result<Float64Array, Issue<'cutoff-out-of-range' | 'too-few-samples'>> {
  if (samples.length <= LEAST_PAD) {
    return fail('too-few-samples', TEXT.samplesAreTooFew(samples.length, LEAST_PAD + 1));
  }
  const section = lowPassSection(cutoff, rate);
  if (!section.ok) return section;
  const n = samples.length;
  const reach = Math.min(pad, n - 1);
  const padded = new Float64Array(n + 2 * reach);
  padded.set(samples, reach);
  for (let k = 1; k <= reach; k++) {
    padded[reach - k] = 2 * samples[0]! - samples[k]!;
    padded[reach + n - 1 + k] = 2 * samples[n - 1]! - samples[n - 1 - k]!;
  }
  const forward = runSection(section.value, padded).reverse();
  const both = runSection(section.value, forward).reverse();
  return ok(both.slice(reach, reach + n));
}

/**
 * Cut-off to ask of each pass so that two passes together have their cut-off at `wanted` Hz.
 * Source: Winter, Biomechanics and Motor Control of Human Movement: factor 0.802 for two passes of second order.
 */
export const singlePassCutoff = (wanted: number): number => wanted / 0.802;
