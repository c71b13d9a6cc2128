import { boundsOf } from '../geometry/bounds';
import type { KeptDetections, PersonBox } from '../model/kept-detections';
import type { DetectedPoints } from '../tracks/track';
import type { Detections } from './fuse-detections';
import { isOneBody } from './repeated-bodies';

/** A way over the frames of a clip, one after the other, along which somebody is followed from a box. */
export interface Way {
  readonly box: PersonBox;
  readonly to: 'end' | 'start';
}

/** Somebody who is followed. */
export interface Following {
  readonly ways: readonly Way[];
  /** A way ends where it has met what is known already over so many frames; null where it goes through. */
  readonly untilMet: number | null;
}

const bothWays = (box: PersonBox): readonly Way[] => [
  { box, to: 'end' },
  { box, to: 'start' },
];

/** Somebody in a drawn box, through the whole clip. */
export const follow = (box: PersonBox): Following => ({ ways: bothWays(box), untilMet: null });

/** Somebody who passes at a walk lies within what is told apart for a quarter of a second. */
const MET_SECONDS = 0.4;

/**
 * Somebody in a box that was drawn where they had been lost, or taken for somebody else: on both sides as far as what is
 * known is of somebody else, or of nobody.
 * @param times real seconds of every frame
 */
export const followAgain = (box: PersonBox, times: Float64Array): Following => ({
  ways: bothWays(box),
  untilMet: Math.round((MET_SECONDS * (times.length - 1)) / (times.at(-1)! - times[0]!)),
});

/**
 * Somebody who was followed before a run was stopped: on from where they were last seen, to both sides.
 * @param person whom the run followed
 * @param known frames that were looked at: all from one to another
 * @param count frames of the clip
 */
export function followOn(person: PersonBox, known: Detections, count: number): Following {
  const frames = [...known.keys()].sort((a, b) => a - b);
  const seen = frames.filter((frame) => known.get(frame)!.length > 0);
  if (seen.length === 0) return follow(person);
  const from = (frame: number, to: Way['to']): Way => ({
    box: { frame, ...boundsOf(Object.values(known.get(frame)![0]!)) },
    to,
  });
  return {
    ways: [
      ...(frames.at(-1)! < count - 1 ? [from(seen.at(-1)!, 'end')] : []),
      ...(frames[0]! > 0 ? [from(seen[0]!, 'start')] : []),
    ],
    untilMet: null,
  };
}

/** The frames of a way in a clip of so many, in the order in which they are looked at, that of its box among them. */
export const framesOf = ({ box, to }: Way, count: number): readonly number[] =>
  to === 'end'
    ? Array.from({ length: count - box.frame }, (_, k) => box.frame + k)
    : Array.from({ length: box.frame + 1 }, (_, k) => box.frame - k);

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

/** Frames from one to another, both among them. */
export interface FrameStretch {
  readonly from: number;
  readonly to: number;
}

/** Fewer frames in a row without anybody are a stumble of the detector. */
const LOST = 6;

/**
 * Where nobody was seen though somebody is there: at least six frames in a row that were looked at. Before somebody is
 * first seen and after the last time only where they were chosen; others may just not be in the picture yet.
 */
export function lostStretches({ frames, points, detectors, person, again }: KeptDetections): readonly FrameStretch[] {
  const said = detectors[0]?.x;
  const isSeen = (n: number): boolean =>
    said?.subarray(n * points.length, (n + 1) * points.length).some((x) => !Number.isNaN(x)) ?? false;
  const isChosen = person !== null || again.length > 0;
  const stretches: FrameStretch[] = [];
  for (let k = 0; k < frames.length; k++) {
    if (isSeen(k)) continue;
    let last = k;
    while (last + 1 < frames.length && !isSeen(last + 1)) last++;
    const isAtEnd = k === 0 || last === frames.length - 1;
    if (last - k + 1 >= LOST && (isChosen || !isAtEnd)) stretches.push({ from: frames[k]!, to: frames[last]! });
    k = last;
  }
  return stretches;
}
