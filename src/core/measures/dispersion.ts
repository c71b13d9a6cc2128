import { EXTENT } from '../model/words';
import { refsOfTrajectory } from '../trial/trajectory';
import { NOTHING_SHARED } from '../reading';
import { smallestCircle } from '../geometry/smallest-circle';
import { afterSmoothing } from '../signal/noise';
import { quadrature } from '../statistics/propagate';
import { plainDifference, type KindOfMeasure } from './kind';
import { aboveTop } from './peak-error';
import { drawPath, edgeLength, isPath, knownPoints, pathOf, pathProvenance } from './point-path';
import { TEXT } from '../../text/core/measures';

/**
 * A circle's radius is off by so much of what one coordinate of the points that it rests on is: two, against each
 * other.
 */
const CIRCLE_SHARE = 0.5;

/** How still a point is held. */
export const dispersion: KindOfMeasure<'dispersion'> = {
  kind: 'dispersion',
  unit: ({ lengthIn }) => lengthIn,
  convention: TEXT.radiusOfSmallestCircle,
  error: TEXT.pointAtBothEnds,
  drawn: TEXT.pathOfPoint,
  words: () => EXTENT,
  refs: refsOfTrajectory,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const path = pathOf(trial, measure);
    if (!isPath(path)) return path;
    const points = knownPoints(path);
    const { centre, radius: outer } = smallestCircle(points);
    const away = points.map((p) => Math.hypot(p.x - centre.x, p.y - centre.y));
    const trembling = afterSmoothing(path.trembling, trial.cutoff, path.intervals[1]);
    const radius = Math.max(0, outer - aboveTop(trial, away, { first: 0, last: away.length - 1 }, trembling));
    // The circle rests on two points or three; a detector sees the point elsewhere as the body turns.
    const systematicSd = CIRCLE_SHARE * path.systematic;
    const shared = { ...NOTHING_SHARED, scale: radius * path.scaleSd };
    return {
      measurable: true,
      value: radius,
      sd: quadrature(CIRCLE_SHARE * path.sd, edgeLength(trial, path, measure) / 2, systematicSd, shared.scale),
      systematicSd,
      shared,
      unit: measure.lengthIn,
      provenance: pathProvenance(trial, measure, [path.span.last, path.span.first]),
    };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
