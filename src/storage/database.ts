import Dexie, { type EntityTable } from 'dexie';
import type { MarkerMap } from '../core/tracks/marker-map';
import type { Session } from '../core/model/session';
import { partsOf, withoutParts, type Part, type PartPath } from './session-parts';

/** A session without its samples, which are parts of their own. */
export interface StoredSession {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  readonly document: Session;
}

/** One part of a session's samples. */
export interface StoredPart extends Part {
  /** The session's id and the path, as one text. */
  readonly key: string;
  readonly session: string;
}

/** What is listed of a session, so that a list opens no document. */
export interface StoredSummary {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  /** The day it was filmed. */
  readonly on: string;
  readonly movementId: string;
  /** Of a movement of the session's own; null for one that ships. */
  readonly movementName: string | null;
  readonly performers: readonly string[];
  /** Bytes of the session, about: points and notes, without videos. */
  readonly bytes: number;
}

/** Video bytes in a table of their own, so that listing sessions never touches them; Blobs are read lazily. */
export interface StoredMedia {
  readonly id: string;
  readonly fileName: string;
  readonly blob: Blob;
}

/** Which markers make which points, for a set of markers that was used before. */
export interface StoredMarkerMap {
  readonly id: string;
  readonly map: MarkerMap;
}

const NAME = 'proud-falcon';
/** Version of the tables; a browser counts ten for each. */
const VERSION = 3;

export const partKey = (session: string, path: PartPath): string => JSON.stringify([session, ...path]);
export const storedPart = (session: string, { path, value }: Part): StoredPart => ({
  key: partKey(session, path),
  session,
  path,
  value,
});

export class FalconDatabase extends Dexie {
  declare sessions: EntityTable<StoredSession, 'id'>;
  declare parts: EntityTable<StoredPart, 'key'>;
  declare summaries: EntityTable<StoredSummary, 'id'>;
  declare media: EntityTable<StoredMedia, 'id'>;
  declare markerMaps: EntityTable<StoredMarkerMap, 'id'>;

  constructor(name = NAME) {
    super(name);
    this.version(1).stores({ sessions: 'id, updatedAt', media: 'id' });
    this.version(2).stores({ markerMaps: 'id' });
    // Samples lay in the documents; summaries are made when the sessions are listed.
    this.version(VERSION)
      .stores({ parts: 'key, session', summaries: 'id' })
      .upgrade(async (transaction) => {
        const all = await transaction.table<StoredSession>('sessions').toCollection().primaryKeys();
        for (const id of all) {
          const row = (await transaction.table<StoredSession>('sessions').get(id))!;
          const parts = partsOf(row.document).map((part) => storedPart(row.id, part));
          if (parts.length === 0) continue;
          await transaction.table<StoredPart>('parts').bulkPut(parts);
          await transaction.table('sessions').put({ ...row, document: withoutParts(row.document) });
        }
      });
  }
}

export const database = new FalconDatabase();

/** Whether a newer version of the application has made the tables of this browser; they are not touched by asking. */
export async function isNewer(): Promise<boolean> {
  const all = (await indexedDB.databases?.().catch(() => [])) ?? [];
  return all.some(({ name, version = 0 }) => name === NAME && version > 10 * VERSION);
}
