import type { Clip } from './clip';
import type { Session } from './session';

/** What a session knows of single clips, by their ids. */
export const KNOWN_OF_CLIPS = ['tracks', 'detections', 'spatial', 'marks', 'repetitions', 'checks'] as const;
export type KnownOfClips = Pick<Session, (typeof KNOWN_OF_CLIPS)[number]>;

export interface CopiedClips extends KnownOfClips {
  /** Old id -> new id. */
  readonly ids: ReadonlyMap<string, string>;
  readonly clips: readonly Clip[];
}

/**
 * Clips of a session under new ids, with their points and what was marked and answered on them; videos are referred to,
 * not copied.
 * @param withEvents whether moments, repetitions and answers come along: they belong to one movement
 */
export function copyClips(
  from: Session,
  chosen: readonly Clip[],
  newId: () => string,
  withEvents: boolean,
): CopiedClips {
  const ids = new Map(chosen.map((clip) => [clip.id, newId()]));
  const known = <T>(all: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries([...ids].flatMap(([old, id]) => (all[old] === undefined ? [] : [[id, all[old]]])));
  return {
    ids,
    clips: chosen.map((clip) => ({
      ...clip,
      id: ids.get(clip.id)!,
      sync: clip.sync && { ...clip.sync, to: ids.get(clip.sync.to) ?? clip.sync.to },
    })),
    tracks: known(from.tracks),
    detections: known(from.detections),
    spatial: known(from.spatial),
    marks: withEvents ? known(from.marks) : {},
    repetitions: withEvents ? known(from.repetitions) : {},
    checks: withEvents ? known(from.checks) : {},
  };
}
