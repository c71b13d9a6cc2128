import { z } from 'zod';
import type { Clip } from './clip';
import { performerKey } from './performer';
import { withoutClips } from './removed-clips';
import type { Session } from './session';

/** What tells whom a clip shows, and where its videos are. */
type Shown = Pick<Clip, 'id' | 'mediaId'> & {
  readonly performer: Pick<Clip['performer'], 'athleteId' | 'name'>;
  readonly sync: { readonly to: string } | null;
};

const legibleClip = z.object({
  id: z.string().catch(''),
  mediaId: z.string().nullable().catch(null),
  workMediaId: z.string().nullable().catch(null),
  performer: z.object({ athleteId: z.string().optional().catch(undefined), name: z.string() }),
  sync: z.object({ to: z.string() }).nullable().catch(null),
});

/** The clips of a document, damaged or not, of which can be told whom they show. */
export function legibleClips(document: unknown): readonly z.infer<typeof legibleClip>[] {
  const { clips } = z
    .object({ clips: z.array(z.unknown()) })
    .catch({ clips: [] })
    .parse(document);
  return clips.flatMap((clip) => {
    const read = legibleClip.safeParse(clip);
    return read.success ? [read.data] : [];
  });
}

/**
 * Every clip that shows somebody: those of theirs, the same videos under another name, and further cameras of all of
 * them.
 * @param key who it is
 * @param also videos that show them, too
 */
export function clipsShowing<C extends Shown>(
  { clips }: { readonly clips: readonly C[] },
  key: string,
  also: Iterable<string> = [],
): readonly C[] {
  const own = clips.filter((c) => performerKey(c.performer) === key);
  const media = new Set([...also, ...own.map((c) => c.mediaId)].filter((id) => id !== null));
  const shown = new Set(clips.filter((c) => own.includes(c) || media.has(c.mediaId ?? '')).map(({ id }) => id));
  return clips.filter(({ id, sync }) => shown.has(id) || (sync && shown.has(sync.to)));
}

/**
 * A session after somebody's consent was withdrawn.
 * @param shown their clips
 * @param numbers whether what was measured on those stays, or goes with the videos
 */
export function withdrawn(session: Session, shown: readonly Clip[], numbers: 'stay' | 'go'): Session {
  const gone = new Set(shown.map(({ id }) => id));
  if (numbers === 'go') return withoutClips(session, gone);
  const withoutVideo = (clip: Clip): Clip =>
    gone.has(clip.id)
      ? { ...clip, mediaId: null, workMediaId: null, performer: { ...clip.performer, consent: false } }
      : clip;
  return { ...session, clips: session.clips.map(withoutVideo) };
}
