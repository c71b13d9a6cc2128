import { cameraState, cameraWords, STILL_CAMERA, type PictureNeed } from '../calibration/camera-state';
import { steadyOf } from '../calibration/steady';
import { notMeasurable, type NotMeasurable } from '../reading';
import type { Performance } from './performance';

const REMEDY = 'Film it with a camera that stands still, or measure what does not depend on it.';

/** Why something that needs the picture to stay cannot be told from a performance; null where it can. */
export function cameraRefusal(
  { clip, slides }: Pick<Performance, 'clip' | 'slides'>,
  need: PictureNeed,
): NotMeasurable | null {
  const state = cameraState(clip.camera);
  if (need === 'nothing' || state.kind === 'unknown' || state.kind === 'still') return null;
  if (state.kind === 'no hold')
    return need === 'place'
      ? notMeasurable('camera-moves', 'Whether the camera moves cannot be told: nothing gives a hold', REMEDY)
      : null;
  if (steadyOf(clip))
    return slides && need === 'place'
      ? notMeasurable(
          'camera-moves',
          'The camera goes along: the feet slide over the ground even where the background is made to stand still',
          REMEDY,
        )
      : null;
  const broken = { level: state.roll > STILL_CAMERA.roll, size: state.zoom > STILL_CAMERA.zoom, place: true }[need];
  return broken ? notMeasurable('camera-moves', `The camera moves: it ${cameraWords(state)}`, REMEDY) : null;
}
