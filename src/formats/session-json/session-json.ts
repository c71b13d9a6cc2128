import { fail, ok, type Issue, type Result } from '../../core/result';
import { checkSession, repairSession } from '../../core/model/check-session';
import type { Session } from '../../core/model/session';
import type { FormatReader, FormatWriter } from '../format';
import { decodeSamples, encodeSamples } from './samples';
import { TEXT } from '../../text/formats/files';

export type SessionJsonIssue = 'not-json' | 'not-a-session' | 'wrong-version' | 'invalid-session';

const HEADER = 'proud-falcon-session';

/** The session's part of a file, whatever is in it. */
function documentOf(text: string, fileName: string): Result<unknown, Issue<SessionJsonIssue>> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text, decodeSamples);
  } catch (error) {
    return fail(
      'not-json',
      TEXT.isNotValidJsonExport(fileName, error instanceof Error ? error.message : String(error)),
    );
  }
  if (typeof parsed !== 'object' || parsed === null || (parsed as { format?: unknown }).format !== HEADER) {
    return fail('not-a-session', TEXT.isNotSessionFileIts(fileName, HEADER));
  }
  const { session } = parsed as { session?: { schemaVersion?: unknown } };
  if (session?.schemaVersion !== 1) {
    return fail(
      'wrong-version',
      TEXT.hasSessionVersionThisApplication(fileName, JSON.stringify(session?.schemaVersion)),
    );
  }
  return ok(session);
}

function read(text: string, fileName: string): Result<Session, Issue<SessionJsonIssue>> {
  const document = documentOf(text, fileName);
  if (!document.ok) return document;
  const checked = checkSession(document.value);
  return checked.ok ? ok(checked.value) : fail('invalid-session', `\u201c${fileName}\u201d: ${checked.issue.message}`);
}

/**
 * Reads what can be read of a session file that is damaged, and names what was left out.
 * @param fresh an id and a time for what has none
 */
export function repairSessionJson(
  text: string,
  fileName: string,
  fresh: { readonly id: string; readonly now: string },
): Result<{ readonly session: Session; readonly dropped: readonly string[] }, Issue<SessionJsonIssue>> {
  const document = documentOf(text, fileName);
  if (!document.ok) return document;
  const repaired = repairSession(document.value, fresh);
  return repaired ? ok(repaired) : fail('invalid-session', TEXT.nothingOfItCan(fileName));
}

/** A session as text: everything but the video bytes. */
export const sessionJson: FormatReader<Session, SessionJsonIssue> & FormatWriter<Session> = {
  id: 'session-json',
  name: 'Session',
  extension: 'falcon.json',
  sniff: (text) => text.slice(0, 200).includes(`"${HEADER}"`),
  read,
  write: (session) => `${JSON.stringify({ format: HEADER, session }, encodeSamples)}\n`,
};
