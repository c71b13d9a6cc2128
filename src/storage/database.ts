import Dexie, { type EntityTable } from 'dexie';
import type { AthleteStanding } from '../core/coaching/athlete-standing';
import type { Athlete } from '../core/model/athlete';
import type { LibraryEntry, Role, ViewKind } from '../core/model/clip';
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

/** What is listed of one performance of a session. */
export interface StoredTrialSummary {
  readonly clipId: string;
  readonly fileName: string;
  readonly mediaId: string | null;
  readonly role: Role;
  /** Who it is: name and `performerKey`. */
  readonly name: string;
  readonly performer: string;
  readonly view: ViewKind;
  /** Frames per second as the camera took them from the first frame; null where nobody knows. */
  readonly rate: number | null;
  readonly cameras: number;
  readonly library: LibraryEntry | null;
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
  /** What is measured by: the session's own movement, else one that ships. */
  readonly measuredBy: string;
  /** Names of the performers of all clips, and who they are, in the same order. */
  readonly performers: readonly string[];
  readonly performerKeys: readonly string[];
  /** Whom it is about; null where there is no clip of an athlete yet. */
  readonly athlete: string | null;
  /** Every performance in it, by its first camera. */
  readonly trials: readonly StoredTrialSummary[];
  /** Ids of the videos and recordings that it names. */
  readonly media: readonly string[];
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

/** How somebody stands in one movement, made of their sessions as they were stored at those times. */
export interface StoredStanding extends AthleteStanding {
  readonly id: string;
  /** The last picture of them, a data address; null where there is no video. */
  readonly picture: string | null;
}

const NAME = 'proud-falcon';
/** Version of the tables; a browser counts ten for each. */
const VERSION = 4;

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
  declare athletes: EntityTable<Athlete, 'id'>;
  declare standings: EntityTable<StoredStanding, 'id'>;

  constructor(name = NAME) {
    super(name);
    this.version(1).stores({ sessions: 'id, updatedAt', media: 'id' });
    this.version(2).stores({ markerMaps: 'id' });
    // Samples lay in the documents; summaries are made when the sessions are listed.
    this.version(3)
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
    // Summaries tell now whom a session is about; they are made again when the sessions are listed.
    this.version(VERSION)
      .stores({ athletes: 'id', standings: 'id' })
      .upgrade((transaction) => transaction.table('summaries').clear());
  }
}

export const database = new FalconDatabase();

/** Whether a newer version of the application has made the tables of this browser; they are not touched by asking. */
export async function isNewer(): Promise<boolean> {
  const all = (await indexedDB.databases?.().catch(() => [])) ?? [];
  return all.some(({ name, version = 0 }) => name === NAME && version > 10 * VERSION);
}
