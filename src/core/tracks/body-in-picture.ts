import { JOINT_POINTS } from '../anatomy/body-points';
import { isFromDetector, type PointSeries, type Track } from './track';

/** The detector was all but at a loss: its position is worth less than one bridged from better neighbours. */
export const LOST_CONFIDENCE = 0.15;

/** Whether a point is believed at a frame: what a detector was not at a loss about, and what did not come from one. */
export const isBelieved = ({ origin, confidence }: PointSeries, frame: number): boolean =>
  !isFromDetector(origin[frame]) || confidence[frame]! >= LOST_CONFIDENCE;

/**
 * The frames from the first to the last in which half of the joints are believed: of a body that is not all in the
 * picture yet, or no more, a detector puts what it does not see anywhere.
 * @returns null where there is no such frame
 */
export function bodyInPicture(track: Track): readonly [first: number, last: number] | null {
  const joints = JOINT_POINTS.flatMap((id) => track[id] ?? []);
  const frames = joints[0]?.x.length ?? 0;
  const holds = Array.from(
    { length: frames },
    (_, i) => 2 * joints.filter((series) => isBelieved(series, i)).length >= joints.length,
  );
  const first = holds.indexOf(true);
  return first < 0 ? null : [first, holds.lastIndexOf(true)];
}
