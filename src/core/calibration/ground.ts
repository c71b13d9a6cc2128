import type { Vec2 } from '../geometry/vec2';
import type { Issue, Result } from '../result';
import { homography, type Homography } from './homography';

/** A rectangle on the ground as it is seen: its corners in the picture, one after the other, and how large it is. */
export interface GroundMarks {
  /** Pixels of the displayed picture; the first to the second corner is the length. */
  readonly corners: readonly Vec2[];
  readonly length: number;
  readonly width: number;
}

/** From the picture to metres on the ground: x along the length from the first corner, y along the width. */
export function groundPlane({
  corners,
  length,
  width,
}: GroundMarks): Result<Homography, Issue<'too-few' | 'on-a-line'>> {
  return homography(corners, [
    { x: 0, y: 0 },
    { x: length, y: 0 },
    { x: length, y: width },
    { x: 0, y: width },
  ]);
}
