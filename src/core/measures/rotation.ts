import { ANGLE, PLAIN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import { continuousSeries, dimensionOf, pictureOfQuantity, readQuantity, refsOfQuantity } from '../quantities';
import { notMeasurable, type Reading } from '../reading';
import { interpolateLinear } from '../signal/resample';
import { timeAtFrame } from '../timing/clip-time';
import { drawOf, errorOfDifference, seriesOfQuantity } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { isSeries, phaseSeries } from './phase-series';

/** Change of an angle from one moment to another. */
export const rotation: KindOfMeasure<'rotation'> = {
  kind: 'rotation',
  unit: 'deg',
  convention: 'Change of an angle between two moments, whole turns counted: straightening of a joint is positive.',
  error: 'the points at both ends, less what the camera does to both',
  drawn: 'its quantity',
  words: ({ of }) => (of.type === 'joint-angle' ? ANGLE : PLAIN),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, from, to, plane } = measure;
    if (dimensionOf(of) !== 'angle')
      return notMeasurable('point-missing', 'Only a direction can turn', 'Choose an angle in the movement.');
    const r = phaseSeries(trial, { ...measure, lengthIn: '%BH' }, measure);
    if (!isSeries(r)) return r;
    const [a, b] = [from, to].map((id) =>
      readQuantity(trial, of, {
        plane,
        frame: trial.marks[id]!,
        lengthIn: '%BH',
        timeSd: keyEventSd(trial, id),
      }),
    ) as [Reading, Reading];
    if (!a.measurable) return a;
    if (!b.measurable) return b;
    // Both ends are read off the same unwrapped curve: a reading alone does not know how often it has gone round.
    const at = (id: string): number =>
      interpolateLinear(trial.times, r.series, timeAtFrame(trial.times, trial.marks[id]!));
    const value = at(to) - at(from);
    if (Number.isNaN(value))
      return notMeasurable(
        'point-missing',
        'The angle is not known at both moments',
        'Detect points, or place the missing ones by hand.',
      );
    return {
      ...b,
      value,
      ...errorOfDifference(b, a),
      provenance: { ...b.provenance, frames: [trial.marks[to]!, trial.marks[from]!] },
    };
  },
  difference: plainDifference,
  draw: (measure, trial, frame) => drawOf({ ...measure, lengthIn: '%BH' }, trial, frame),
  series: {
    unit: () => 'deg',
    values: ({ of }, trial) => continuousSeries(trial, of, '%BH'),
    read: (measure, trial, frame, timeSd) =>
      seriesOfQuantity(false).read({ ...measure, lengthIn: '%BH' }, trial, frame, timeSd),
    of: ({ of }) => [of, '%BH'],
    holdsValue: () => false,
  },
};
