import { database } from './database';

/** A video as it is stored, and which sessions show it. */
export interface KeptVideo {
  readonly id: string;
  readonly fileName: string;
  readonly bytes: number;
  readonly sessions: readonly string[];
}

/** What names videos in any document, damaged ones among them. */
function namedIn(document: unknown): readonly string[] {
  const clips = (document as { clips?: unknown } | null | undefined)?.clips;
  if (!Array.isArray(clips)) return [];
  return (clips as unknown[]).flatMap((clip) => {
    const { mediaId, workMediaId } = (clip ?? {}) as { mediaId?: unknown; workMediaId?: unknown };
    return [mediaId, workMediaId].filter((id): id is string => typeof id === 'string');
  });
}

/** Every stored video with the ids of the sessions that name it. */
export async function keptVideos(): Promise<readonly KeptVideo[]> {
  const users = new Map<string, Set<string>>();
  await database.sessions.each(({ id, document }) => {
    for (const media of namedIn(document)) users.set(media, (users.get(media) ?? new Set()).add(id));
  });
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
  return database.transaction('rw', database.sessions, database.media, async () => {
    const loose = (await keptVideos()).filter(({ id, sessions }) => sessions.length === 0 && !keep.has(id));
    await database.media.bulkDelete(loose.map(({ id }) => id));
    return loose.reduce((sum, { bytes }) => sum + bytes, 0);
  });
}

/** Removes videos whoever names them. */
export const removeVideos = (ids: readonly string[]): Promise<void> => database.media.bulkDelete([...ids]);

/** How many sets of markers are remembered, and forgetting them. */
export const keptMarkerMaps = (): Promise<number> => database.markerMaps.count();
export const forgetMarkerMaps = (): Promise<void> => database.markerMaps.clear();

/** Bytes of each stored document, about. */
export async function documentSizes(): Promise<ReadonlyMap<string, number>> {
  const sizes = new Map<string, number>();
  await database.sessions.each(({ id, document }) => void sizes.set(id, sizeOf(document)));
  return sizes;
}

function sizeOf(value: unknown): number {
  if (ArrayBuffer.isView(value)) return value.byteLength;
  if (typeof value === 'string') return 2 * value.length;
  if (typeof value !== 'object' || value === null) return 8;
  return Object.entries(value).reduce((sum, [key, part]) => sum + 2 * key.length + sizeOf(part), 0);
}
