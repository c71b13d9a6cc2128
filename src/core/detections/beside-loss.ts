import { NOT_SURE_WHO } from './identity';
import { bridgeFrames } from '../signal/dropouts';
import type { Detections } from './fuse-detections';
import type { DetectedPoints } from '../tracks/track';

/**
 * So long before and after it somebody else's limbs are taken for the performer's, seconds, which puts points off by so
 * much more than detectors say, share of standing height (two walkers who cross, dressed differently).
 */
const BESIDE = 0.035;
export const BESIDE_LOSS_ERROR = 0.05;

/** Whether it was not sure who was seen: no point of a frame is surer than that leaves. */
export const isUnsureWho = (seen: readonly DetectedPoints[]): boolean =>
  seen.every((points) => Object.values(points).every(({ confidence }) => confidence <= Math.fround(NOT_SURE_WHO)));

/**
 * Frames just before and after those on which the performer was lost (nobody was seen, or it was not sure who): whoever
 * came between covers a part of the body already, or still.
 * @param times real seconds of every frame
 */
export function besideLoss(detections: Detections, times: Float64Array): ReadonlySet<number> {
  const frames = [...detections.keys()].sort((a, b) => a - b);
  const isLost = frames.map((frame) => isUnsureWho(detections.get(frame)!));
  const found = new Set<number>();
  const isNear = (one: number, other: number): boolean => Math.abs(times[one]! - times[other]!) < BESIDE;
  for (let k = isLost.indexOf(true); k >= 0; k = isLost.indexOf(true, k)) {
    const end = isLost.includes(false, k) ? isLost.indexOf(false, k) : frames.length;
    const [before, after] = [frames[k - 1] ?? -1, frames[end] ?? times.length];
    if (after - before - 1 > bridgeFrames(times))
      for (const frame of frames)
        if ((frame <= before && isNear(frame, before)) || (frame >= after && isNear(frame, after))) found.add(frame);
    k = end;
  }
  return found;
}
