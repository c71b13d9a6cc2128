import { framePlan } from './frame-plan';
import type { Detections } from './fuse-detections';
import type { DetectorSetting } from '../model/kept-detections';
import { trackFromDetections } from './track-from-detections';

/**
 * Which frames of a clip to detect next by what was detected so far, where no session knows more of it.
 * @param times real seconds of every frame
 * @param events frames of its key events, where they are known
 */
export function plannedFrames(
  times: Float64Array,
  setting: DetectorSetting,
  events: readonly number[] = [],
): (detections: Detections) => readonly number[] {
  const plan = framePlan(times);
  return (detections) =>
    plan.next(detections.size === 0 ? null : { track: trackFromDetections({}, times, detections, setting), events });
}
