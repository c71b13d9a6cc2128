import { rotationOf as rotationByVector, thenRotate, type Rotation } from '../calibration/turning-camera';
import type { FigureCamera } from '../tracks/spatial-view';

/**
 * A pinhole camera: a point X of space is at R X + t before it (x right, y down, z ahead) and at focal / z of that in
 * the picture, pixels from its middle.
 */
export interface Pinhole {
  readonly rotation: Rotation;
  readonly translation: Float64Array;
  /** Focal length, pixels. */
  readonly focal: number;
  /** Middle of the picture, pixels. */
  readonly centreX: number;
  readonly centreY: number;
}

const RADIANS = Math.PI / 180;

/** R of a camera that stands at an azimuth and an elevation and looks at the origin, its picture level. */
export function rotationOf({ azimuthDegrees, elevationDegrees }: FigureCamera): Rotation {
  const [a, e] = [azimuthDegrees * RADIANS, elevationDegrees * RADIANS];
  const [ca, sa, ce, se] = [Math.cos(a), Math.sin(a), Math.cos(e), Math.sin(e)];
  return [ca, 0, -sa, sa * se, -ce, ca * se, -sa * ce, -se, -ca * ce];
}

/** Where a camera with this R stands: the direction from which it looks. */
export function directionOf(rotation: Rotation): FigureCamera {
  return {
    azimuthDegrees: Math.atan2(-rotation[2], rotation[0]) / RADIANS,
    elevationDegrees: Math.asin(Math.max(-1, Math.min(1, -rotation[7]))) / RADIANS,
  };
}

/** Angle between the directions in which two cameras look, degrees. */
export function degreesBetween(a: Rotation, b: Rotation): number {
  const cosine = a[6] * b[6] + a[7] * b[7] + a[8] * b[8];
  return Math.acos(Math.max(-1, Math.min(1, cosine))) / RADIANS;
}

/** A camera turned by a small rotation vector in its own axes. */
export const turnedBy = (rotation: Rotation, w: readonly [number, number, number]): Rotation =>
  thenRotate(rotation, rotationByVector(w));
