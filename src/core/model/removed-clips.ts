import type { Session } from './session';

/** A session without some clips and all that was measured, noted and drawn on them. */
export function withoutClips(session: Session, gone: ReadonlySet<string>): Session {
  const rest = <T>(known: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(known).filter(([id]) => !gone.has(id)));
  const others = <T extends { readonly clipId: string }>(all: readonly T[]): T[] =>
    all.filter(({ clipId }) => !gone.has(clipId));
  return {
    ...session,
    clips: session.clips.filter(({ id }) => !gone.has(id)),
    tracks: rest(session.tracks),
    detections: rest(session.detections),
    spatial: rest(session.spatial),
    marks: rest(session.marks),
    repetitions: rest(session.repetitions),
    checks: rest(session.checks),
    digitisings: others(session.digitisings),
    notes: others(session.notes).map((note) => ({ ...note, panes: rest(note.panes) })),
    drawings: others(session.drawings),
  };
}
