import { dayOf, sessionSchema, type Session } from '../core/model/session';
import { fail, ok, type Issue, type Result } from '../core/result';
import { database } from './database';
import { changesSince, forgetLeft, leaveBehind, leftBehind, withLeftChanges, type StoredVersion } from './left-changes';

export interface SessionSummary {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  /** The day it was filmed. */
  readonly on: string;
  readonly movementId: string;
  /** Of a movement of the session's own; null for one that ships. */
  readonly movementName: string | null;
  readonly performers: readonly string[];
}

export type StorageIssue = Issue<'not-found' | 'damaged' | 'storage-full' | 'storage-failed'>;

function storageIssue(error: unknown): { readonly ok: false; readonly issue: StorageIssue } {
  const name = error instanceof Error ? error.name : '';
  const detail = error instanceof Error ? error.message : String(error);
  return name === 'QuotaExceededError'
    ? fail(
        'storage-full',
        'The browser has no room left for this. Delete a session that is no longer needed, then try again.',
      )
    : fail('storage-failed', `The browser could not store this (${detail}). Export the session, then reload the page.`);
}

export async function listSessions(): Promise<readonly SessionSummary[]> {
  const all = await database.sessions.orderBy('updatedAt').reverse().toArray();
  return all.map(({ id, name, updatedAt, document }) => ({
    id,
    name,
    updatedAt,
    on: document ? dayOf(document) : '',
    movementId: document?.movementId ?? '',
    movementName: document?.ownMovement?.name ?? null,
    // A row that is damaged is still a row: it must not hide the others.
    performers: (document?.clips ?? []).flatMap((clip) => clip?.performer?.name ?? []),
  }));
}

/** Every session that can be read, the one changed last first. */
export async function allStoredSessions(): Promise<readonly StoredVersion[]> {
  const all = await database.sessions.orderBy('updatedAt').reverse().toArray();
  return all.flatMap(({ document, updatedAt }) => {
    const checked = sessionSchema.safeParse(document);
    return checked.success ? [{ updatedAt, session: checked.data }] : [];
  });
}

/** For each open session the versions that the database may hold: the one last stored, and one that is being written. */
const versions = new Map<string, readonly StoredVersion[]>();

export async function loadSession(id: string): Promise<Result<Session, StorageIssue>> {
  const stored = await database.sessions.get(id);
  if (!stored)
    return fail('not-found', `There is no session \u201c${id}\u201d in this browser. Choose one from the list.`);
  const checked = sessionSchema.safeParse(stored.document);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return fail(
      'damaged',
      `The session \u201c${stored.name}\u201d cannot be opened: ${first.path.join('.')}: ${first.message}`,
    );
  }
  const version: StoredVersion = { updatedAt: stored.updatedAt, session: checked.data };
  versions.set(id, [version]);
  const left = sessionSchema.safeParse(withLeftChanges(version, leftBehind(id)));
  // Changes that do not make a session are of an older version of the program: the stored one is what there is.
  if (!left.success) return ok(checked.data);
  const saved = await saveSession(left.data, new Date().toISOString());
  if (saved.ok) forgetLeft(id);
  return ok(left.data);
}

export async function saveSession(session: Session, updatedAt: string): Promise<Result<null, StorageIssue>> {
  const version: StoredVersion = { updatedAt, session };
  const before = versions.get(session.id) ?? [];
  versions.set(session.id, [...before, version]);
  try {
    await database.sessions.put({ id: session.id, name: session.name, updatedAt, document: session });
    versions.set(session.id, [version]);
    return ok(null);
  } catch (error) {
    versions.set(session.id, before);
    return storageIssue(error);
  }
}

/** Keeps what is not stored yet of a session while the page goes away; it is stored when the session is opened again. */
export function saveLeaving(session: Session): void {
  const held = versions.get(session.id) ?? [];
  if (held.length !== 1 || held[0]!.session !== session) leaveBehind(session.id, changesSince(held, session));
}

/** Videos of a session, work copies included. */
const mediaOf = (session: Session): readonly string[] =>
  session.clips.flatMap((c) => [c.mediaId, c.workMediaId].filter((id) => id !== null));

/** Deletes a session and the video bytes that only it uses. */
export async function deleteSession(id: string): Promise<void> {
  await database.transaction('rw', database.sessions, database.media, async () => {
    const stored = await database.sessions.get(id);
    await database.sessions.delete(id);
    const used = new Set((await database.sessions.toArray()).flatMap((s) => mediaOf(s.document)));
    const own = stored ? mediaOf(stored.document) : [];
    await database.media.bulkDelete(own.filter((mediaId) => !used.has(mediaId)));
  });
  forgetLeft(id);
}

export async function storeMedia(id: string, fileName: string, blob: Blob): Promise<Result<null, StorageIssue>> {
  try {
    await database.media.put({ id, fileName, blob });
    return ok(null);
  } catch (error) {
    return storageIssue(error);
  }
}

export const loadVideo = (id: string): Promise<{ readonly fileName: string; readonly blob: Blob } | undefined> =>
  database.media.get(id);

export async function loadMedia(id: string): Promise<Blob | undefined> {
  return (await loadVideo(id))?.blob;
}
