import { EXTENT } from '../model/words';
import { refsOfWay } from '../performance/way';
import { NOTHING_SHARED } from '../reading';
import { smallestCircle } from '../geometry/smallest-circle';
import { afterSmoothing } from '../signal/noise';
import { quadrature } from '../statistics/propagate';
import { plainDifference, type KindOfMeasure } from './kind';
import { aboveTop, PEAK_WIDENING } from './peak-error';
import { drawPath, edgeLength, isPath, knownPoints, pathOf, pathProvenance } from './point-path';

/** How still a point is held. */
export const steadiness: KindOfMeasure<'steadiness'> = {
  kind: 'steadiness',
  unit: ({ lengthIn }) => lengthIn,
  convention: 'Radius of the smallest circle that holds a point through a phase.',
  error: 'the point at both ends of the circle, and the scale',
  drawn: 'the path of the point',
  words: () => EXTENT,
  refs: refsOfWay,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  needsSureMoments: true,
  evaluate: (measure, performance) => {
    const way = pathOf(performance, measure);
    if (!isPath(way)) return way;
    const points = knownPoints(way);
    const { centre, radius: outer } = smallestCircle(points);
    const away = points.map((p) => Math.hypot(p.x - centre.x, p.y - centre.y));
    const trembling = afterSmoothing(way.jitter, performance.cutoff, performance.interval);
    const radius = Math.max(0, outer - aboveTop(performance, away, { first: 0, last: away.length - 1 }, trembling));
    // The circle rests on two points or three; a finder sees the point elsewhere as the body turns.
    const alikeSd = way.alike / Math.SQRT2;
    const shared = { ...NOTHING_SHARED, scale: radius * way.scaleSd };
    return {
      measurable: true,
      value: radius,
      sd: quadrature(
        (PEAK_WIDENING * way.sd) / Math.SQRT2,
        edgeLength(performance, way, measure) / 2,
        alikeSd,
        shared.scale,
      ),
      alikeSd,
      shared,
      unit: measure.lengthIn,
      provenance: pathProvenance(performance, measure, [way.span.last, way.span.first]),
    };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
