import { notMeasurable } from '../reading';
import { duration } from './duration';
import type { KindOfMeasure } from './kind';

/** Steps, strokes or cycles a minute. */
export const rate: KindOfMeasure<'rate'> = {
  kind: 'rate',
  unit: '/min',
  convention: 'How many steps, strokes or cycles lie between two moments, per minute; the error is that of the time between them.',
  evaluate: (measure, performance) => {
    const time = duration.evaluate({ ...measure, kind: 'duration' }, performance);
    if (!time.measurable) return time;
    if (time.value <= 0) return notMeasurable('order', `${measure.to.replaceAll('-', ' ')} is marked before ${measure.from.replaceAll('-', ' ')}`, 'Mark them in their order.');
    const value = measure.count / time.value;
    return { ...time, value, sd: (value * time.sd) / time.value, unit: '/min' };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: () => [],
};
