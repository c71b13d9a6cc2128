import { PACE } from '../model/words';
import { outOfOrder } from '../trial/key-events';
import { duration } from './duration';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** Steps, strokes or cycles a minute. */
export const rate: KindOfMeasure<'rate'> = {
  kind: 'rate',
  unit: '/min',
  convention: TEXT.howManyStepsStrokes,
  error: TEXT.timeBetweenItsMoments,
  drawn: TEXT.pinsAndThreadsOfRibbons,
  words: () => PACE,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const time = duration.evaluate({ ...measure, kind: 'duration' }, trial);
    if (!time.measurable) return time;
    if (time.value <= 0) return outOfOrder(trial, measure);
    const value = measure.count / time.value;
    return {
      ...time,
      value,
      sd: (value * time.sd) / time.value,
      systematicSd: (value * time.systematicSd) / time.value,
      unit: '/min',
    };
  },
  difference: plainDifference,
  draw: () => [],
  series: null,
};
