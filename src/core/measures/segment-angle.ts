import { segmentAngle, wrapAngle, type AngleBase } from '../geometry/angle';
import { levelOf } from '../calibration/level';
import { distance, rotate, subtract } from '../geometry/vec2';
import type { PointRef } from '../model/movement';
import { drawAngle, type Primitive } from '../geometry/primitives';
import { segmentAngleSd } from '../statistics/propagate';
import { angleCurve, readAngle, type AngleOfPoints } from './angle-at';
import { momentMissing } from '../performance/phase';
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
  const level = levelOf(performance.clip);
  // Up is up in the levelled picture, and drawn where that is in the picture as filmed.
  const away = rotate({ up: { x: 0, y: -reach }, down: { x: 0, y: reach }, forward: { x: forward * reach, y: 0 } }[against], -level);
  const base = { x: a.x + away.x, y: a.y + away.y };
  const along = rotate(subtract(b, a), level);
  const up = { x: forward * along.x, y: -along.y };
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
