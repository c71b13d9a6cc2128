import type { FigureCamera } from '../tracks/spatial-view';

/**
 * A pinhole camera: a point X of space is at R X + t before it (x right, y down, z ahead) and at focal / z of that in
 * the picture, pixels from its middle.
 */
export interface Pinhole {
  /** R, row by row. */
  readonly rotation: Float64Array;
  readonly translation: Float64Array;
  /** Focal length, pixels. */
  readonly focal: number;
  /** Middle of the picture, pixels. */
  readonly centreX: number;
  readonly centreY: number;
}

const RADIANS = Math.PI / 180;

/** R of a camera that stands at an azimuth and an elevation and looks at the origin, its picture level. */
export function rotationOf({ azimuthDegrees, elevationDegrees }: FigureCamera): Float64Array {
  const [a, e] = [azimuthDegrees * RADIANS, elevationDegrees * RADIANS];
  const [ca, sa, ce, se] = [Math.cos(a), Math.sin(a), Math.cos(e), Math.sin(e)];
  return Float64Array.of(ca, 0, -sa, sa * se, -ce, ca * se, -sa * ce, -se, -ca * ce);
}

/** Where a camera with this R stands: the direction from which it looks. */
export function directionOf(rotation: Float64Array): FigureCamera {
  return {
    azimuthDegrees: Math.atan2(-rotation[2]!, rotation[0]!) / RADIANS,
    elevationDegrees: Math.asin(Math.max(-1, Math.min(1, -rotation[7]!))) / RADIANS,
  };
}

/** Angle between the directions in which two cameras look, degrees. */
export function degreesBetween(a: Float64Array, b: Float64Array): number {
  const cosine = a[6]! * b[6]! + a[7]! * b[7]! + a[8]! * b[8]!;
  return Math.acos(Math.max(-1, Math.min(1, cosine))) / RADIANS;
}

/** exp([w]x) R: a camera turned by a small rotation vector in its own axes (Rodrigues). */
export function turnedBy(rotation: Float64Array, wx: number, wy: number, wz: number): Float64Array {
  const angle = Math.hypot(wx, wy, wz);
  if (angle === 0) return rotation;
  const [x, y, z] = [wx / angle, wy / angle, wz / angle];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const k = 1 - c;
  const e = [
    c + x * x * k,
    x * y * k - z * s,
    x * z * k + y * s,
    y * x * k + z * s,
    c + y * y * k,
    y * z * k - x * s,
    z * x * k - y * s,
    z * y * k + x * s,
    c + z * z * k,
  ];
  const turned = new Float64Array(9);
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++)
      turned[3 * i + j] =
        e[3 * i]! * rotation[j]! + e[3 * i + 1]! * rotation[3 + j]! + e[3 * i + 2]! * rotation[6 + j]!;
  return turned;
}
