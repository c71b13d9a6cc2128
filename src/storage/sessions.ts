import { checkSession, repairSession } from '../core/model/check-session';
import type { Session } from '../core/model/session';
import { encodeSamples } from '../formats/session-json/samples';
import { fail, ok, type Result } from '../core/result';
import { listSessions } from './session-list';
import { joined } from './stored-row';
import { database, partKey, storedPart, type StoredSession } from './database';
import { mediaNamedIn, namedBySessions, nameMedia, forgetUnderway } from './media';
import { summaryOf, textOr } from './session-summary';
import { changedParts, withoutParts } from './session-parts';
import { storageIssue, type StorageIssue } from './storage-issue';
import { changesSince, forgetLeft, leaveBehind, leftBehind, withLeftChanges, type StoredVersion } from './left-changes';
import { TEXT } from '../text/storage';

/** In one transaction: another window may be storing it. */
const rowOf = (id: string): Promise<StoredSession | undefined> =>
  database.transaction('r', TABLES, async () => {
    const row = await database.sessions.get(id);
    return row && joined(row);
  });

/** What a session is made of. */
const TABLES = [database.sessions, database.parts, database.summaries];

/** The documents of rows that cannot be opened, as they are. */
export async function damagedDocuments(): Promise<readonly unknown[]> {
  const damaged = (await listSessions()).filter(({ damage }) => damage !== null);
  return Promise.all(damaged.map(async ({ id }) => (await database.sessions.get(id))?.document));
}

/** What a row holds, as text, readable or not. */
export async function rawSession(id: string): Promise<{ readonly name: string; readonly text: string } | null> {
  const stored = await rowOf(id);
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
  const stored = await rowOf(id);
  if (!stored) return notFound(id);
  const repaired = repairSession(stored.document, { id: crypto.randomUUID(), now });
  if (!repaired) return fail('damaged', TEXT.nothingOfCanBeOpened(textOr(stored.name, id)));
  const { session, dropped } = repaired;
  const saved = await saveSession(session, now, { over: true });
  if (!saved.ok) return saved;
  if (session.id !== id) await database.transaction('rw', TABLES, () => removeRows(id));
  forgetLeft(id);
  return ok({ id: session.id, dropped });
}

/**
 * For each open session the versions that the database may hold: the one last stored, and one that is being written.
 */
const versions = new Map<string, readonly StoredVersion[]>();

const notFound = (id: string): { readonly ok: false; readonly issue: StorageIssue } =>
  fail('not-found', TEXT.thereIsNoSession(id));

/** A row as a session, or why it is none. */
async function readRow(id: string): Promise<Result<StoredVersion, StorageIssue>> {
  const stored = await rowOf(id);
  if (!stored) return notFound(id);
  const name = textOr(stored.name, id);
  const version: unknown = (stored.document as { schemaVersion?: unknown } | undefined)?.schemaVersion;
  if (typeof version === 'number' && version > 1) return fail('newer', TEXT.sessionWasSavedByNewer(name, version));
  const checked = checkSession(stored.document);
  if (!checked.ok) return fail('damaged', TEXT.sessionCannotBeOpened(name, checked.issue.message));
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
 * @param alone no other window can have written it: what is stored need not be looked at
 */
export async function saveSession(
  session: Session,
  updatedAt: string,
  { over = false, alone = false }: { readonly over?: boolean; readonly alone?: boolean } = {},
): Promise<Result<null, StorageIssue>> {
  const version: StoredVersion = { updatedAt, session };
  const before = over ? [] : (versions.get(session.id) ?? []);
  versions.set(session.id, [...before, version]);
  const opened = database.isOpen() ? database.backendDB() : null;
  try {
    if (alone && opened && before.length === 1) {
      if (!(await putAtOnce(opened, version, before[0]!.session))) {
        // Deleted by another window in the moment before: a part of it must not come back.
        await database.transaction('rw', TABLES, () => removeRows(session.id));
        throw new Overtaken('deleted');
      }
    } else
      await database.transaction('rw', TABLES, async () => {
        const row = over ? undefined : await database.sessions.get(session.id);
        if (before.length > 0 && !row) throw new Overtaken('deleted');
        const follows = before.find((known) => known.updatedAt === row?.updatedAt);
        if (row && !follows) throw new Overtaken('changed');
        await put(version, follows?.session ?? null);
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
          ? TEXT.sessionWasDeletedInAnother(session.name)
          : TEXT.sessionWasChangedInAnother(session.name),
      );
    return storageIssue(error, TEXT.changes(session.name));
  }
}

/**
 * Puts a session in place of the version that is known to be stored. All of it is asked for in one go, without a turn
 * of the page in between: one that draws for long, or is ended, in the next moment has stored it already.
 * @returns whether there was a session to put it in place of; another window may just have deleted it
 */
function putAtOnce(database: IDBDatabase, { session, updatedAt }: StoredVersion, before: Session): Promise<boolean> {
  const { put, remove } = changedParts(before, session);
  const transaction = database.transaction(
    TABLES.map(({ name }) => name),
    'readwrite',
  );
  const [sessions, parts, summaries] = TABLES.map(({ name }) => transaction.objectStore(name));
  const stored = sessions!.getKey(session.id);
  const done = new Promise<boolean>((resolve, reject) => {
    transaction.oncomplete = () => resolve(stored.result !== undefined);
    transaction.onabort = () => reject(transaction.error ?? new Error(TEXT.databaseGaveItUp));
  });
  try {
    for (const path of remove) parts!.delete(partKey(session.id, path));
    for (const part of put) parts!.put(storedPart(session.id, part));
    summaries!.put(summaryOf(session, updatedAt));
    sessions!.put({ id: session.id, name: session.name, updatedAt, document: withoutParts(session) });
    transaction.commit();
  } catch (error) {
    transaction.abort();
    done.catch(() => undefined);
    throw error;
  }
  return done;
}

/** Puts a session in place of the version that is stored, or of whatever is. */
async function put(version: StoredVersion, before: Session | null): Promise<void> {
  const { session, updatedAt } = version;
  const { put, remove } = changedParts(before, session);
  if (!before) await database.parts.where('session').equals(session.id).delete();
  await database.parts.bulkDelete(remove.map((path) => partKey(session.id, path)));
  await database.parts.bulkPut(put.map((part) => storedPart(session.id, part)));
  await database.summaries.put(summaryOf(session, updatedAt));
  await database.sessions.put({ id: session.id, name: session.name, updatedAt, document: withoutParts(session) });
}

async function removeRows(id: string): Promise<void> {
  await database.parts.where('session').equals(id).delete();
  await database.summaries.delete(id);
  await database.sessions.delete(id);
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
  await database.transaction('rw', [...TABLES, database.media], async () => {
    const own = mediaNamedIn((await database.sessions.get(id))?.document);
    await removeRows(id);
    const used = new Set([...(await namedBySessions()).values()].flat());
    await database.media.bulkDelete(own.filter((mediaId) => !used.has(mediaId)));
  });
  versions.delete(id);
  forgetLeft(id);
}
