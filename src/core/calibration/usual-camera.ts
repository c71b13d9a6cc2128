import type { Clip } from '../model/clip';
import { steadyOf } from './steady';

/**
 * A usual lens: 1.2 widths of the picture to its focal length; most cameras lie within a factor of two of it (common
 * practice).
 */
const FOCAL_WIDTHS = 1.2;
const FOCAL_LOG_SD = 0.35;

/** The focal length of a clip's camera, pixels, and the standard deviation of its natural logarithm. */
export function lensOf(clip: Pick<Clip, 'camera' | 'width' | 'height'>): {
  readonly focal: number;
  readonly logSd: number;
} {
  const steady = steadyOf(clip);
  return { focal: steady ? steady.focal : FOCAL_WIDTHS * Math.max(clip.width, clip.height), logSd: FOCAL_LOG_SD };
}

/**
 * How far above the performer a camera stands, as the angle by which it looks down on them, degrees, and how sure that
 * is where nobody stated it: from chest height, or overhead (common practice).
 */
export const USUAL_ELEVATION = { level: { degrees: 2, sd: 6 }, above: { degrees: 85, sd: 10 } } as const;
