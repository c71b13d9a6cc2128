import { PACE } from '../model/words';
import { outOfOrder } from '../trial/key-events';
import { duration } from './duration';
import { plainDifference, type KindOfMeasure } from './kind';

/** Steps, strokes or cycles a minute. */
export const rate: KindOfMeasure<'rate'> = {
  kind: 'rate',
  unit: '/min',
  convention:
    'How many steps, strokes or cycles lie between two moments, per minute; the error is that of the time ' +
    'between them.',
  error: 'the time between its moments',
  drawn: 'pins and threads of the ribbons',
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
