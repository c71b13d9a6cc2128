import { timeAtFrame } from '../timing/clip-time';
import { durationSd } from '../statistics/event-time';
import { momentMissing } from '../performance/phase';
import type { KindOfMeasure, MeasureOf } from './kind';

/** Real time from one moment to another. */
export const duration: KindOfMeasure<'duration'> = {
  kind: 'duration',
  unit: 'ms',
  convention: 'Real time between two moments; its error is that of two events, T / sqrt(6).',
  evaluate: (measure, performance) => {
    const from = performance.marks[measure.from];
    const to = performance.marks[measure.to];
    if (from === undefined) return momentMissing(measure.from);
    if (to === undefined) return momentMissing(measure.to);
    return {
      measurable: true,
      value: timeAtFrame(performance.times, to) - timeAtFrame(performance.times, from),
      sd: durationSd(performance.interval),
      alikeSd: 0,
      unit: 'ms',
      provenance: { clipId: performance.clip.id, frames: [to, from], points: [] },
    };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: () => [],
};

/** What a measure of time needs beside its moments when it is no measure of a movement. */
export const UNLISTED = { id: 'part', name: '', region: 'timing', plane: 'any', margin: 0, importance: 0, cost: 'weeks' } as const;

/** The time from one moment to another, as a measure. */
export const durationBetween = (from: string, to: string): MeasureOf<'duration'> => ({ ...UNLISTED, kind: 'duration', from, to });
