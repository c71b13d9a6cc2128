import type { CameraPath, Clip, TurnedPath } from '../model/clip';
import { extentOf } from '../signal/extent';
import { cameraState, type PictureNeed } from './camera-state';
import type { PictureSize, Steady } from './steady-path';
import { tiedDown } from './tied-path';

/** The look that stands nearest the middle of where the camera went. */
function middleOf({ x, y }: TurnedPath): number {
  const middle = (values: Float64Array): number => {
    const { least, most } = extentOf(values);
    return (least + most) / 2;
  };
  const [mx, my] = [middle(x), middle(y)];
  let best = 0;
  for (let i = 1; i < x.length; i++)
    if (Math.hypot(x[i]! - mx, y[i]! - my) < Math.hypot(x[best]! - mx, y[best]! - my)) best = i;
  return best;
}

/** A camera that turned farther than this from the middle of its way sees nothing of the same picture, radians. */
const MOST_TURNED = 1;
type Seen = Pick<Clip, 'camera' | 'width' | 'height'> & Partial<Pick<Clip, 'tiePoints'>>;
const known = new WeakMap<object, { readonly ties: Clip['tiePoints']; readonly steady: Steady | null }>();
const NONE: Clip['tiePoints'] = [];

/**
 * How a clip's pictures are brought to one.
 * @returns null where the camera stands still, where nobody has looked, and where its motion could not be told
 */
export function steadyOf(clip: Seen): Steady | null {
  const { camera, tiePoints: ties = NONE } = clip;
  if (!camera) return null;
  const before = known.get(camera);
  if (before?.ties === ties) return before.steady;
  const steady = takenOut(camera, clip, ties);
  known.set(camera, { ties, steady });
  return steady;
}

function takenOut(camera: CameraPath, size: PictureSize, ties: Clip['tiePoints']): Steady | null {
  const { frames, turned } = camera;
  if (!turned || cameraState(camera).kind !== 'moves') return null;
  const m = middleOf(turned);
  const far = turned.x.some((x, i) => Math.hypot(x - turned.x[m]!, turned.y[i]! - turned.y[m]!) > MOST_TURNED);
  return far ? null : tiedDown(frames, turned, size, m, ties);
}

/** How far off a clip's picture may be for something that needs it to stay, in the unit of the need. */
export function steadySd(clip: Seen, need: PictureNeed, frame: number): number {
  const steady = steadyOf(clip);
  if (!steady || need === 'nothing') return 0;
  return { level: steady.levelSd, size: steady.sizeSd, place: steady.sdAt }[need](frame);
}
