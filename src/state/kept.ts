import { fail, ok, type Issue, type Result } from '../core/result';
import {
  documentSizes,
  forgetMarkerMaps,
  keptMarkerMaps,
  keptVideos,
  removeVideos,
  sweepVideos,
  type KeptVideo,
} from '../storage/kept';
import { listSessions, loadSession, type StorageIssue } from '../storage/sessions';
import type { Clip } from '../core/model/clip';
import type { Session } from '../core/model/session';
import { download } from './download';
import { edit, setSession, settled, useDocument } from './document-store';
import { sessionArchive } from './session-files';
import { openSources } from './session-use-cases';
import { otherWindows } from './windows';

export { forgetMarkerMaps };
export { isNewer as dataAreNewer } from '../storage/database';
export { missingFeatures } from '../media/browser-features';

export interface KeptSession {
  readonly id: string;
  readonly name: string;
  readonly bytes: number;
  readonly videos: readonly KeptVideo[];
}

/** All that this browser holds of the application. */
export interface Kept {
  readonly sessions: readonly KeptSession[];
  /** Videos that no session shows any more. */
  readonly loose: readonly KeptVideo[];
  readonly markerMaps: number;
  /** Bytes in use and at most, as the browser says; null where it does not. */
  readonly usage: number | null;
  readonly quota: number | null;
  /** Whether the browser has promised not to clear it by itself. */
  readonly persisted: boolean;
}

export async function whatIsKept(): Promise<Kept> {
  await settled();
  const [sessions, videos, sizes, markerMaps, estimate, persisted] = await Promise.all([
    listSessions(),
    keptVideos(),
    documentSizes(),
    keptMarkerMaps(),
    navigator.storage?.estimate().catch(() => undefined),
    navigator.storage?.persisted().catch(() => false),
  ]);
  return {
    sessions: sessions.map(({ id, name }) => ({
      id,
      name,
      bytes: sizes.get(id) ?? 0,
      videos: videos.filter((video) => video.sessions.includes(id)),
    })),
    loose: videos.filter((video) => video.sessions.length === 0),
    markerMaps,
    usage: estimate?.usage ?? null,
    quota: estimate?.quota ?? null,
    persisted: persisted ?? false,
  };
}

/** Asks the browser not to clear what is kept when it runs short. */
export const askToPersist = async (): Promise<boolean> =>
  (await navigator.storage?.persist().catch(() => false)) ?? false;

/** Videos that a step back could bring onto the bench again. */
function inHistory(): ReadonlySet<string> {
  const { pastStates, futureStates } = useDocument.temporal.getState();
  const sessions = [useDocument.getState(), ...pastStates, ...futureStates].map((state) => state.session);
  return new Set(
    sessions.flatMap((session) =>
      (session?.clips ?? []).flatMap((clip) => [clip.mediaId, clip.workMediaId].filter((id) => id !== null)),
    ),
  );
}

/** Removes videos that nothing names; another window may still undo to one, so that it is left to a time without others. */
export async function sweep(): Promise<number> {
  if (await otherWindows()) return 0;
  await settled();
  return sweepVideos(inHistory());
}

/** Hands out a stored session with its videos. */
export async function backUp(id: string): Promise<Result<null, StorageIssue | Issue<'cancelled'>>> {
  const loaded = await loadSession(id);
  if (!loaded.ok) return loaded;
  const archive = await sessionArchive(loaded.value);
  if (!archive.ok) return archive;
  download(`${loaded.value.name}.falcon.zip`, 'application/zip', archive.value);
  return ok(null);
}

/** A session without some clips and all that was measured on them. */
export function withoutClips(session: Session, gone: ReadonlySet<string>): Session {
  const rest = <T>(record: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(record).filter(([id]) => !gone.has(id)));
  return {
    ...session,
    clips: session.clips.filter(({ id }) => !gone.has(id)),
    tracks: rest(session.tracks),
    spatial: rest(session.spatial),
    marks: rest(session.marks),
    repetitions: rest(session.repetitions),
    checks: rest(session.checks),
    digitisings: session.digitisings.filter(({ clipId }) => !gone.has(clipId)),
    notes: session.notes.filter(({ clipId }) => !gone.has(clipId)),
    drawings: session.drawings.filter(({ clipId }) => !gone.has(clipId)),
  };
}

/**
 * Removes the footage of somebody who no longer consents: the video, its copies, its clips in the open session with all that was measured on them. It
 * cannot be undone, which is its sense.
 * @returns the other sessions in which points measured on that video are left
 */
export async function withdrawConsent(clip: Clip): Promise<Result<readonly string[], Issue<'follower' | 'not-open'>>> {
  const { session } = useDocument.getState();
  if (!session) return fail('not-open', 'No session is open.');
  const same = session.clips.filter(
    ({ id, mediaId }) => id === clip.id || (mediaId !== null && mediaId === clip.mediaId),
  );
  const ids = new Set(same.map(({ id }) => id));
  // Further cameras of the same performance show the same person.
  for (const { id, joined } of session.clips) if (joined && ids.has(joined.to)) ids.add(id);
  const media = session.clips
    .flatMap((c) => (ids.has(c.id) ? [c.mediaId, c.workMediaId] : []))
    .filter((id) => id !== null);
  const without = withoutClips(session, ids);
  if (!edit((now) => void Object.assign(now, without))) return fail('follower', 'Nothing was removed.');
  await settled();
  // An empty history: no step back brings it onto the bench again.
  setSession(useDocument.getState().session);
  await openSources();
  const elsewhere = (await keptVideos()).filter(({ id }) => media.includes(id)).flatMap(({ sessions }) => sessions);
  await removeVideos(media);
  const names = new Map((await listSessions()).map(({ id, name }) => [id, name]));
  return ok([...new Set(elsewhere)].filter((id) => id !== session.id).map((id) => names.get(id) ?? id));
}
