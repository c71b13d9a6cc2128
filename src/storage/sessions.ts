import { sessionSchema, type Session } from '../core/model/session';
import { fail, ok, type Issue, type Result } from '../core/result';
import { database } from './database';

export interface SessionSummary {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  readonly performers: readonly string[];
}

export type StorageIssue = Issue<'not-found' | 'damaged' | 'storage-full' | 'storage-failed'>;

function storageIssue(error: unknown): { readonly ok: false; readonly issue: StorageIssue } {
  const name = error instanceof Error ? error.name : '';
  const detail = error instanceof Error ? error.message : String(error);
  return name === 'QuotaExceededError'
    ? fail('storage-full', 'The browser has no room left for this. Delete a session that is no longer needed, then try again.')
    : fail('storage-failed', `The browser could not store this (${detail}). Export the session, then reload the page.`);
}

export async function listSessions(): Promise<readonly SessionSummary[]> {
  const all = await database.sessions.orderBy('updatedAt').reverse().toArray();
  return all.map(({ id, name, updatedAt, document }) => ({
    id,
    name,
    updatedAt,
    performers: document.clips.map((clip) => clip.performer.name),
  }));
}

export async function loadSession(id: string): Promise<Result<Session, StorageIssue>> {
  const stored = await database.sessions.get(id);
  if (!stored) return fail('not-found', `There is no session \u201c${id}\u201d in this browser. Choose one from the list.`);
  const checked = sessionSchema.safeParse(stored.document);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return fail('damaged', `The session \u201c${stored.name}\u201d cannot be opened: ${first.path.join('.')}: ${first.message}`);
  }
  return ok(checked.data);
}

export async function saveSession(session: Session, updatedAt: string): Promise<Result<null, StorageIssue>> {
  try {
    await database.sessions.put({ id: session.id, name: session.name, updatedAt, document: session });
    return ok(null);
  } catch (error) {
    return storageIssue(error);
  }
}

/** Videos of a session, work copies included. */
const mediaOf = (session: Session): readonly string[] => session.clips.flatMap((c) => [c.mediaId, c.workMediaId].filter((id) => id !== null));

/** Deletes a session and the video bytes that only it uses. */
export async function deleteSession(id: string): Promise<void> {
  await database.transaction('rw', database.sessions, database.media, async () => {
    const stored = await database.sessions.get(id);
    await database.sessions.delete(id);
    const used = new Set((await database.sessions.toArray()).flatMap((s) => mediaOf(s.document)));
    const own = stored ? mediaOf(stored.document) : [];
    await database.media.bulkDelete(own.filter((mediaId) => !used.has(mediaId)));
  });
}

export async function storeMedia(id: string, fileName: string, blob: Blob): Promise<Result<null, StorageIssue>> {
  try {
    await database.media.put({ id, fileName, blob });
    return ok(null);
  } catch (error) {
    return storageIssue(error);
  }
}

export async function loadMedia(id: string): Promise<Blob | undefined> {
  return (await database.media.get(id))?.blob;
}
