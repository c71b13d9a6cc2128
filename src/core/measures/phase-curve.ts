import { momentSd } from '../performance/moments';
import type { Performance } from '../performance/performance';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { continuousCurve, kindOfQuantity, readQuantity } from '../quantities';
import type { Measured, NotMeasurable } from '../reading';
import type { FrameSpan } from '../signal/peaks';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { OfQuantity } from './common';

export interface Phase {
  readonly from: string;
  readonly to: string;
}

export interface PhaseCurve {
  readonly span: FrameSpan;
  /** Over the whole clip, without jumps of whole turns. */
  readonly curve: Float64Array;
}

/** The curve of a quantity in a phase, or why there is none. */
export function phaseCurve(
  performance: Performance,
  { of, plane, lengthIn }: OfQuantity,
  phase: Phase,
): PhaseCurve | NotMeasurable {
  const span = spanOf(performance, phase);
  if (!isSpan(span)) return span;
  const curve = continuousCurve(performance, of, lengthIn);
  const unknown = tooLittleKnown(curve, span, kindOfQuantity(of).name);
  if (!unknown) return { span, curve };
  // A missing scale is a better reason than missing values.
  const there = readQuantity(performance, of, { plane, frame: span.first, lengthIn });
  return !there.measurable && there.reason === 'no-scale' ? there : unknown;
}

export const isCurve = (r: PhaseCurve | NotMeasurable): r is PhaseCurve => 'curve' in r;

/** The time of a frame position after the beginning of a phase, as a reading. */
export function timeFrom(
  performance: Performance,
  from: string,
  frame: number,
  sd: number,
  points: readonly string[],
): Measured {
  const start = performance.marks[from]!;
  return {
    measurable: true,
    value: timeAtFrame(performance.times, frame) - timeAtFrame(performance.times, start),
    sd: quadrature(sd, momentSd(performance, from)),
    alikeSd: 0,
    unit: 'ms',
    provenance: { clipId: performance.clip.id, frames: [frame, start], points: [...points] },
  };
}
