import { PLAIN } from '../model/words';
import type { Plane, PointRef, Quantity } from '../model/movement';
import { momentSd } from '../performance/moments';
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
export const evenness: KindOfMeasure<'evenness'> = {
  kind: 'evenness',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention:
    'A quantity of the dominant side minus the same of the other side as in a mirror, at a moment: 0 is even.',
  error: 'points of both sides, moment, camera, scale',
  drawn: 'both sides',
  words: () => PLAIN,
  refs: ({ of }) => [...refsOfQuantity(of), ...refsOfQuantity(otherSide(of))],
  picture: ({ of }) => pictureOfQuantity(of),
  needsSureMoments: true,
  evaluate: ({ of, at, plane, lengthIn }, performance) => {
    const as = { plane, frame: performance.marks[at]!, lengthIn, timeSd: momentSd(performance, at) };
    const own = readQuantity(performance, of, as);
    const other: Reading = readQuantity(performance, otherSide(of), { ...as, mirror: MIRROR[plane] });
    if (!own.measurable) return own;
    if (!other.measurable) return other;
    const shared = sharedDifference(own.shared, other.shared);
    const alikeSd = quadrature(own.alikeSd, other.alikeSd);
    return {
      ...own,
      value: difference(of, own.value, other.value),
      sd: quadrature(ownSd(own), ownSd(other), alikeSd, Math.sqrt(sharedVariance(shared))),
      alikeSd,
      shared,
      provenance: { ...own.provenance, points: [...own.provenance.points, ...other.provenance.points] },
    };
  },
  difference: ({ of }, a, b) => difference(of, a, b),
  draw: ({ of, lengthIn }, performance, frame) =>
    [of, otherSide(of)].flatMap((q) => drawQuantity(q, performance, frame, lengthIn)),
  series: null,
};
