import Dexie, { type EntityTable } from 'dexie';
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

export class FalconDatabase extends Dexie {
  declare sessions: EntityTable<StoredSession, 'id'>;
  declare media: EntityTable<StoredMedia, 'id'>;

  constructor(name = 'proud-falcon') {
    super(name);
    this.version(1).stores({ sessions: 'id, updatedAt', media: 'id' });
  }
}

export const database = new FalconDatabase();
