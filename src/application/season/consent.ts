import type { Clip } from '../../core/model/clip';
import { performerKey } from '../../core/model/performer';
import { withoutClips } from '../../core/model/removed-clips';
import type { Session } from '../../core/model/session';
import { clipsShowing } from '../../core/model/withdrawn';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { mediaNamedIn, removeVideos } from '../../storage/media';
import { listSessions } from '../../storage/session-list';
import { edit, setSession, useDocument } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import { openSources } from '../session/session-use-cases';
import { TEXT } from '../../text/application/season';

const clipsOf = (session: Session, { performer, mediaId }: Clip): readonly Clip[] =>
  clipsShowing(session, performerKey(performer), mediaId === null ? [] : [mediaId]);

/**
 * Removes the footage of somebody who no longer consents: all their clips of the open session with what was measured on
 * them, and the videos for good. It cannot be undone, which is its sense.
 * @returns the other sessions that still know of that person
 */
export async function withdrawConsent(clip: Clip): Promise<Result<readonly string[], Issue<'refused'>>> {
  const { session } = useDocument.getState();
  const gone = session ? clipsOf(session, clip) : [];
  const without = session && withoutClips(session, new Set(gone.map(({ id }) => id)));
  if (!without || !edit((now) => void Object.assign(now, without))) return fail('refused', TEXT.nothingWasRemoved);
  await whenStored();
  // An empty history: no step back brings it onto the bench again.
  setSession(useDocument.getState().session);
  await openSources();
  const media = mediaNamedIn({ clips: gone });
  await removeVideos(media);
  const key = performerKey(clip.performer);
  const others = (await listSessions()).filter(
    ({ id, damage, performerKeys, media: named }) =>
      id !== session.id &&
      damage === null &&
      (performerKeys.includes(key) || (clip.mediaId !== null && named.includes(clip.mediaId))),
  );
  return ok(others.map(({ name }) => name));
}
