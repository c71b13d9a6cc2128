import { checkSession, repairSession } from '../core/model/check-session';
import { dayOf, type Session } from '../core/model/session';
import { encodeSamples } from '../formats/session-json/samples';
import { fail, ok, type Result } from '../core/result';
import { database, type StoredSession } from './database';
import { mediaNamedIn, nameMedia, forgetUnderway } from './media';
import { storageIssue, type StorageIssue } from './storage-issue';
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
  /** Why it cannot be opened as it is; null for one that can. */
  readonly damage: string | null;
  /** Bytes of the document, about: points and notes, without videos. */
  readonly bytes: number;
}

/** Rows with the latest change first; one that has lost its time stands last and is not left out, as an index would. */
async function rows(): Promise<readonly StoredSession[]> {
  const all = await database.sessions.toArray();
  return all.sort((a, b) => String(b.updatedAt ?? '').localeCompare(String(a.updatedAt ?? '')));
}

const textOr = (value: unknown, other: string): string => (typeof value === 'string' ? value : other);

/** Bytes that a value takes, about. */
function sizeOf(value: unknown): number {
  if (ArrayBuffer.isView(value)) return value.byteLength;
  if (typeof value === 'string') return 2 * value.length;
  if (typeof value !== 'object' || value === null) return 8;
  return Object.entries(value).reduce((sum, [key, part]) => sum + 2 * key.length + sizeOf(part), 0);
}

/** A row as it is listed, whatever is in it: one that is damaged must not hide the others. */
function summaryOf({ id, name, updatedAt, document }: StoredSession): SessionSummary {
  const checked = checkSession(document);
  const row = {
    id,
    name: textOr(name, 'A session without a name'),
    updatedAt: textOr(updatedAt, ''),
    bytes: sizeOf(document),
  };
  if (!checked.ok)
    return { ...row, on: '', movementId: '', movementName: null, performers: [], damage: checked.issue.message };
  const session = checked.value;
  return {
    ...row,
    on: dayOf(session),
    movementId: session.movementId,
    movementName: session.ownMovement?.name ?? null,
    performers: session.clips.map((clip) => clip.performer.name),
    damage: null,
  };
}

export async function listSessions(): Promise<readonly SessionSummary[]> {
  return (await rows()).map(summaryOf);
}

/** Every session that can be read, the one changed last first. */
export async function allStoredSessions(): Promise<readonly StoredVersion[]> {
  return (await rows()).flatMap(({ document, updatedAt }) => {
    const checked = checkSession(document);
    return checked.ok ? [{ updatedAt, session: checked.value }] : [];
  });
}

/** What a row holds, as text, readable or not. */
export async function rawSession(id: string): Promise<{ readonly name: string; readonly text: string } | null> {
  const stored = await database.sessions.get(id);
  return stored
    ? { name: textOr(stored.name, 'session'), text: `${JSON.stringify(stored, encodeSamples, 1)}\n` }
    : null;
}

export interface Repaired {
  readonly id: string;
  readonly dropped: readonly string[];
}

/** Makes a damaged row one that opens; what cannot be read is left out and named. */
export async function repairStored(id: string, now: string): Promise<Result<Repaired, StorageIssue>> {
  const stored = await database.sessions.get(id);
  if (!stored) return notFound(id);
  const repaired = repairSession(stored.document, { id: crypto.randomUUID(), now });
  if (!repaired)
    return fail(
      'damaged',
      `Nothing of \u201c${textOr(stored.name, id)}\u201d can be opened. Save it as it is and keep the file; then delete it here.`,
    );
  const { session, dropped } = repaired;
  const saved = await saveSession(session, now, { over: true });
  if (!saved.ok) return saved;
  if (session.id !== id) await database.sessions.delete(id);
  forgetLeft(id);
  return ok({ id: session.id, dropped });
}

/**
 * For each open session the versions that the database may hold: the one last stored, and one that is being written.
 */
const versions = new Map<string, readonly StoredVersion[]>();

const notFound = (id: string): { readonly ok: false; readonly issue: StorageIssue } =>
  fail('not-found', `There is no session \u201c${id}\u201d in this browser. Choose one from the list.`);

/** A row as a session, or why it is none. */
async function readRow(id: string): Promise<Result<StoredVersion, StorageIssue>> {
  const stored = await database.sessions.get(id);
  if (!stored) return notFound(id);
  const name = textOr(stored.name, id);
  const version: unknown = (stored.document as { schemaVersion?: unknown } | undefined)?.schemaVersion;
  if (typeof version === 'number' && version > 1)
    return fail(
      'newer',
      `The session \u201c${name}\u201d was saved by a newer version of the application (${version}; this one reads 1). Update the application; it stays here as it is.`,
    );
  const checked = checkSession(stored.document);
  if (!checked.ok)
    return fail('damaged', `The session \u201c${name}\u201d cannot be opened as it is: ${checked.issue.message}`);
  return ok({ updatedAt: stored.updatedAt, session: checked.value });
}

/** A session as it is stored, to look at it: what this window has open does not follow it. */
export async function readSession(id: string): Promise<Result<Session, StorageIssue>> {
  const read = await readRow(id);
  return read.ok ? ok(read.value.session) : read;
}

/** A session to work on: saves follow what is read here, and what was left behind when its page went away is in it. */
export async function loadSession(id: string): Promise<Result<Session, StorageIssue>> {
  const read = await readRow(id);
  if (!read.ok) return read;
  versions.set(id, [read.value]);
  const left = checkSession(withLeftChanges(read.value, leftBehind(id)));
  // Changes that do not make a session are of an older version of the program: the stored one is what there is.
  if (!left.ok) return ok(read.value.session);
  const saved = await saveSession(left.value, new Date().toISOString());
  if (saved.ok) forgetLeft(id);
  return ok(left.value);
}

/** What a save found in place of the version it was to follow. */
class Overtaken extends Error {
  constructor(readonly how: 'changed' | 'deleted') {
    super(how);
  }
}

/**
 * Stores a session. A save that does not follow what is stored, since another window has written or deleted it, is
 * refused and changes nothing.
 * @param over puts it there whatever is stored
 */
export async function saveSession(
  session: Session,
  updatedAt: string,
  { over = false }: { readonly over?: boolean } = {},
): Promise<Result<null, StorageIssue>> {
  const version: StoredVersion = { updatedAt, session };
  const before = over ? [] : (versions.get(session.id) ?? []);
  versions.set(session.id, [...before, version]);
  try {
    await database.transaction('rw', database.sessions, async () => {
      const row = over ? undefined : await database.sessions.get(session.id);
      if (before.length > 0 && !row) throw new Overtaken('deleted');
      if (row && !before.some((known) => known.updatedAt === row.updatedAt)) throw new Overtaken('changed');
      await database.sessions.put({ id: session.id, name: session.name, updatedAt, document: session });
    });
    versions.set(session.id, [version]);
    nameMedia(mediaNamedIn(session));
    return ok(null);
  } catch (error) {
    versions.set(session.id, before);
    if (error instanceof Overtaken)
      return fail(
        'overtaken',
        error.how === 'deleted'
          ? `The session \u201c${session.name}\u201d was deleted in another window, and is not stored again.`
          : `The session \u201c${session.name}\u201d was changed in another window since; this change is not stored over it.`,
      );
    return storageIssue(error, `the changes of \u201c${session.name}\u201d`);
  }
}

/** Knows nothing of what is stored, like a window that was just opened. */
export function forgetVersions(): void {
  versions.clear();
  forgetUnderway();
}

/**
 * Keeps what is not stored yet of a session while the page goes away; it is stored when the session is opened again.
 */
export function saveLeaving(session: Session): void {
  const held = versions.get(session.id) ?? [];
  if (held.length !== 1 || held[0]!.session !== session) leaveBehind(session.id, changesSince(held, session));
}

/** Deletes a session and the videos that only it names. */
export async function deleteSession(id: string): Promise<void> {
  await database.transaction('rw', database.sessions, database.media, async () => {
    const own = mediaNamedIn((await database.sessions.get(id))?.document);
    await database.sessions.delete(id);
    const used = new Set((await database.sessions.toArray()).flatMap((row) => mediaNamedIn(row.document)));
    await database.media.bulkDelete(own.filter((mediaId) => !used.has(mediaId)));
  });
  versions.delete(id);
  forgetLeft(id);
}
