import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { isSpan, spanOf, tooLittleKnown } from '../trial/phase';
import { continuousSeries, kindOfQuantity, readQuantity } from '../quantities';
import type { Measured, NotMeasurable } from '../reading';
import type { FrameSpan } from '../signal/peaks';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { OfQuantity } from './common';

export interface Phase {
  readonly from: string;
  readonly to: string;
}

export interface PhaseSeries {
  readonly span: FrameSpan;
  /** Over the whole clip, without jumps of whole turns. */
  readonly series: Float64Array;
}

/** The curve of a quantity in a phase, or why there is none. */
export function phaseSeries(
  trial: Trial,
  { of, plane, lengthIn }: OfQuantity,
  phase: Phase,
): PhaseSeries | NotMeasurable {
  const span = spanOf(trial, phase);
  if (!isSpan(span)) return span;
  const series = continuousSeries(trial, of, lengthIn);
  const unknown = tooLittleKnown(series, span, kindOfQuantity(of).name);
  if (!unknown) return { span, series };
  // A missing scale is a better reason than missing values.
  const there = readQuantity(trial, of, { plane, frame: span.first, lengthIn });
  return !there.measurable && there.reason === 'no-scale' ? there : unknown;
}

export const isSeries = (r: PhaseSeries | NotMeasurable): r is PhaseSeries => 'series' in r;

/** The time of a frame position after the beginning of a phase, as a reading. */
export function timeFrom(trial: Trial, from: string, frame: number, sd: number, points: readonly string[]): Measured {
  const start = trial.marks[from]!;
  return {
    measurable: true,
    value: timeAtFrame(trial.times, frame) - timeAtFrame(trial.times, start),
    sd: quadrature(sd, keyEventSd(trial, from)),
    systematicSd: 0,
    unit: 'ms',
    provenance: { clipId: trial.clip.id, frames: [frame, start], points: [...points] },
  };
}
