import { notMeasurable, type NotMeasurable } from '../reading';
import type { Mark } from '../model/session';
import { eventSd } from '../statistics/event-time';
import { intervalAt, timeAtFrame } from '../timing/clip-time';
import type { EventTimes } from '../timing/time-map';
import { TEXT } from '../../text/core/trial';

/** How sure the time of a moment is. */
export interface EventTiming {
  /** Standard deviation, seconds. */
  readonly sd: number;
  /** The part of it that its rule does alike in every clip; it falls out of a difference. */
  readonly systematic: number;
  /** How sure the proposal is, 0..1. */
  readonly confidence: number;
}

/** Where the moments of a trial lie, and how sure that is. */
export interface KeyEvents {
  /** Moment id -> frame position. */
  readonly marks: Readonly<Record<string, number>>;
  /** Moment id -> how sure its time is, for those that are proposed; one that is not here was marked by hand. */
  readonly timing?: Readonly<Record<string, EventTiming>> | undefined;
  /** Moment id -> what the movement calls it. */
  readonly names?: Readonly<Record<string, string>> | undefined;
}

/** Moments on frames whose times are known. */
export interface TimedEvents extends KeyEvents {
  /** Real time of every frame, seconds from the first. */
  readonly times: Float64Array;
  /** Usual time from frame to frame, seconds. */
  readonly interval: number;
  /** The same frame by frame, where the capture rate changes within the clip. */
  readonly intervals?: Float64Array | undefined;
}

export const namesOf = (
  moments: readonly { readonly id: string; readonly name: string }[],
): Readonly<Record<string, string>> => Object.fromEntries(moments.map(({ id, name }) => [id, name]));

/** A moment's name in quotation marks; made of its id where the movement is not at hand. */
export const quoted = ({ names }: Pick<KeyEvents, 'names'>, id: string): string =>
  `\u201c${names?.[id] ?? id.replaceAll('-', ' ')}\u201d`;

export const eventMissing = (trial: Pick<KeyEvents, 'names'>, moment: string): NotMeasurable =>
  notMeasurable('moment-missing', TEXT.momentIsNotMarked(quoted(trial, moment)), TEXT.markItInThisClip);

/** Why there is nothing between two moments the second of which lies before the first. */
export const outOfOrder = (
  trial: Pick<KeyEvents, 'names'>,
  { from, to }: { readonly from: string; readonly to: string },
): NotMeasurable =>
  notMeasurable('order', TEXT.isMarkedBefore(quoted(trial, to), quoted(trial, from)), TEXT.markThemInTheirOrder);

/** A proposal less sure than this is a question to the analyst: nothing is judged on it. */
export const LEAST_SURE = 0.35;

/**
 * Standard deviation of a proposed moment, seconds, which its rule's own is never under: from some milliseconds for a
 * sure one to a twentieth of a second for one that is a guess (proposals on rendered and on noisy motion against truth,
 * `npm run bench truth`).
 */
export const proposalSd = (confidence: number): number => 0.003 + 0.04 * (1 - confidence) ** 2;

/** What is kept of a moment, as far as its time goes. */
export type Timed = Pick<Mark, 'frame'> & Partial<Mark>;

/**
 * Where in time a mark lies, as a frame position. What was first seen in a frame happened between it and the one
 * before, what was last seen between it and the next: in the middle of that interval. A mark between two frames, and a
 * proposal, stand where they are.
 */
export function eventFrame({ frame, seen }: Timed): number {
  if (seen === undefined || !Number.isInteger(frame)) return frame;
  // A hair less than a half, so that the picture nearest to it is the one that was marked.
  return seen === 'first' ? Math.max(0, frame - 0.499) : frame + 0.499;
}

/** The frame position of each mark. */
export const frameOfMarks = (marks: Readonly<Record<string, Timed>>): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(marks).map(([id, mark]) => [id, eventFrame(mark)]));

/** How sure the moments are that were proposed and that nobody has confirmed. */
export const timingOfMarks = (marks: Readonly<Record<string, Timed>>): Readonly<Record<string, EventTiming>> =>
  Object.fromEntries(
    Object.entries(marks).flatMap(([id, { proposed, sd, systematic = 0 }]) =>
      proposed === undefined || proposed === null
        ? []
        : [[id, { sd: sd ?? proposalSd(proposed), systematic, confidence: proposed }]],
    ),
  );

export const eventsOfMarks = (marks: Readonly<Record<string, Timed>>): KeyEvents => ({
  marks: frameOfMarks(marks),
  timing: timingOfMarks(marks),
});

/** A mark set by hand on a frame: whole frames are what the movement says that they are. */
export const markByHand = (frame: number, as: 'nearest' | 'first' | 'last'): Mark => ({
  frame,
  proposed: null,
  ...(as !== 'nearest' && Number.isInteger(frame) ? { seen: as } : {}),
});

/**
 * Standard deviation of a moment's time, seconds: of one marked by hand, that it lies anywhere within a frame's
 * interval.
 */
export const keyEventSd = (
  trial: Pick<TimedEvents, 'timing' | 'marks' | 'interval' | 'intervals'>,
  id: string,
): number => Math.max(trial.timing?.[id]?.sd ?? 0, eventSd(intervalAt(trial, trial.marks[id] ?? 0)));

/** The part of it that is alike in clips whose moments were proposed by the same rules, seconds. */
export const eventSystematic = (trial: Pick<KeyEvents, 'timing'>, id: string): number =>
  trial.timing?.[id]?.systematic ?? 0;

/** Real time of each marked moment. */
export const eventTimes = (trial: TimedEvents): EventTimes =>
  Object.fromEntries(Object.entries(trial.marks).map(([id, frame]) => [id, timeAtFrame(trial.times, frame)]));

/** Why nothing is judged on some moments: the first of them that is proposed and not sure enough. */
export function unsureEvent(trial: Pick<KeyEvents, 'timing' | 'names'>, ids: readonly string[]): NotMeasurable | null {
  const id = ids.find((moment) => (trial.timing?.[moment]?.confidence ?? 1) < LEAST_SURE);
  if (id === undefined) return null;
  const sure = Math.round(100 * trial.timing![id]!.confidence);
  return notMeasurable('unsure-moment', TEXT.momentIsOnlyGuessSure(quoted(trial, id), sure), TEXT.confirmItAtMoments);
}
