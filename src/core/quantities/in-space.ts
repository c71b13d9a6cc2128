import type { Vec2 } from '../geometry/vec2';
import type { Vec3 } from '../geometry/vec3';

/**
 * How a performer is looked at: as they are, or as their mirror image, so that the other side of a body can be held
 * against the one.
 */
export type Mirror = 'x' | 'y' | null;

export const mirrored = <P extends Vec2>(point: P, mirror: Mirror): P =>
  mirror === null ? point : { ...point, [mirror]: -point[mirror] };

/**
 * How a quantity is read from points in space, where the trial has them and it does not depend on from where it
 * is seen.
 */
export interface InSpace {
  readonly value: (points: readonly Vec3[]) => number;
  /** A length in space becomes one in pixels. */
  readonly pixelsPerUnit: number;
}
