import { JOINT_POINTS } from '../anatomy/body-points';
import { findDropouts } from '../signal/dropouts';
import type { FrameSpan } from '../signal/peaks';
import { isFromDetector, type PointSeries, type Track } from './track';

/** The detector was all but at a loss: its position is worth less than one bridged from better neighbours. */
export const LOST_CONFIDENCE = 0.15;

/** Whether a point is believed at a frame: what a detector was not at a loss about, and what did not come from one. */
export const isBelieved = ({ origin, confidence }: PointSeries, frame: number): boolean =>
  !isFromDetector(origin[frame]) || confidence[frame]! >= LOST_CONFIDENCE;

/** Whether half of the joints are known and believed, frame by frame. */
function bodySeen(track: Track): readonly boolean[] {
  const joints = JOINT_POINTS.flatMap((id) => track[id] ?? []);
  const isSeen = (i: number): boolean =>
    2 * joints.filter((series) => !Number.isNaN(series.x[i]!) && isBelieved(series, i)).length >= joints.length;
  return Array.from(joints[0]?.x ?? [], (_, i) => isSeen(i));
}

/**
 * The frames from the first to the last in which half of the joints are believed: of a body that is not all in the
 * picture yet, or no more, a detector puts what it does not see anywhere.
 * @returns null where there is no such frame
 */
export function bodyInPicture(track: Track): readonly [first: number, last: number] | null {
  const seen = bodySeen(track);
  const first = seen.indexOf(true);
  return first < 0 ? null : [first, seen.lastIndexOf(true)];
}

/**
 * Runs of frames between these in which a detector lost the body (behind somebody else, out of the light): its points
 * are missing there, or may be somebody else's.
 * @param longest a run of so many frames is bridged, and is none
 */
export function lostFromSight(track: Track, longest: number): readonly FrameSpan[] {
  if (!Object.values(track).some((series) => series?.origin.some(isFromDetector))) return [];
  const seen = bodySeen(track);
  return findDropouts(Float64Array.from(seen, (isSeen) => (isSeen ? 0 : NaN))).flatMap(({ start, length }) =>
    start > 0 && start + length < seen.length && length > longest ? [{ first: start, last: start + length - 1 }] : [],
  );
}
