import { boundsOf } from '../geometry/bounds';
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

/** Frames from one to another, both among them, and how many of those given they are. */
export interface FrameRun {
  readonly from: number;
  readonly to: number;
  readonly length: number;
}

/** Frames next to one another of those given for which something holds. */
function runsOf(frames: ArrayLike<number>, holds: (frame: number, n: number) => boolean): readonly FrameRun[] {
  const runs: FrameRun[] = [];
  for (let n = 0; n < frames.length; n++) {
    const begin = n;
    while (n < frames.length && holds(frames[n]!, n)) n++;
    if (n > begin) runs.push({ from: frames[begin]!, to: frames[n - 1]!, length: n - begin });
  }
  return runs;
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
  const missing = runsOf([...Array(count).keys()], (frame) => !known.has(frame));
  const ways = missing.map(({ from, to }): Way => {
    const last = seen.findLast((frame) => frame < from);
    const frame = last ?? seen[0]!;
    const box = { frame, ...boundsOf(Object.values(known.get(frame)![0]!)) };
    return { box, frames: between(frame, last === undefined ? from : to) };
  });
  return { ways, untilMet: null };
}

/**
 * Tells, frame after frame of one way, whether it has met what is known: the same person over so many frames, whatever
 * is known of them.
 */
export function meeting(known: Detections, over: number): (frame: number, seen: readonly DetectedPoints[]) => boolean {
  let since: number | null = null;
  return (frame, [seen]) => {
    const before = known.get(frame)?.[0];
    if (known.has(frame)) since = before && seen && isOneBody(before, seen) ? (since ?? frame) : null;
    return since !== null && Math.abs(frame - since) >= over;
  };
}

/** Fewer frames in a row without anybody are a stumble of the detector. */
const LOST = 6;

/**
 * Where nobody was seen though somebody is there: at least six frames in a row that were looked at. Before somebody is
 * first seen and after the last time only where they were chosen; others may just not be in the picture yet.
 */
export function lostStretches({ frames, points, detectors, person, again }: KeptDetections): readonly FrameRun[] {
  const said = detectors[0]?.x;
  const isSeen = (n: number): boolean =>
    said?.subarray(n * points.length, (n + 1) * points.length).some((x) => !Number.isNaN(x)) ?? false;
  const isChosen = person !== null || again.length > 0;
  const [first, last] = [frames[0]!, frames.at(-1)!];
  return runsOf(frames, (_, n) => !isSeen(n)).filter(
    ({ from, to, length }) => length >= LOST && (isChosen || (from !== first && to !== last)),
  );
}
