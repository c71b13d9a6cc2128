/** Whole samples from one to another, both included. */
export interface FrameSpan {
  readonly first: number;
  readonly last: number;
  /** Where it begins and ends between samples, less than one beyond them; left out, with its first and last. */
  readonly from?: number;
  readonly to?: number;
}

/**
 * Vertex of the parabola through three samples at -1, 0 and 1: its place and its value; the middle one where they do
 * not bend down.
 */
export function parabolaTop(
  before: number,
  middle: number,
  after: number,
): { readonly shift: number; readonly value: number } {
  const bend = before - 2 * middle + after;
  if (!(bend < 0)) return { shift: 0, value: middle };
  const shift = (before - after) / (2 * bend);
  return { shift, value: middle - ((before - after) * shift) / 4 };
}

/** Positions of a span between samples that are known at all: its ends where they lie beside a sample, or none. */
export const endsBetween = ({ first, last, from = first, to = last }: FrameSpan): readonly number[] =>
  [from, to].filter((at) => at < first || at > last);

/** The value of samples at a position between two of them, on a straight line; NaN where either is missing. */
export function valueBetween(values: ArrayLike<number>, at: number): number {
  const low = Math.floor(at);
  const [a, b] = [values[low] ?? NaN, values[low + 1] ?? NaN];
  return at === low ? a : a + (b - a) * (at - low);
}

/**
 * Where the largest of some samples lies, between samples by a parabola; null where every sample is missing. The ends of
 * the span are looked at where they are, also between samples; what lies beyond is not.
 */
export function largest(
  values: ArrayLike<number>,
  span: FrameSpan,
): { readonly frame: number; readonly value: number } | null {
  const { first, last, from = first, to = last } = span;
  let top = -1;
  for (let i = first; i <= last && i < values.length; i++)
    if (!Number.isNaN(values[i]!) && (top < 0 || values[i]! > values[top]!)) top = i;
  if (top < 0) return null;
  const [a, b, c] = [values[top - 1] ?? NaN, values[top]!, values[top + 1] ?? NaN];
  const shift = Math.min(to - top, Math.max(from - top, parabolaTop(a, b, c).shift));
  const beside = shift === 0 ? 0 : (shift * (c - a)) / 2 + (shift ** 2 * (a - 2 * b + c)) / 2;
  const found = { frame: top + shift, value: b + beside };
  const ends = endsBetween(span).map((frame) => ({ frame, value: valueBetween(values, frame) }));
  return ends.reduce((best, end) => (end.value > best.value ? end : best), found);
}

/** How much of a span is known, 0..1. */
export function knownShare(values: ArrayLike<number>, { first, last }: FrameSpan): number {
  let known = 0;
  for (let i = first; i <= last; i++) if (!Number.isNaN(values[i] ?? NaN)) known++;
  return known / Math.max(1, last - first + 1);
}

/** A peak of a curve with how far it stands out of what lies between it and a higher one, in the curve's unit. */
export interface Peak {
  readonly frame: number;
  readonly value: number;
  readonly prominence: number;
}

/**
 * Local maxima with their topographic prominence: how far one must go down from a peak before going up to a higher one
 * (as in scipy.signal.peak_prominences). Missing samples are passed over.
 */
export function peaksOf(values: ArrayLike<number>): readonly Peak[] {
  const n = values.length;
  const peaks: Peak[] = [];
  for (let i = 1; i < n - 1; i++) {
    if (Number.isNaN(values[i]!) || !(values[i]! > values[i - 1]!)) continue;
    let end = i;
    while (end + 1 < n && values[end + 1] === values[i]) end++;
    if (end + 1 >= n || !(values[end + 1]! < values[i]!)) continue;
    const lowest = (step: 1 | -1): number => {
      let low = values[i]!;
      for (let k = i; k >= 0 && k < n; k += step) {
        if (values[k]! > values[i]!) break;
        if (values[k]! < low) low = values[k]!;
      }
      return low;
    };
    const top = largest(values, { first: i - 1, last: end + 1 })!;
    peaks.push({
      frame: end > i ? (i + end) / 2 : top.frame,
      value: values[i]!,
      prominence: values[i]! - Math.max(lowest(-1), lowest(1)),
    });
    i = end;
  }
  return peaks;
}
