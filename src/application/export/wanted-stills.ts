import { isReadOff } from '../../core/reading';
import type { Judged } from '../../core/judgement/state';
import { eventsOf } from '../../core/model/measure';
import type { Note } from '../../core/model/session';
import type { Trial } from '../../core/trial/trial';
import type { Derived } from '../analysis/derived';

/** A picture that is wanted of one clip. */
export interface Wanted {
  readonly key: string;
  readonly frame: number;
  /** What is measured on it: what belongs to its moment, one measure alone, or nothing. */
  readonly measured: 'moment' | { readonly id: string } | null;
}

export type WantedOf = (derived: Derived, trial: Trial) => readonly Wanted[];

/** Under this key stands the picture that a note made of a clip. */
export const noteKey = (noteId: string, clipId: string): string => `note-${noteId}-${clipId}`;

/** The frames of the clips that were compared when a note was made; a note of an earlier version knows its own only. */
export const panesOf = (note: Note): Readonly<Record<string, number>> => ({ ...note.panes, [note.clipId]: note.frame });

/** All pictures that the report wants of a trial, in the order of its frames. */
export function wantedInReport({ movement, session, athlete, reference }: Derived, trial: Trial): readonly Wanted[] {
  const { marks } = trial;
  const role = trial === athlete ? 'athlete' : trial === reference ? 'reference' : null;
  const moments =
    role === null
      ? []
      : movement.moments.flatMap(({ id }): Wanted[] =>
          marks[id] === undefined
            ? []
            : [
                {
                  key: `${role}-${id}`,
                  frame: Math.round(marks[id]!),
                  measured: 'moment',
                },
              ],
        );
  return [...moments, ...notesWanted(session.notes, trial)].sort((a, b) => a.frame - b.frame);
}

function notesWanted(notes: readonly Note[], { clip, times }: Trial): readonly Wanted[] {
  return notes.flatMap((note): Wanted[] => {
    const frame = panesOf(note)[clip.id];
    return frame === undefined
      ? []
      : [{ key: noteKey(note.id, clip.id), frame: Math.min(times.length - 1, frame), measured: null }];
  });
}

/** Under this key stands the picture of one clip that shows a single measure. */
export const measureKey = (measureId: string, clipId: string): string => `measure-${measureId}-${clipId}`;

/**
 * The frame in which a trial shows what was read of it: that of a largest value is not that of a moment. What comes early
 * or late is seen at the moment: when each does it, both look alike.
 */
function provingFrame({ athlete, reference }: Judged, { clip }: Trial): number | undefined {
  const reading = [athlete, reference].find((one) => isReadOff(one, clip.id));
  return reading?.measurable && reading.unit !== 'ms' ? reading.provenance.frames[0] : undefined;
}

/** The pictures of an athlete's page: each correction with its own measure alone, and findings by eye. */
export function wantedOnPage({ session, plan, athlete, reference }: Derived, trial: Trial): readonly Wanted[] {
  if (trial !== athlete && trial !== reference) return [];
  const own = plan.items.flatMap(({ gap }): Wanted[] => {
    if (!gap) return [];
    const { measure } = gap.judged;
    const frame = provingFrame(gap.judged, trial) ?? trial.marks[eventsOf(measure)[0] ?? ''];
    return frame === undefined
      ? []
      : [{ key: measureKey(measure.id, trial.clip.id), frame: Math.round(frame), measured: measure }];
  });
  return [...own, ...notesWanted(session.notes, trial)].sort((a, b) => a.frame - b.frame);
}
