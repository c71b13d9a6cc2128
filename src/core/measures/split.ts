import { TIME } from '../model/words';
import { duration } from './duration';
import { plainDifference, type KindOfMeasure } from './kind';

/** Time from the start of a course to one of its gates. */
export const split: KindOfMeasure<'split'> = {
  kind: 'split',
  unit: 's',
  convention:
    'Real time from the start to a gate; against the reference it is the running gain or loss. Its error is that ' +
    'of two events.',
  error: 'both moments',
  drawn: 'running gain and loss',
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
