import type { CameraPath } from '../model/clip';
import { LEAST_SHARE } from './camera-motion';
import { cameraState, zoomsOf } from './camera-state';

/** What a camera does from one picture that was looked at to the next. */
export interface CameraStretch {
  /** Frames between which it is so. */
  readonly from: number;
  readonly to: number;
  /** Rotation rate, radians a second; where only the picture's shift is known, NaN. */
  readonly turns: number;
  /** Shift of the background, widths of the picture a second. */
  readonly shifts: number;
  /** Relative growth of the picture a second. */
  readonly zooms: number;
  /** Whether the background gives a hold. */
  readonly holds: boolean;
}

/** A long clip is told in so many stretches at most: more could not be told apart. */
const MOST = 120;

/**
 * What a camera does through a clip, stretch by stretch; nothing for one that stands still or was not looked at.
 * @param times real time of every frame, seconds
 */
export function cameraStretches(camera: CameraPath | null, times: Float64Array): readonly CameraStretch[] {
  const { kind } = cameraState(camera);
  if (!camera || kind === 'still' || kind === 'unknown') return [];
  const { frames, x, y, share, turned, cuts } = camera;
  const scale = zoomsOf(camera);
  const looks = Math.max(1, Math.ceil((frames.length - 1) / MOST));
  const stretches: CameraStretch[] = [];
  for (let k = 0; k + 1 < frames.length; k += looks) {
    const end = Math.min(frames.length - 1, k + looks);
    const [from, to] = [frames[k]!, frames[end]!];
    const time = (times[to] ?? NaN) - (times[from] ?? NaN);
    if (!(time > 0) || cuts.some((cut) => cut > from && cut <= to)) continue;
    const change = (of: ArrayLike<number>): number => of[end]! - of[k]!;
    stretches.push({
      from,
      to,
      turns: turned ? Math.hypot(change(turned.x), change(turned.y), change(turned.z)) / time : NaN,
      shifts: Math.hypot(change(x), change(y)) / time,
      zooms: Math.log(scale[end]! / scale[k]!) / time,
      holds: share.subarray(k + 1, end + 1).every((s) => s >= LEAST_SHARE),
    });
  }
  return stretches;
}
