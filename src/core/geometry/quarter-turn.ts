import type { Size, Vec2 } from './vec2';

/** Degrees by which a picture is turned clockwise to be shown upright, as its file says. */
export type Rotation = 0 | 90 | 180 | 270;

/** A picture with its size as it is shown. */
export interface TurnedPicture extends Size {
  readonly rotation: Rotation;
}

/** How large a picture is as it is stored. */
export const storedSize = ({ width, height, rotation }: TurnedPicture): Size =>
  rotation === 90 || rotation === 270 ? { width: height, height: width } : { width, height };

/** The place in the stored picture of one in the shown picture, pixels from the corner above and to the left. */
export function toStored({ width, height, rotation }: TurnedPicture, { x, y }: Vec2): Vec2 {
  if (rotation === 90) return { x: y, y: width - x };
  if (rotation === 180) return { x: width - x, y: height - y };
  return rotation === 270 ? { x: height - y, y: x } : { x, y };
}

type Transform = [a: number, b: number, c: number, d: number, e: number, f: number];

/** What a canvas is transformed by, so that the stored picture is shown upright. */
export function uprightTransform({ width, height, rotation }: TurnedPicture): Transform {
  if (rotation === 90) return [0, 1, -1, 0, width, 0];
  if (rotation === 180) return [-1, 0, 0, -1, width, height];
  return rotation === 270 ? [0, -1, 1, 0, 0, height] : [1, 0, 0, 1, 0, 0];
}
