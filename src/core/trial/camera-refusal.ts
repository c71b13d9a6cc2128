import { cameraState, cameraWords, STILL_CAMERA, type PictureNeed } from '../calibration/camera-state';
import { steadyOf } from '../calibration/steady';
import { notMeasurable, type NotMeasurable } from '../reading';
import type { Trial } from './trial';

const REMEDY = 'Film it with a camera that stands still, or measure what does not depend on it.';

const ONE_SHOT = 'Make clips of its shots at Match.';

/** Why nothing can be said of a time over which the film is cut; null where all frames lie in one shot. */
export function cutRefusal({ clip }: Pick<Trial, 'clip'>, frames: readonly number[]): NotMeasurable | null {
  const [first, last] = [Math.min(...frames), Math.max(...frames)];
  const cut = clip.camera?.cuts.find((frame) => first < frame && frame <= last);
  return cut === undefined
    ? null
    : notMeasurable('film-cut', `The film is cut before frame ${cut + 1}, between its moments`, ONE_SHOT);
}

/** Why something that needs the picture to stay cannot be told from a trial; null where it can. */
export function cameraRefusal(
  { clip, slides }: Pick<Trial, 'clip' | 'slides'>,
  need: PictureNeed,
): NotMeasurable | null {
  const cut = clip.camera?.cuts[0];
  if (cut !== undefined && (need === 'size' || need === 'place'))
    return notMeasurable(
      'film-cut',
      `The film is cut before frame ${cut + 1}: what is seen in one shot lies elsewhere in the next`,
      ONE_SHOT,
    );
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
