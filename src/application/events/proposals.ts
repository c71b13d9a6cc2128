import type { Proposal } from '../../core/events/propose-events';
import type { Mark } from '../../core/model/session';
import type { Trial } from '../../core/trial/trial';
import { edit } from '../stores/document-store';

/** Proposals as marks, still to be confirmed: frames and sureness to a hundredth, no frame beyond the last. */
export function asMarks(proposals: readonly Proposal[], last: number): Record<string, Mark> {
  return Object.fromEntries(
    proposals.map(({ eventId, frame, confidence, sd, systematic }) => [
      eventId,
      {
        frame: Math.round(100 * Math.min(last, Math.max(0, frame))) / 100,
        proposed: Math.round(100 * confidence) / 100,
        sd: Math.round(1e4 * sd) / 1e4,
        systematic: Math.round(1e4 * systematic) / 1e4,
      },
    ]),
  );
}

/** Puts proposals beside what is marked in a clip; one undoable step. */
export function takeProposals({ clip, times }: Trial, proposals: readonly Proposal[]): void {
  edit((session) => {
    session.marks[clip.id] = { ...session.marks[clip.id], ...asMarks(proposals, times.length - 1) };
  });
}
