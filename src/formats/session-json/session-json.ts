import { fail, ok, type Issue, type Result } from '../../core/result';
import { sessionSchema, type Session } from '../../core/model/session';
import type { Format } from '../format';
import { decodeSamples, encodeSamples } from './samples';

export type SessionJsonIssue = 'not-json' | 'not-a-session' | 'wrong-version' | 'invalid-session';

const HEADER = 'proud-falcon-session';

function read(text: string, fileName: string): Result<Session, Issue<SessionJsonIssue>> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text, decodeSamples);
  } catch (error) {
    return fail(
      'not-json',
      `\u201c${fileName}\u201d is not valid JSON (${error instanceof Error ? error.message : String(error)}). Export the session again.`,
    );
  }
  if (typeof parsed !== 'object' || parsed === null || (parsed as { format?: unknown }).format !== HEADER) {
    return fail('not-a-session', `\u201c${fileName}\u201d is not a session file: its "format" is not "${HEADER}".`);
  }
  const { session } = parsed as { session?: { schemaVersion?: unknown } };
  if (session?.schemaVersion !== 1) {
    return fail(
      'wrong-version',
      `\u201c${fileName}\u201d has session version ${JSON.stringify(session?.schemaVersion)}; this application reads version 1. Update the application.`,
    );
  }
  const checked = sessionSchema.safeParse(session);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return fail('invalid-session', `\u201c${fileName}\u201d: ${first.path.join('.')}: ${first.message}`);
  }
  return ok(checked.data);
}

/** A session as text: everything but the video bytes. */
export const sessionJson: Format<Session, SessionJsonIssue> = {
  id: 'session-json',
  name: 'Session',
  extension: 'falcon.json',
  sniff: (text) => text.slice(0, 200).includes(`"${HEADER}"`),
  read,
  write: (session) => `${JSON.stringify({ format: HEADER, session }, encodeSamples)}\n`,
};
