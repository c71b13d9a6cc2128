import type { Session } from '../../core/model/session';
import { ok, type Issue, type Result } from '../../core/result';
import { repairSessionJson, sessionJson, type SessionJsonIssue } from '../session-json/session-json';
import { isArchive } from './is-archive';
import { readSessionArchive, type SessionArchive, type SessionArchiveIssue } from './session-archive';

/** What a saved session holds, and what of it could not be read and was left out. */
export interface SessionFile extends SessionArchive {
  readonly dropped: readonly string[];
}

/** An id and a time for what has none. */
export interface Fresh {
  readonly id: string;
  readonly now: string;
}

/**
 * Reads a saved session, with its videos or without.
 * @param repair leaves out what cannot be read in place of refusing the file; null refuses it
 */
export async function readSessionFile(
  file: File,
  repair: Fresh | null,
): Promise<Result<SessionFile, Issue<SessionArchiveIssue>>> {
  let dropped: readonly string[] = [];
  const document = (text: string, name: string): Result<Session, Issue<SessionJsonIssue>> => {
    if (!repair) return sessionJson.read(text, name);
    const repaired = repairSessionJson(text, name, repair);
    if (!repaired.ok) return repaired;
    dropped = repaired.value.dropped;
    return ok(repaired.value.session);
  };
  if (await isArchive(file)) {
    const read = await readSessionArchive(file, file.name, document);
    return read.ok ? ok({ ...read.value, dropped: [...dropped, ...read.value.damaged] }) : read;
  }
  const session = document(await file.text(), file.name);
  return session.ok ? ok({ session: session.value, videos: new Map(), damaged: [], dropped }) : session;
}
