import { TIME } from '../model/words';
import { duration } from './duration';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** Time from the start of a course to one of its gates. */
export const split: KindOfMeasure<'split'> = {
  kind: 'split',
  unit: 's',
  convention: TEXT.realTimeFromStart,
  error: TEXT.bothMoments,
  drawn: TEXT.runningGainAndLoss,
  words: () => TIME,
  refs: () => [],
  picture: () => 'nothing',
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const time = duration.evaluate({ ...measure, kind: 'duration' }, trial);
    return time.measurable ? { ...time, unit: 's' } : time;
  },
  difference: plainDifference,
  draw: () => [],
  series: null,
};
