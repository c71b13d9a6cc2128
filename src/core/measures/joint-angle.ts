import { interiorAngle } from '../geometry/angle';
import type { PointRef } from '../model/movement';
import { drawAngle, type Primitive } from '../geometry/primitives';
import { interiorAngleSd } from '../statistics/propagate';
import { angleCurve, readAngle, type AngleOfPoints } from './angle-at';
import { momentMissing } from '../performance/phase';
import type { KindOfMeasure } from './kind';
import { pictureAt, type Performance } from '../performance/performance';

export function interiorOf(refs: readonly [PointRef, PointRef, PointRef]): AngleOfPoints {
  return {
    refs,
    angle: ([a, b, c]) => interiorAngle(a!, b!, c!),
    sd: ([a, b, c]) => interiorAngleSd(a!, b!, c!),
  };
}

export function drawInterior(
  refs: readonly [PointRef, PointRef, PointRef],
  performance: Performance,
  frame: number,
): readonly Primitive[] {
  const [a, b, c] = refs.map((ref) => pictureAt(performance, ref, frame));
  if (!a || !b || !c) return [];
  return drawAngle(a, b, c, `${Math.round((interiorAngle(a, b, c) * 180) / Math.PI)}\u00b0`, 'none');
}

/** Interior angle at the middle point at a moment. */
export const jointAngle: KindOfMeasure<'joint-angle'> = {
  kind: 'joint-angle',
  unit: 'deg',
  convention: 'Interior angle at B between A and C in the picture plane: 180 is straight.',
  evaluate: (measure, performance) => {
    const frame = performance.marks[measure.at];
    if (frame === undefined) return momentMissing(measure.at);
    return readAngle(performance, interiorOf(measure.points), measure.plane, frame);
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: (measure, performance, frame) => drawInterior(measure.points, performance, frame),
  curve: (measure, performance) => angleCurve(performance, interiorOf(measure.points)),
};
