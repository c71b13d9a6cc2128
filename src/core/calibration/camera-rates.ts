import type { CameraPath } from '../model/clip';
import { LEAST_SHARE } from './camera-motion';
import { cameraState } from './camera-state';

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

/**
 * What a camera does through a clip, stretch by stretch; nothing for one that stands still or was not looked at.
 * @param times real time of every frame, seconds
 */
export function cameraStretches(camera: CameraPath | null, times: Float64Array): readonly CameraStretch[] {
  const { kind } = cameraState(camera);
  if (!camera || kind === 'still' || kind === 'unknown') return [];
  const { frames, x, y, scale, share, turned, cuts } = camera;
  return Array.from(frames.slice(1), (to, k): CameraStretch | null => {
    const from = frames[k]!;
    const time = (times[to] ?? NaN) - (times[from] ?? NaN);
    if (!(time > 0) || cuts.includes(to)) return null;
    const change = (of: ArrayLike<number>): number => of[k + 1]! - of[k]!;
    return {
      from,
      to,
      turns: turned ? Math.hypot(change(turned.x), change(turned.y), change(turned.z)) / time : NaN,
      shifts: Math.hypot(change(x), change(y)) / time,
      zooms: Math.log(scale[k + 1]! / scale[k]!) / time,
      holds: share[k + 1]! >= LEAST_SHARE,
    };
  }).filter((stretch) => stretch !== null);
}
