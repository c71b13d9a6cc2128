import { ANGLE, PLAIN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import { continuousSeries, dimensionOf, pictureOfQuantity, readQuantity, refsOfQuantity } from '../quantities';
import { notMeasurable, type Reading } from '../reading';
import { interpolateLinear } from '../signal/resample';
import { timeAtFrame } from '../timing/clip-time';
import { drawOf, errorOfDifference, seriesOfQuantity } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { isSeries, phaseSeries } from './phase-series';
import { TEXT } from '../../text/core/measures';

/** Change of an angle from one moment to another. */
export const rotation: KindOfMeasure<'rotation'> = {
  kind: 'rotation',
  unit: 'deg',
  convention: TEXT.changeOfAngleBetweenTwo,
  error: TEXT.pointsAtBothEndsLessWhat,
  drawn: TEXT.itsQuantity,
  words: ({ of }) => (of.type === 'joint-angle' ? ANGLE : PLAIN),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, from, to, plane } = measure;
    if (dimensionOf(of) !== 'angle')
      return notMeasurable('point-missing', TEXT.onlyDirectionCanTurn, TEXT.chooseAngleInMovement);
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
      return notMeasurable('point-missing', TEXT.angleIsNotKnown, TEXT.detectPointsOrPlaceMissing);
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
