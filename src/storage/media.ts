import { ok, type Result } from '../core/result';
import { database } from './database';
import { storageIssue, type StorageIssue } from './storage-issue';
import { TEXT } from '../text/storage';

/** The values of some properties of every item of what should be a list. */
function valuesIn(list: unknown, names: readonly string[]): readonly unknown[] {
  if (!Array.isArray(list)) return [];
  return (list as unknown[]).flatMap((item) => names.map((name) => (item as Record<string, unknown> | null)?.[name]));
}

/**
 * The media that a document names: videos with their work copies, what was recorded while talking, voice notes; of a
 * damaged one as far as it can be told.
 */
export function mediaNamedIn(document: unknown): readonly string[] {
  const { clips, talk, notes } = (document ?? {}) as { clips?: unknown; talk?: unknown; notes?: unknown };
  const parts = valuesIn(talk, ['parts']).flatMap((list) => valuesIn(list, ['pictures', 'sound']));
  const voices = valuesIn(valuesIn(notes, ['voice']), ['mediaId']);
  return [...valuesIn(clips, ['mediaId', 'workMediaId']), ...parts, ...voices].filter((id) => typeof id === 'string');
}

/** Videos that this window has stored and no stored session has named yet: whoever stored them is about to. */
const underway = new Set<string>();

export async function storeMedia(id: string, fileName: string, blob: Blob): Promise<Result<null, StorageIssue>> {
  underway.add(id);
  try {
    await database.media.put({ id, fileName, blob });
    return ok(null);
  } catch (error) {
    return storageIssue(error, TEXT.videoFileName(fileName));
  }
}

/** A stored session names these now. */
export const nameMedia = (ids: readonly string[]): void => ids.forEach((id) => underway.delete(id));

/** Knows nothing of what is under way, like a window that was just opened. */
export const forgetUnderway = (): void => underway.clear();

export const loadVideo = (id: string): Promise<{ readonly fileName: string; readonly blob: Blob } | undefined> =>
  database.media.get(id);

export async function loadMedia(id: string): Promise<Blob | undefined> {
  return (await loadVideo(id))?.blob;
}

/** A video as it is stored, and which sessions show it. */
export interface KeptVideo {
  readonly id: string;
  readonly fileName: string;
  readonly bytes: number;
  readonly sessions: readonly string[];
}

/** What each session names; a document is read only where there is no summary of it. */
export async function namedBySessions(): Promise<ReadonlyMap<string, readonly string[]>> {
  const [ids, summaries] = await Promise.all([
    database.sessions.toCollection().primaryKeys(),
    database.summaries.toArray(),
  ]);
  const named = new Map(summaries.map(({ id, media }) => [id, media]));
  const all = ids.map(async (id): Promise<readonly [string, readonly string[]]> => [
    id,
    named.get(id) ?? mediaNamedIn((await database.sessions.get(id))?.document),
  ]);
  return new Map(await Promise.all(all));
}

/** Every stored video with the ids of the sessions that name it. */
export async function keptVideos(): Promise<readonly KeptVideo[]> {
  const users = new Map<string, Set<string>>();
  for (const [id, named] of await namedBySessions())
    for (const media of named) users.set(media, (users.get(media) ?? new Set()).add(id));
  return (await database.media.toArray()).map(({ id, fileName, blob }) => ({
    id,
    fileName,
    bytes: blob.size,
    sessions: [...(users.get(id) ?? [])],
  }));
}

/**
 * Removes every video that no session names: what was replaced, what a session that is gone has left.
 * @param keep ids that something outside the database still names (a history that can be undone)
 * @returns the bytes that were removed
 */
export async function sweepVideos(keep: ReadonlySet<string> = new Set()): Promise<number> {
  return database.transaction('rw', database.sessions, database.summaries, database.media, async () => {
    const loose = (await keptVideos()).filter(
      ({ id, sessions }) => sessions.length === 0 && !keep.has(id) && !underway.has(id),
    );
    await database.media.bulkDelete(loose.map(({ id }) => id));
    return loose.reduce((sum, { bytes }) => sum + bytes, 0);
  });
}

/** Removes videos whoever names them. */
export const removeVideos = (ids: readonly string[]): Promise<void> => database.media.bulkDelete([...ids]);
