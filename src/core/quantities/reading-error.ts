import type { PointId } from '../anatomy/body-points';
import { TABLE_SD_SHARE } from '../anatomy/centre-of-mass';
import { axesOf, cameraAngles, SQUARE } from '../calibration/view';
import type { Vec2 } from '../geometry/vec2';
import { lengthOf, type Vec3 } from '../geometry/vec3';
import type { PointRef, Quantity } from '../model/quantity';
import { partsOf, spaceAt } from '../trial/places';
import { varianceInSpace, type Gradient, type Triple } from '../trial/space';
import type { Trial } from '../trial/trial';
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

/** Slopes with each reference in space, from those in the picture that was computed from it. */
function slopesInSpace(trial: Trial, slopes: readonly Vec2[]): readonly Vec3[] {
  const { errors, pixelsPerUnit } = trial.space!;
  const axes = axesOf(trial.clip);
  const [right, up] = [errors!.right, errors!.up];
  return slopes.map(({ x, y }) => {
    const along = (i: 0 | 1 | 2): number => pixelsPerUnit * (axes.x * x * right[i] + axes.y * y * up[i]);
    return { x: along(0), y: along(1), z: along(2) };
  });
}

/** Slopes by body point. */
export function gradientOf(trial: Trial, refs: readonly PointRef[], slopes: readonly Vec3[]): Gradient {
  const sums = new Map<PointId, Triple>();
  refs.forEach((ref, k) => {
    for (const { id, weight } of partsOf(ref, trial.clip.performer, trial.smoothed)) {
      const [x, y, z] = sums.get(id) ?? [0, 0, 0];
      const { x: dx, y: dy, z: dz } = slopes[k]!;
      sums.set(id, [x + weight * dx, y + weight * dy, z + weight * dz]);
    }
  });
  return sums;
}

/** Error of a number from points that were computed together, by their covariance. */
function computedError(trial: Trial, refs: readonly PointRef[], frame: number, slopes: readonly Vec3[]): PointsError {
  const variance = varianceInSpace(trial.space!.errors!, frame, gradientOf(trial, refs, slopes));
  // A body's mass lies beside the table's in the same way at every frame.
  const table = refs.reduce(
    (sum, ref, k) =>
      ref === 'centre-of-mass'
        ? sum + (TABLE_SD_SHARE * trial.bodyHeight * lengthOf(slopes[k]!)) ** 2 / trial.space!.pixelsPerUnit ** 2
        : sum,
    0,
  );
  return { sd: Math.sqrt(variance + table), systematic: 0, depth: 0, depthAlike: 0 };
}

/** What one standard deviation of straight ahead does to a number that is read in a plane, in its raw unit. */
export function headingError(trial: Trial, quantity: Quantity, frame: number): number {
  const { errors, pixelsPerUnit } = trial.space!;
  const { headingSd, right, up } = errors!;
  const axes = axesOf(trial.clip);
  const points = refsOfQuantity(quantity).map((ref) => spaceAt(trial, ref, frame));
  if (points.includes(null)) return 0;
  const around = surroundingsOf(trial, quantity, SQUARE);
  const { value: valueOf } = kindOfQuantity(quantity);
  const at = (angle: number): number => {
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const seen = (points as Vec3[]).map(({ x, y, z }): UncertainPoint => {
      const turned = [c * x + s * z, y, c * z - s * x] as const;
      const along = (d: Triple): number => d[0] * turned[0] + d[1] * turned[1] + d[2] * turned[2];
      return { x: axes.x * pixelsPerUnit * along(right), y: axes.y * pixelsPerUnit * along(up), sdX: 0, sdY: 0 };
    });
    return valueOf(seen, quantity as never, around);
  };
  const change = difference(quantity, at(headingSd), at(-headingSd)) / 2;
  return Number.isNaN(change) ? 0 : change;
}

export function errorInPicture(
  trial: Trial,
  quantity: Quantity,
  points: readonly UncertainPoint[],
  frame: number,
  mirror: Mirror,
): PointsError {
  const seen = points.map((p) => mirrored(p, mirror));
  const around = surroundingsOf(trial, quantity, cameraAngles(trial.clip));
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
  const slopes = seen.map((_, i) => ({ x: along(i, 'x'), y: along(i, 'y') }));
  const refs = refsOfQuantity(quantity);
  return trial.space?.errors
    ? computedError(
        trial,
        refs,
        frame,
        slopesInSpace(
          trial,
          slopes.map((s) => mirrored(s, mirror)),
        ),
      )
    : pointsError(trial, refs, frame, slopes);
}

export function errorInSpace(
  trial: Trial,
  quantity: Quantity,
  frame: number,
  { value, pixelsPerUnit }: InSpace,
): PointsError {
  const refs = refsOfQuantity(quantity);
  const points = refs.map((ref) => spaceAt(trial, ref, frame)!);
  const perUnit = dimensionOf(quantity) === 'length' ? pixelsPerUnit : 1;
  const along = (i: number, axis: keyof Vec3): number =>
    perUnit *
    slopeOf(
      STEP / pixelsPerUnit,
      (by) => value(points.map((p, k) => (k === i ? { ...p, [axis]: p[axis] + by } : p))),
      (a, b) => difference(quantity, a, b),
    );
  const slopes = points.map((_, i) => ({ x: along(i, 'x'), y: along(i, 'y'), z: along(i, 'z') }));
  return trial.space?.errors
    ? computedError(trial, refs, frame, slopes)
    : spatialError(trial, refs, frame, slopes, pixelsPerUnit);
}
