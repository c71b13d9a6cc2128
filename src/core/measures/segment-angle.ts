import { segmentAngle, wrapAngle, type AngleBase } from '../geometry/angle';
import { distance } from '../geometry/vec2';
import type { PointRef } from '../model/movement';
import { drawAngle, type Primitive } from '../overlay/scene';
import { segmentAngleSd } from '../uncertainty/propagate';
import { angleCurve, momentMissing, readAngle, type AngleOfPoints } from './angle-at';
import type { KindOfMeasure } from './kind';
import { pictureAt, type Performance } from '../performance/performance';

export function directionOf(refs: readonly [PointRef, PointRef], against: AngleBase): AngleOfPoints {
  return {
    refs,
    angle: ([a, b]) => segmentAngle(a!, b!, against),
    sd: ([a, b]) => segmentAngleSd(a!, b!),
  };
}

export function drawDirection(
  refs: readonly [PointRef, PointRef],
  against: AngleBase,
  performance: Performance,
  frame: number,
): readonly Primitive[] {
  const [a, b] = refs.map((ref) => pictureAt(performance, ref, frame));
  if (!a || !b) return [];
  const forward = performance.clip.travel === 'right' ? 1 : -1;
  const reach = distance(a, b);
  const base = {
    up: { x: a.x, y: a.y - reach },
    down: { x: a.x, y: a.y + reach },
    forward: { x: a.x + forward * reach, y: a.y },
  }[against];
  const up = { x: forward * (b.x - a.x), y: -(b.y - a.y) };
  const angle = segmentAngle({ x: 0, y: 0 }, up, against);
  return drawAngle(base, a, b, `${Math.round((angle * 180) / Math.PI)}\u00b0`, 'first');
}

/** Direction of a segment against the vertical or the direction of travel at a moment. */
export const segmentAngleKind: KindOfMeasure<'segment-angle'> = {
  kind: 'segment-angle',
  unit: 'deg',
  convention: 'Direction of A to B: against up or down, leaning forward is positive; against forward, rising is positive.',
  evaluate: (measure, performance) => {
    const frame = performance.marks[measure.at];
    if (frame === undefined) return momentMissing(measure.at);
    return readAngle(performance, directionOf(measure.points, measure.against), measure.plane, frame);
  },
  subtract: (athlete, reference) => wrapAngle(athlete - reference),
  draw: (measure, performance, frame) => drawDirection(measure.points, measure.against, performance, frame),
  curve: (measure, performance) => angleCurve(performance, directionOf(measure.points, measure.against)),
};
