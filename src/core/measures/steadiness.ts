import { EXTENT } from '../model/words';
import { refsOfWay } from '../performance/way';
import { smallestCircle } from '../geometry/smallest-circle';
import { quadrature } from '../statistics/propagate';
import { plainDifference, type KindOfMeasure } from './kind';
import { PEAK_WIDENING } from './peak-error';
import { drawPath, isPath, knownPoints, pathOf, pathProvenance } from './point-path';

/** How still a point is held. */
export const steadiness: KindOfMeasure<'steadiness'> = {
  kind: 'steadiness',
  unit: ({ lengthIn }) => lengthIn,
  convention: 'Radius of the smallest circle that holds a point through a phase.',
  error: 'the point at both ends of the circle, and the scale',
  drawn: 'the path of the point',
  words: () => EXTENT,
  refs: refsOfWay,
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const way = pathOf(performance, measure);
    if (!isPath(way)) return way;
    const { radius } = smallestCircle(knownPoints(way));
    // The circle rests on two points or three; a finder sees the point elsewhere as the body turns.
    const alikeSd = way.alike / Math.SQRT2;
    const shared = { camera: 0, scale: radius * way.scaleSd };
    return { measurable: true, value: radius, sd: quadrature((PEAK_WIDENING * way.sd) / Math.SQRT2, alikeSd, shared.scale), alikeSd, shared, unit: measure.lengthIn, provenance: pathProvenance(performance, measure, [way.span.last, way.span.first]) };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
