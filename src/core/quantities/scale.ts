import { steadyOf } from '../calibration/steady';
import { cameraAngles, ontoPlane, type CameraAngles } from '../calibration/view';
import type { Trial } from '../trial/trial';
import { notMeasurable, type NotMeasurable } from '../reading';
import type { LengthIn } from './registry';
import { TEXT } from '../../text/core/quantities';

/**
 * How sure a scale is, share of a length: a line drawn along a known length, and a standing height read off the body
 * (common practice).
 */
const SCALE_SD = { m: 0.01, '%BH': 0.02 } as const;
/**
 * How sure a standing height that is read off the body is as a length in metres, share of it: the shares that segments
 * have of the height differ between people (common practice).
 */
const STATURE_SD = 0.03;

export interface Scale {
  /** What one pixel in movement coordinates is, in the unit wanted. */
  readonly perPixel: number;
  /** Standard deviation, share of a length. */
  readonly sdShare: number;
}

/**
 * A known length in pixels of movement coordinates: what it has along the plane is stretched by the camera's angles like
 * every other length. One drawn before its direction was kept may lie any way: it is taken halfway, and is as much less
 * sure.
 */
function knownPixels(
  scale: { readonly pixels: number; readonly alongDegrees?: number | undefined },
  camera: CameraAngles,
): { readonly pixels: number; readonly sdShare: number } {
  const plane = ontoPlane(camera);
  if (scale.alongDegrees === undefined)
    return {
      pixels: (scale.pixels * (plane.x + plane.y)) / 2,
      sdShare: Math.abs(plane.x - plane.y) / Math.sqrt(12),
    };
  const along = (scale.alongDegrees * Math.PI) / 180;
  const [right, down] = [Math.cos(along), Math.sin(along)];
  return { pixels: scale.pixels * Math.hypot(plane.x * right, plane.lean * right - plane.y * down), sdShare: 0 };
}

/** The performer's stated height as the known length, where nothing better was drawn. */
function byStature({ performer: { heightMetres } }: Trial['clip'], bodyHeight: number): Scale | NotMeasurable {
  return heightMetres === undefined || Number.isNaN(bodyHeight)
    ? notMeasurable('no-scale', TEXT.noLengthInMetres, TEXT.drawKnownLengthAtMatch)
    : { perPixel: heightMetres / bodyHeight, sdShare: STATURE_SD };
}

/** What one pixel is, in the unit wanted, and how sure that is; or why it is not known. */
export function scaleOf({ clip, bodyHeight }: Trial, wanted: LengthIn): Scale | NotMeasurable {
  if (wanted === 'm') {
    if (!clip.scale) return byStature(clip, bodyHeight);
    const steady = steadyOf(clip);
    const { frame } = clip.scale;
    if (steady && frame === undefined)
      return notMeasurable('no-scale', TEXT.cameraMovesAndInWhich, TEXT.drawItAgainAtMatch);
    const { pixels, sdShare } = knownPixels(clip.scale, cameraAngles(clip));
    const steadyPixels = steady ? pixels * steady.growth(frame!) : pixels;
    return {
      perPixel: clip.scale.metres / steadyPixels,
      sdShare: Math.hypot(SCALE_SD.m, sdShare, steady ? steady.sizeSd(frame!) : 0),
    };
  }
  if (Number.isNaN(bodyHeight))
    return notMeasurable('no-scale', TEXT.performersHeightInPicture, TEXT.detectPointsOrPlaceShoulder);
  return { perPixel: 1 / bodyHeight, sdShare: SCALE_SD['%BH'] };
}

export const isScale = (scale: Scale | NotMeasurable): scale is Scale => 'perPixel' in scale;
