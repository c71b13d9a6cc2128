import type { Proposal } from '../../core/events/propose-events';
import { proposeTrial } from '../../core/events/repetitions';
import type { Movement } from '../../core/model/movement';
import type { Session } from '../../core/model/session';
import { mainOf } from '../../core/model/slots';
import { eventFrame, markByHand } from '../../core/trial/key-events';
import type { Trial } from '../../core/trial/trial';
import { frameAtTime, realTimes, timeAtFrame } from '../../core/timing/clip-time';
import { syncMap } from '../../core/timing/sync-map';
import { baseOf } from '../analysis/derived';
import { edit } from '../stores/document-store';
import { takeProposals } from './proposals';

/** The first camera's clip and frame for those of any camera of a trial. */
function atRoot(session: Session, clipId: string, frame: number): { clipId: string; frame: number } {
  const clip = session.clips.find((c) => c.id === clipId);
  const main = clip && mainOf(session.clips, clip);
  if (!clip || !main || main === clip) return { clipId, frame };
  const time = syncMap(main, clip, clip.sync!.pairs).inverse(timeAtFrame(realTimes(clip), frame));
  const inside = Math.min(main.frameTimes.length - 1, Math.max(0, frameAtTime(realTimes(main), time)));
  return { clipId: main.id, frame: Math.round(inside * 100) / 100 };
}

/**
 * Marks a moment at a frame of any camera of a trial, or takes the mark away; it is kept with the first camera.
 */
export function markEvent(onClip: string, eventId: string, at: number | null): void {
  edit((session) => {
    const as = baseOf(session).moments.find((m) => m.id === eventId)?.frame ?? 'nearest';
    const own = markByHand(at ?? 0, as);
    const whole = atRoot(session, onClip, own.frame);
    const elsewhere = whole.clipId !== onClip;
    // What a whole frame of another camera stands for is known there, and not after it was carried to the first one's
    // clock.
    const { clipId } = whole;
    const marks = { ...session.marks[clipId] };
    if (at === null) delete marks[eventId];
    else marks[eventId] = elsewhere ? { frame: atRoot(session, onClip, eventFrame(own)).frame, proposed: null } : own;
    session.marks[clipId] = marks;
  });
}

/** Proposes the moments that are not marked yet, by the movement's rules; one undoable step. */
export function proposeEventsOf(movement: Movement, trial: Trial): readonly Proposal[] {
  const proposals = proposeTrial(movement, trial);
  if (proposals.length > 0) takeProposals(trial, proposals);
  return proposals;
}

/** A person has looked at every proposed moment of a clip, in all its repetitions, and leaves them. */
export function confirmAllEvents(clipId: string): void {
  const confirmed = (marks: Session['marks'][string]): Session['marks'][string] =>
    Object.fromEntries(Object.entries(marks).map(([id, mark]) => [id, { ...mark, proposed: null }]));
  edit((session) => {
    session.marks[clipId] = confirmed(session.marks[clipId] ?? {});
    const repetitions = session.repetitions[clipId];
    if (repetitions) repetitions.all = repetitions.all.map(confirmed);
  });
}

/**
 * A person has looked at a moment's proposals in several clips: each is confirmed, or moved to the frame shown. One
 * undoable step.
 */
export function confirmShown(
  eventId: string,
  looks: readonly { readonly clipId: string; readonly proposed: number; readonly shown: number }[],
): void {
  edit((session) => {
    const as = baseOf(session).moments.find((m) => m.id === eventId)?.frame ?? 'nearest';
    for (const { clipId, proposed, shown } of looks) {
      const mark = session.marks[clipId]?.[eventId];
      if (!mark) continue;
      const kept = shown === proposed ? { ...mark, proposed: null } : markByHand(shown, as);
      session.marks[clipId] = { ...session.marks[clipId], [eventId]: kept };
    }
  });
}

/** A person has looked at a proposed mark and leaves it. */
export function confirmEvent(clipId: string, eventId: string): void {
  edit((session) => {
    const mark = session.marks[clipId]?.[eventId];
    if (mark) session.marks[clipId] = { ...session.marks[clipId], [eventId]: { ...mark, proposed: null } };
  });
}
