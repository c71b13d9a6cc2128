import { rawSession, repairStored, type Repaired } from '../../storage/sessions';
import type { StorageIssue } from '../../storage/storage-issue';
import type { Result } from '../../core/result';
import { download } from '../files/download';
import { TEXT } from '../../text/application/keeping';

export type { Repaired };

/** Saves a session that cannot be opened as the browser holds it, so that nothing of it is lost. */
export async function saveRaw(id: string): Promise<void> {
  const raw = await rawSession(id);
  if (raw) download(TEXT.nameAsStoredJson(raw.name), 'application/json', raw.text);
}

/** Makes a session that cannot be opened one that can; what was left out is named. */
export const repair = (id: string): Promise<Result<Repaired, StorageIssue>> =>
  repairStored(id, new Date().toISOString());
