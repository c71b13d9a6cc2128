import { inverse, project } from '../calibration/homography';
import { groundPlane, type GroundMarks } from '../calibration/ground';
import { COVERAGE_95 } from '../statistics/normal';
import { dice, normal } from '../../../tests/fixtures/random';
import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Quantity } from '../model/quantity';
import { readQuantity } from './read';

/**
 * A rectangle of 2 by 1.2 m as a camera at hip height sees it: the farther side is shorter and higher in the picture.
 */
const TRUE_MARKS: GroundMarks = {
  corners: [
    { x: 300, y: 700 },
    { x: 700, y: 700 },
    { x: 640, y: 640 },
    { x: 330, y: 640 },
  ],
  length: 2,
  width: 1.2,
};
const plane = groundPlane(TRUE_MARKS);
const seen = (x: number, y: number): { x: number; y: number } =>
  project(inverse(plane.ok ? plane.value : ([] as never)), { x, y });
type Place = readonly [number, number];
const STEP: Quantity = { type: 'ground-distance', points: ['dominant-heel', 'opposite-heel'] };

// Inside the rectangle, beside it, and as far beyond it as a step goes.
test.each([
  ['inside', [0.3, 0.4], [1.6, 0.6]],
  ['beyond its end', [1.5, 0.5], [3.4, 0.6]],
  ['far beyond it', [3, 0.4], [5, 0.5]],
] as [string, Place, Place][])(
  'a distance %s the rectangle is as sure as the corners that were pressed',
  (_, from, to) => {
    const roll = dice(31);
    const press = (p: { x: number; y: number }): { x: number; y: number } => ({
      x: p.x + 1.5 * normal(roll),
      y: p.y + 1.5 * normal(roll),
    });
    const truth = Math.hypot(from[0] - to[0], from[1] - to[1]);
    const readings = Array.from({ length: 400 }, () => {
      const [a, b] = [press(seen(...from)), press(seen(...to))];
      const trial = stickTrial(
        () => ({ 'right-heel': [a.x, a.y], 'left-heel': [b.x, b.y] }),
        {},
        { width: 1600, ground: { ...TRUE_MARKS, corners: TRUE_MARKS.corners.map(press), frame: 0 } },
      );
      return readQuantity(trial, STEP, { plane: 'any', frame: 20, lengthIn: 'm', timeSd: 0 });
    }).filter((r) => r.measurable);
    const held = readings.filter((r) => Math.abs(r.value - truth) <= COVERAGE_95 * r.sd).length / readings.length;
    expect(readings.length).toBeGreaterThan(200);
    expect(held).toBeGreaterThanOrEqual(0.9);
    expect(held).toBeLessThanOrEqual(0.99);
  },
);
