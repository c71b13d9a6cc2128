import { fail, ok, type Issue, type Result } from '../../core/result';
import { sessionSchema, type Session } from '../../core/model/session';
import type { Format } from '../format';

export type SessionJsonIssue = 'not-json' | 'not-a-session' | 'wrong-version' | 'invalid-session';

/** Typed arrays are written as `{"f64": [...]}`, missing samples as null; they keep seven digits. */
const TAGS = { f64: Float64Array, f32: Float32Array, u8: Uint8Array } as const;

function encode(_key: string, value: unknown): unknown {
  for (const [tag, type] of Object.entries(TAGS)) {
    if (value instanceof type) {
      return { [tag]: Array.from(value, (v) => (Number.isNaN(v) ? null : Number(v.toPrecision(7)))) };
    }
  }
  return value;
}

function decode(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  const keys = Object.keys(value);
  const tag = keys[0] as keyof typeof TAGS;
  if (keys.length !== 1 || !(tag in TAGS)) return value;
  const samples = (value as Record<string, unknown>)[tag];
  if (!Array.isArray(samples)) return value;
  return TAGS[tag].from(samples.map((v) => (typeof v === 'number' ? v : NaN)));
}

const HEADER = 'proud-falcon-session';

function read(text: string, fileName: string): Result<Session, Issue<SessionJsonIssue>> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text, decode);
  } catch (error) {
    return fail('not-json', `\u201c${fileName}\u201d is not valid JSON (${error instanceof Error ? error.message : String(error)}). Export the session again.`);
  }
  if (typeof parsed !== 'object' || parsed === null || (parsed as { format?: unknown }).format !== HEADER) {
    return fail('not-a-session', `\u201c${fileName}\u201d is not a session file: its "format" is not "${HEADER}".`);
  }
  const { session } = parsed as { session?: { schemaVersion?: unknown } };
  if (session?.schemaVersion !== 1) {
    return fail('wrong-version', `\u201c${fileName}\u201d has session version ${JSON.stringify(session?.schemaVersion)}; this application reads version 1. Update the application.`);
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
  write: (session) => `${JSON.stringify({ format: HEADER, session }, encode)}\n`,
};
