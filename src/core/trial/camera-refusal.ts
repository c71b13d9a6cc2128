import { cameraState, cameraWords, STILL_CAMERA, type PictureNeed } from '../calibration/camera-state';
import { steadyOf } from '../calibration/steady';
import { notMeasurable, type NotMeasurable } from '../reading';
import type { Trial } from './trial';
import { TEXT } from '../../text/core/trial';

const REMEDY = TEXT.filmItWithCamera;

const ONE_SHOT = TEXT.makeClipsOfItsShots;

/** Why nothing can be said of a time over which the film is cut; null where all frames lie in one shot. */
export function cutRefusal({ clip }: Pick<Trial, 'clip'>, frames: readonly number[]): NotMeasurable | null {
  const [first, last] = [Math.min(...frames), Math.max(...frames)];
  const cut = clip.camera?.cuts.find((frame) => first < frame && frame <= last);
  return cut === undefined ? null : notMeasurable('film-cut', TEXT.filmIsCutBeforeFrame(cut + 1), ONE_SHOT);
}

/** Why something that needs the picture to stay cannot be told from a trial; null where it can. */
export function cameraRefusal(
  { clip, slides }: Pick<Trial, 'clip' | 'slides'>,
  need: PictureNeed,
): NotMeasurable | null {
  const cut = clip.camera?.cuts[0];
  if (cut !== undefined && (need === 'size' || need === 'place'))
    return notMeasurable('film-cut', TEXT.filmIsCutBeforeFrameWhat(cut + 1), ONE_SHOT);
  const state = cameraState(clip.camera);
  if (need === 'nothing' || state.kind === 'unknown' || state.kind === 'still') return null;
  if (state.kind === 'no hold')
    return need === 'place' ? notMeasurable('camera-moves', TEXT.whetherCameraMovesCannot, REMEDY) : null;
  if (steadyOf(clip))
    return slides && need === 'place' ? notMeasurable('camera-moves', TEXT.cameraGoesAlongFeetSlide, REMEDY) : null;
  const broken = { level: state.roll > STILL_CAMERA.roll, size: state.zoom > STILL_CAMERA.zoom, place: true }[need];
  return broken ? notMeasurable('camera-moves', TEXT.cameraMoves(cameraWords(state)), REMEDY) : null;
}
