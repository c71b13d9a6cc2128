import { boundsOf } from '../geometry/bounds';
import { findDropouts } from '../signal/dropouts';
import type { KeptDetections, PersonBox } from '../model/kept-detections';
import type { DetectedPoints } from '../tracks/track';
import type { Detections } from './fuse-detections';
import { isOneBody } from './repeated-bodies';

/** Somebody is followed from a box over the frames of a clip, one after the other, its own first. */
export interface Way {
  readonly box: PersonBox;
  readonly frames: readonly number[];
}

/** Somebody who is followed. */
export interface Following {
  readonly ways: readonly Way[];
  /** A way ends where it has met what is known already over so many frames; null where it goes through. */
  readonly untilMet: number | null;
}

const between = (from: number, to: number): readonly number[] =>
  Array.from({ length: Math.abs(to - from) + 1 }, (_, k) => from + Math.sign(to - from) * k);

const bothWays = (box: PersonBox, count: number): readonly Way[] =>
  [count - 1, 0].map((end) => ({ box, frames: between(box.frame, end) }));

/**
 * Somebody in a drawn box, through the whole clip.
 * @param count frames of the clip
 */
export const follow = (box: PersonBox, count: number): Following => ({ ways: bothWays(box, count), untilMet: null });

/** Somebody who passes at a walk lies within what is told apart for a quarter of a second. */
const MET_SECONDS = 0.4;

/**
 * Somebody in a box that was drawn where they had been lost, or taken for somebody else: on both sides as far as what is
 * known is of somebody else, or of nobody.
 * @param times real seconds of every frame
 */
export const followAgain = (box: PersonBox, times: Float64Array): Following => ({
  ways: bothWays(box, times.length),
  untilMet: Math.round((MET_SECONDS * (times.length - 1)) / (times.at(-1)! - times[0]!)),
});

/**
 * Somebody who was followed before a run was stopped: over all frames that were not looked at, from where they were last
 * seen before them or are first seen after them.
 * @param person whom the run followed
 * @param count frames of the clip
 */
export function followOn(person: PersonBox, known: Detections, count: number): Following {
  const seen = [...known.keys()].filter((frame) => known.get(frame)!.length > 0).sort((a, b) => a - b);
  if (seen.length === 0) return follow(person, count);
  const missing = findDropouts(Float64Array.from({ length: count }, (_, frame) => (known.has(frame) ? 0 : NaN)));
  const ways = missing.map(({ start, length }): Way => {
    const last = seen.findLast((frame) => frame < start);
    const frame = last ?? seen[0]!;
    const box = { frame, ...boundsOf(Object.values(known.get(frame)![0]!)) };
    return { box, frames: between(frame, last === undefined ? start : start + length - 1) };
  });
  return { ways, untilMet: null };
}

/** One frame on which two detections differ is a stumble of a detector. */
const STUMBLE = 1;
/** Somebody who was unseen for so many frames may be somebody else after them. */
const UNSEEN = 3;

/**
 * Tells, frame after frame of one way, whether what is known stands from this frame on: the same person was met over so
 * many frames, or they were lost, and what is known on the other side is as good as what would be found there.
 */
export function meeting(known: Detections, over: number): (frame: number, seen: readonly DetectedPoints[]) => boolean {
  let [since, differ, unseen]: [number | null, number, number] = [null, 0, 0];
  return (frame, [seen]) => {
    const before = known.get(frame)?.[0];
    const wasLost = unseen >= UNSEEN;
    unseen = seen ? 0 : unseen + 1;
    if (wasLost && before) return true;
    if (!known.has(frame)) return false;
    differ = before && seen && isOneBody(before, seen) ? 0 : differ + 1;
    if (differ === 0) since ??= frame;
    else if (differ > STUMBLE) since = null;
    return since !== null && Math.abs(frame - since) >= over;
  };
}

/** Frames from one to another, both among them. */
export interface FrameStretch {
  readonly from: number;
  readonly to: number;
}

/**
 * Where nobody was seen though somebody is there, for longer than is bridged. Before somebody is first seen and after
 * the last time only where they were chosen; others may just not be in the picture yet.
 * @param bridged so many frames without anybody are bridged
 */
export function lostStretches(kept: KeptDetections, bridged: number): readonly FrameStretch[] {
  const { frames, points, detectors, person, again } = kept;
  const said = detectors[0]?.x;
  const isSeen = (n: number): boolean =>
    said?.subarray(n * points.length, (n + 1) * points.length).some((x) => !Number.isNaN(x)) ?? false;
  const isChosen = person !== null || again.length > 0;
  return findDropouts(Float64Array.from(frames, (_, n) => (isSeen(n) ? 0 : NaN))).flatMap(({ start, length }) => {
    const end = start + length;
    const isWithin = start > 0 && end < frames.length;
    // Frames beside it that were not looked at are without anybody as well.
    const before = isWithin ? frames[start - 1]! : frames[start]! - 1;
    const after = isWithin ? frames[end]! : frames[end - 1]! + 1;
    const isLong = after - before - 1 > bridged;
    return isLong && (isChosen || isWithin) ? [{ from: frames[start]!, to: frames[end - 1]! }] : [];
  });
}
