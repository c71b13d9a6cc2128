import { extentOf } from '../signal/extent';
import type { CameraPath } from '../model/clip';
import { LEAST_SHARE } from './camera-motion';
import { TEXT } from '../../text/core/calibration';

/**
 * What of the picture must stay as it is through a clip for a number to be true: nothing (angles between parts of the
 * body, times), its level (angles to the vertical), its size (lengths), its place (paths, speeds, heights, contacts).
 */
export type PictureNeed = 'nothing' | 'level' | 'size' | 'place';

const NEEDS: readonly PictureNeed[] = ['nothing', 'level', 'size', 'place'];

/** What is needed where several are. */
export const strictest = (needs: readonly PictureNeed[]): PictureNeed =>
  NEEDS[Math.max(0, ...needs.map((need) => NEEDS.indexOf(need)))]!;

/** What a camera did through a clip, as far as the background tells. */
export interface CameraState {
  /** *unknown* where nobody has looked; *no hold* where the background does not tell. */
  readonly kind: 'unknown' | 'still' | 'moves' | 'no hold';
  /** Largest way of the background, shares of the picture's width. */
  readonly shift: number;
  /** Largest size over the smallest. */
  readonly zoom: number;
  /** Largest turn against the smallest, radians. */
  readonly roll: number;
}

/**
 * What grain, compression and a tripod in the wind leave (common practice; the demo's still cameras stay below half).
 */
export const STILL_CAMERA = { shift: 0.01, zoom: 1.02, roll: Math.PI / 180 } as const;
/** More of the pictures than this without hold, and nothing is known of the camera. */
const MOST_WITHOUT_HOLD = 0.1;

function extent(values: Float64Array): number {
  const { least, most } = extentOf(values);
  return most - least;
}

/**
 * How much a camera zoomed in, against the first picture. A turn through a wide lens grows the picture's middle, too:
 * only the fit of turn and zoom tells them apart.
 */
export const zoomsOf = ({ turned, scale }: CameraPath): Float64Array => turned?.zoom ?? scale;

export function cameraState(camera: CameraPath | null): CameraState {
  if (!camera || camera.frames.length === 0) return { kind: 'unknown', shift: 0, zoom: 1, roll: 0 };
  const shift = Math.hypot(extent(camera.x), extent(camera.y));
  const scales = extentOf(zoomsOf(camera));
  const zoom = scales.most / scales.least;
  const roll = extent(camera.roll);
  const lost = camera.share.filter((share) => share < LEAST_SHARE).length / camera.share.length;
  const still = shift <= STILL_CAMERA.shift && zoom <= STILL_CAMERA.zoom && roll <= STILL_CAMERA.roll;
  return { kind: lost > MOST_WITHOUT_HOLD ? 'no hold' : still ? 'still' : 'moves', shift, zoom, roll };
}

/** What a camera did, in a phrase. */
export function cameraWords({ kind, shift, zoom, roll }: CameraState): string {
  if (kind === 'unknown') return TEXT.nobodyHasLookedWhether;
  if (kind === 'still') return TEXT.standsStill;
  if (kind === 'no hold') return TEXT.cannotBeToldNothing;
  const parts = [
    ...(shift > STILL_CAMERA.shift ? [TEXT.followsOverOfPicturesWidth(shift.toFixed(2))] : []),
    ...(zoom > STILL_CAMERA.zoom ? [TEXT.zoomsTimes(zoom.toFixed(2))] : []),
    ...(roll > STILL_CAMERA.roll ? [TEXT.tiltsSidewaysByDegrees(((roll * 180) / Math.PI).toFixed(1))] : []),
  ];
  return parts.join(', ');
}

/** The camera of points whose feet slide: it has followed, nobody knows how. */
export const withoutHold = (): CameraPath => ({
  frames: Float64Array.of(0),
  x: Float64Array.of(0),
  y: Float64Array.of(0),
  scale: Float64Array.of(1),
  roll: Float64Array.of(0),
  share: Float64Array.of(0),
  cuts: [],
  turned: null,
});
