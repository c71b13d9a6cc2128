import { cameraOffPlane } from '../calibration/view';
import type { Vec3 } from '../geometry/vec3';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { spaceAt } from '../trial/places';
import type { UncertainPoint } from '../statistics/propagate';
import { pointsError, spatialError, type PointsError } from './error';
import { surroundingsOf } from './ground';
import { difference, dimensionOf, kindOfQuantity, refsOfQuantity } from './registry';
import { type Mirror, mirrored, type InSpace } from './in-space';

/** Step of the numerical gradient, pixels. */
const STEP = 0.01;

/** Slope of a number along one coordinate; at a fold (a straight joint) the steeper of both sides. */
function slopeOf(step: number, at: (by: number) => number, subtract: (a: number, b: number) => number): number {
  const middle = at(0);
  const [up, down] = [subtract(at(step), middle) / step, subtract(middle, at(-step)) / step];
  return Math.sign(up) === -Math.sign(down) ? (Math.abs(up) > Math.abs(down) ? up : down) : (up + down) / 2;
}

export function errorInPicture(
  trial: Trial,
  quantity: Quantity,
  points: readonly UncertainPoint[],
  frame: number,
  mirror: Mirror,
): PointsError {
  const seen = points.map((p) => mirrored(p, mirror));
  const around = surroundingsOf(trial, quantity, cameraOffPlane(trial.clip).angle);
  const { value: valueOf } = kindOfQuantity(quantity);
  const subtract = (a: number, b: number): number => difference(quantity, a, b);
  const along = (i: number, axis: 'x' | 'y'): number =>
    slopeOf(
      STEP,
      (by) =>
        valueOf(
          seen.map((p, k) => (k === i ? { ...p, [axis]: p[axis] + by } : p)),
          quantity as never,
          around,
        ),
      subtract,
    );
  return pointsError(
    trial,
    refsOfQuantity(quantity),
    frame,
    seen.map((_, i) => ({ x: along(i, 'x'), y: along(i, 'y') })),
  );
}

export function errorInSpace(
  trial: Trial,
  quantity: Quantity,
  frame: number,
  { value, pixelsPerMetre }: InSpace,
): PointsError {
  const refs = refsOfQuantity(quantity);
  const points = refs.map((ref) => spaceAt(trial, ref, frame)!);
  const perUnit = dimensionOf(quantity) === 'length' ? pixelsPerMetre : 1;
  const along = (i: number, axis: keyof Vec3): number =>
    perUnit *
    slopeOf(
      STEP / pixelsPerMetre,
      (by) => value(points.map((p, k) => (k === i ? { ...p, [axis]: p[axis] + by } : p))),
      (a, b) => a - b,
    );
  return spatialError(
    trial,
    refs,
    frame,
    points.map((_, i) => ({ x: along(i, 'x'), y: along(i, 'y'), z: along(i, 'z') })),
    pixelsPerMetre,
  );
}
