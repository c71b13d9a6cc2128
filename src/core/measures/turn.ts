import { ANGLE, PLAIN } from '../model/words';
import { momentSd } from '../performance/moments';
import { continuousCurve, dimensionOf, pictureOfQuantity, readQuantity, refsOfQuantity } from '../quantities';
import { notMeasurable, type Reading } from '../reading';
import { interpolateLinear } from '../signal/resample';
import { timeAtFrame } from '../timing/clip-time';
import { drawOf, errorOfDifference, quantitySeries } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { isCurve, phaseCurve } from './phase-curve';

/** Change of an angle from one moment to another. */
export const turn: KindOfMeasure<'turn'> = {
  kind: 'turn',
  unit: 'deg',
  convention: 'Change of an angle between two moments, whole turns counted: straightening of a joint is positive.',
  error: 'the points at both ends, less what the camera does to both',
  drawn: 'its quantity',
  words: ({ of }) => (of.q === 'joint-angle' ? ANGLE : PLAIN),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const { of, from, to, plane } = measure;
    if (dimensionOf(of) !== 'angle')
      return notMeasurable('point-missing', 'Only a direction can turn', 'Choose an angle in the movement.');
    const r = phaseCurve(performance, { ...measure, lengthIn: '%BH' }, measure);
    if (!isCurve(r)) return r;
    const [a, b] = [from, to].map((id) =>
      readQuantity(performance, of, {
        plane,
        frame: performance.marks[id]!,
        lengthIn: '%BH',
        timeSd: momentSd(performance, id),
      }),
    ) as [Reading, Reading];
    if (!a.measurable) return a;
    if (!b.measurable) return b;
    // Both ends are read off the same unwrapped curve: a reading alone does not know how often it has gone round.
    const at = (id: string): number =>
      interpolateLinear(performance.times, r.curve, timeAtFrame(performance.times, performance.marks[id]!));
    const value = at(to) - at(from);
    if (Number.isNaN(value))
      return notMeasurable(
        'point-missing',
        'The angle is not known at both moments',
        'Find points, or place the missing ones by hand.',
      );
    return {
      ...b,
      value,
      ...errorOfDifference(b, a),
      provenance: { ...b.provenance, frames: [performance.marks[to]!, performance.marks[from]!] },
    };
  },
  difference: plainDifference,
  draw: (measure, performance, frame) => drawOf({ ...measure, lengthIn: '%BH' }, performance, frame),
  series: {
    unit: () => 'deg',
    values: ({ of }, performance) => continuousCurve(performance, of, '%BH'),
    read: (measure, performance, frame, timeSd) =>
      quantitySeries(false).read({ ...measure, lengthIn: '%BH' }, performance, frame, timeSd),
    of: ({ of }) => [of, '%BH'],
    holdsValue: () => false,
  },
};
