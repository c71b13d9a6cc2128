import { TIME } from '../model/words';
import { eventSystematic, keyEventSd } from '../trial/key-events';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import { UNLISTED } from './common';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { TEXT } from '../../text/core/measures';

/** Real time from one moment to another. */
export const duration: KindOfMeasure<'duration'> = {
  kind: 'duration',
  unit: 'ms',
  convention: TEXT.realTimeBetweenTwoMoments,
  error: TEXT.bothMoments,
  drawn: TEXT.pinsAndThreadsOfRibbons,
  words: () => TIME,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'time',
  needsSureEvents: true,
  evaluate: ({ from, to }, trial) => {
    const [a, b] = [trial.marks[from]!, trial.marks[to]!];
    return {
      measurable: true,
      value: timeAtFrame(trial.times, b) - timeAtFrame(trial.times, a),
      sd: quadrature(keyEventSd(trial, from), keyEventSd(trial, to)),
      systematicSd: quadrature(eventSystematic(trial, from), eventSystematic(trial, to)),
      unit: 'ms',
      provenance: { clipId: trial.clip.id, frames: [b, a], points: [] },
    };
  },
  difference: plainDifference,
  draw: () => [],
  series: null,
};

/** The time from one moment to another, as a measure. */
export const durationBetween = (from: string, to: string): MeasureOf<'duration'> => ({
  ...UNLISTED,
  kind: 'duration',
  from,
  to,
});
