import Dexie, { type EntityTable } from 'dexie';
import type { MarkerMap } from '../core/tracks/marker-map';
import type { Session } from '../core/model/session';

export interface StoredSession {
  readonly id: string;
  readonly name: string;
  readonly updatedAt: string;
  readonly document: Session;
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
const VERSION = 2;

export class FalconDatabase extends Dexie {
  declare sessions: EntityTable<StoredSession, 'id'>;
  declare media: EntityTable<StoredMedia, 'id'>;
  declare markerMaps: EntityTable<StoredMarkerMap, 'id'>;

  constructor(name = NAME) {
    super(name);
    this.version(1).stores({ sessions: 'id, updatedAt', media: 'id' });
    this.version(VERSION).stores({ markerMaps: 'id' });
  }
}

export const database = new FalconDatabase();

/** Whether a newer version of the application has made the tables of this browser; they are not touched by asking. */
export async function isNewer(): Promise<boolean> {
  const all = (await indexedDB.databases?.().catch(() => [])) ?? [];
  return all.some(({ name, version = 0 }) => name === NAME && version > 10 * VERSION);
}
