import { boundsOf } from '../geometry/bounds';
import type { DetectedPoints } from '../tracks/track';
import { fuseDetections } from './fuse-detections';

/** Part of the displayed picture that is given to the model, pixels. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/**
 * Side of a crop in units of the person's longer extent: for the first detector, which looks for the person in it
 * again, and for the second.
 */
const CROP_MARGIN = 1.45;
export const SECOND_MARGIN = 1.2;

/** What was found this near to the edge of a crop may go on beyond it, share of its side. */
const AT_THE_EDGE = 0.02;

export const touchesEdge = (detected: DetectedPoints, { x, y, size }: Crop): boolean =>
  Object.values(detected).some(
    (p) => Math.max(Math.abs(p.x - x - size / 2), Math.abs(p.y - y - size / 2)) > (0.5 - AT_THE_EDGE) * size,
  );

/** A square round a person with room for the next frame's movement. */
export function cropRound([first, other]: readonly DetectedPoints[], margin = CROP_MARGIN): Crop {
  const { x, y, width, height } = boundsOf(Object.values(other ? fuseDetections(first!, other) : first!));
  const size = Math.max(width, height) * margin;
  return { x: x + (width - size) / 2, y: y + (height - size) / 2, size };
}

/** A square round everything that a person was between two frames. */
export function cropRoundAll(detections: readonly DetectedPoints[]): Crop {
  const crops = detections.map((detected) => cropRound([detected]));
  const [left, top] = [Math.min(...crops.map((c) => c.x)), Math.min(...crops.map((c) => c.y))];
  const right = Math.max(...crops.map((c) => c.x + c.size));
  const bottom = Math.max(...crops.map((c) => c.y + c.size));
  const size = Math.max(...crops.map((c) => c.size));
  return { x: (left + right - size) / 2, y: (top + bottom - size) / 2, size };
}

/** Squares to search when nobody is being followed: the whole picture, then overlapping parts of it. */
export function searchCrops(width: number, height: number): Crop[] {
  const long = Math.max(width, height);
  const short = Math.min(width, height);
  const whole: Crop = { x: (width - long) / 2, y: (height - long) / 2, size: long };
  const parts = [0, 0.5, 1].map((u): Crop =>
    width >= height ? { x: u * (width - short), y: 0, size: short } : { x: 0, y: u * (height - short), size: short },
  );
  return [whole, ...parts];
}
