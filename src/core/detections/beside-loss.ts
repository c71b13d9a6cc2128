import { isUnsureWho } from './identity';
import { bridgeFrames, findDropouts } from '../signal/dropouts';
import type { Detections } from './fuse-detections';

/**
 * So long before and after it somebody else's limbs are taken for the performer's, seconds, which puts points off by so
 * much more than detectors say, share of standing height (two walkers who cross, dressed differently).
 */
const BESIDE = 0.035;
export const BESIDE_LOSS_ERROR = 0.05;

/**
 * Frames just before and after those on which the performer was lost (nobody was seen, or it was not sure who): whoever
 * came between covers a part of the body already, or still.
 * @param times real seconds of every frame
 */
export function besideLoss(detections: Detections, times: Float64Array): ReadonlySet<number> {
  const frames = [...detections.keys()].sort((a, b) => a - b);
  const lost = findDropouts(Float64Array.from(frames, (frame) => (isUnsureWho(detections.get(frame)!) ? NaN : 0)));
  const found = new Set<number>();
  for (const { start, length } of lost) {
    const [before, after] = [frames[start - 1] ?? -1, frames[start + length] ?? times.length];
    if (after - before - 1 <= bridgeFrames(times)) continue;
    for (const frame of frames)
      if (
        (frame <= before && times[before]! - times[frame]! < BESIDE) ||
        (frame >= after && times[frame]! - times[after]! < BESIDE)
      )
        found.add(frame);
  }
  return found;
}
