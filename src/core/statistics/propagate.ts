import { subtract, type Vec2 } from '../geometry/vec2';

/** A position with the standard deviation of each of its coordinates, in the unit of the position. */
export interface UncertainPoint extends Vec2 {
  readonly sdX: number;
  readonly sdY: number;
  /** Part of both deviations that is alike in every clip measured the same way, 0..1. */
  readonly systematic?: number;
}

const squared = (v: Vec2, p: UncertainPoint): number => (v.x * p.sdX) ** 2 + (v.y * p.sdY) ** 2;

/** Gradient of a segment's direction with respect to its end: the perpendicular divided by the squared length. */
function directionGradient(from: Vec2, to: Vec2): Vec2 {
  const d = subtract(to, from);
  const squaredLength = d.x * d.x + d.y * d.y;
  return { x: -d.y / squaredLength, y: d.x / squaredLength };
}

/**
 * Standard deviation (radians) of the direction of a segment from the deviations of its ends, to first order.
 */
export function segmentAngleSd(a: UncertainPoint, b: UncertainPoint): number {
  const gradient = directionGradient(a, b);
  return Math.sqrt(squared(gradient, a) + squared(gradient, b));
}

/**
 * Standard deviation (radians) of the angle at `b`, to first order. For equal and isotropic deviations s this is
 * s * sqrt(2/a^2 + 2/c^2 - 2 cos(theta) / (a c)) with the segment lengths a and c.
 */
export function interiorAngleSd(a: UncertainPoint, b: UncertainPoint, c: UncertainPoint): number {
  const atA = directionGradient(b, a);
  const atC = directionGradient(b, c);
  const atB = { x: atC.x - atA.x, y: atC.y - atA.y };
  return Math.sqrt(squared(atA, a) + squared(atB, b) + squared(atC, c));
}

/** The same positions with only the part of their deviations that is alike in every clip. */
export const systematicPart = (points: readonly UncertainPoint[]): readonly UncertainPoint[] =>
  points.map((p) => ({ ...p, sdX: p.sdX * (p.systematic ?? 0), sdY: p.sdY * (p.systematic ?? 0) }));

export const quadrature = (...sds: readonly number[]): number => Math.sqrt(sds.reduce((sum, sd) => sum + sd * sd, 0));
