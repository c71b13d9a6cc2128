import { wrapAngle } from '../geometry/angle';
import type { Performance } from '../performance/performance';
import { notMeasurable, type NotMeasurable } from '../reading';
import { momentMissing } from './angle-at';

/** Whole frames from one moment to another, both included. */
export interface FrameSpan {
  readonly first: number;
  readonly last: number;
}

const words = (id: string): string => id.replaceAll('-', ' ');

export function spanOf(performance: Performance, { from, to }: { readonly from: string; readonly to: string }): FrameSpan | NotMeasurable {
  const [a, b] = [performance.marks[from], performance.marks[to]];
  if (a === undefined) return momentMissing(from);
  if (b === undefined) return momentMissing(to);
  if (b <= a) return notMeasurable('order', `${words(to)} is marked before ${words(from)}`, 'Mark them in their order.');
  return { first: Math.ceil(a - 1e-9), last: Math.floor(b + 1e-9) };
}

export const isSpan = (span: FrameSpan | NotMeasurable): span is FrameSpan => 'first' in span;

/** Where the largest value of a score lies between two frames, between frames by a parabola; null where every value is missing. */
export function largest(values: ArrayLike<number>, { first, last }: FrameSpan): { readonly frame: number; readonly value: number } | null {
  let top = -1;
  for (let i = first; i <= last && i < values.length; i++) if (!Number.isNaN(values[i]!) && (top < 0 || values[i]! > values[top]!)) top = i;
  if (top < 0) return null;
  const [a, b, c] = [values[top - 1], values[top]!, values[top + 1]];
  if (top === first || top === last || a === undefined || c === undefined || Number.isNaN(a + c)) return { frame: top, value: b };
  const bend = a - 2 * b + c;
  const shift = bend < 0 ? (a - c) / (2 * bend) : 0;
  return { frame: top + shift, value: b - ((a - c) * shift) / 4 };
}

/** How much of the phase is known, 0..1; a phase that is known in part gives no extreme. */
export function knownShare(values: ArrayLike<number>, { first, last }: FrameSpan): number {
  let known = 0;
  for (let i = first; i <= last; i++) if (!Number.isNaN(values[i] ?? NaN)) known++;
  return known / Math.max(1, last - first + 1);
}

/** Less of a phase than this says nothing about its extremes or its path. */
const LEAST_KNOWN = 0.9;

export const tooLittleKnown = (values: ArrayLike<number>, span: FrameSpan, what: string): NotMeasurable | null =>
  knownShare(values, span) >= LEAST_KNOWN ? null : notMeasurable('point-missing', `${what} is known on ${Math.round(100 * knownShare(values, span))} % of the phase`, 'Find points, or place the missing ones by hand.');

/**
 * The largest of many noisy values lies above the true peak, by most of their own deviation: what is said of a peak is so much wider
 * (calibrated with `npm run bench judge`).
 */
export const PEAK_WIDENING = 1.35;

/** What an edge of the phase that is off by its timing error does to a peak that lies at the edge: the curve's slope there times that error. */
export function edgeSd(curve: Float64Array, frame: number): number {
  const i = Math.round(frame);
  const slope = ((curve[i + 1] ?? curve[i]!) - (curve[i - 1] ?? curve[i]!)) / 2;
  return Number.isNaN(slope) ? 0 : Math.abs(slope) / Math.sqrt(12);
}

/** Rate of change by central differences over two frames, per second. */
export function rateOfChange(values: Float64Array, interval: number, isAngle: boolean): Float64Array {
  return values.map((_, i) => {
    const [before, after] = [values[i - 1] ?? NaN, values[i + 1] ?? NaN];
    const change = after - before;
    return (isAngle ? wrapAngle(change) : change) / (2 * interval);
  });
}

/**
 * Standard deviation of a derivative from that of the samples: white noise through an ideal low-pass filter (Lanshammar 1982,
 * On precision limits for derivatives numerically calculated from noisy data, J. Biomech. 15; from memory).
 * @param sd of one sample, @param interval between samples in seconds, @param cutoff of the smoothing in Hz
 */
export const derivativeSd = (sd: number, interval: number, cutoff: number): number => {
  const corner = Math.min(cutoff, 0.5 / interval);
  return sd * Math.sqrt((interval * (2 * Math.PI * corner) ** 3) / (3 * Math.PI));
};
