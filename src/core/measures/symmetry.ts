import { PLAIN } from '../model/words';
import type { Plane } from '../model/measure';
import type { PointRef, Quantity } from '../model/quantity';
import { keyEventSd } from '../trial/key-events';
import {
  difference,
  type Mirror,
  pictureOfQuantity,
  readQuantity,
  refsOfQuantity,
  unitOfQuantity,
} from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { ownSd, sharedDifference, sharedVariance, type Reading } from '../reading';
import { quadrature } from '../statistics/propagate';
import type { KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

const swap = (ref: PointRef): PointRef =>
  (ref.startsWith('dominant-') ? ref.replace('dominant', 'opposite') : ref.replace('opposite', 'dominant')) as PointRef;

/** The same quantity of the other side of the body. */
export function otherSide(of: Quantity): Quantity {
  const isRef = (v: unknown): v is PointRef => typeof v === 'string' && /^(dominant|opposite)-/.test(v);
  return JSON.parse(JSON.stringify(of), (_, v: unknown) => (isRef(v) ? swap(v) : v)) as Quantity;
}

/**
 * How a plane shows the other side of a body: from the front and from above as a mirror image, from the side as it is.
 */
const MIRROR: Readonly<Record<Plane, Mirror>> = { frontal: 'x', transverse: 'y', sagittal: null, any: null };

/** Both sides of the body against each other. */
export const symmetry: KindOfMeasure<'symmetry'> = {
  kind: 'symmetry',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: TEXT.quantityOfDominantSideMinus,
  error: TEXT.pointsOfBothSidesMoment,
  drawn: TEXT.bothSides,
  words: () => PLAIN,
  refs: ({ of }) => [...refsOfQuantity(of), ...refsOfQuantity(otherSide(of))],
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'moments',
  needsSureEvents: true,
  evaluate: ({ of, at, plane, lengthIn }, trial) => {
    const as = { plane, frame: trial.marks[at]!, lengthIn, timeSd: keyEventSd(trial, at) };
    const own = readQuantity(trial, of, as);
    const other: Reading = readQuantity(trial, otherSide(of), { ...as, mirror: MIRROR[plane] });
    if (!own.measurable) return own;
    if (!other.measurable) return other;
    const shared = sharedDifference(own.shared, other.shared);
    const systematicSd = quadrature(own.systematicSd, other.systematicSd);
    return {
      ...own,
      value: difference(of, own.value, other.value),
      sd: quadrature(ownSd(own), ownSd(other), systematicSd, Math.sqrt(sharedVariance(shared))),
      systematicSd,
      shared,
      provenance: { ...own.provenance, points: [...own.provenance.points, ...other.provenance.points] },
    };
  },
  difference: ({ of }, a, b) => difference(of, a, b),
  draw: ({ of, lengthIn }, trial, frame) => [of, otherSide(of)].flatMap((q) => drawQuantity(q, trial, frame, lengthIn)),
  series: null,
};
