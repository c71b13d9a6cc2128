import type { z } from 'zod';
import type { Issue, Result } from '../result';
import { fail, ok } from '../result';
import { todaysSession } from './earlier-session';
import { addressIdSchema } from './fields';
import { disagreements, newSession, sessionDocumentSchema, sessionSchema, type Session } from './session';
import { TEXT } from '../../text/core/model';

type Path = readonly PropertyKey[];

interface Fault {
  readonly path: Path;
  readonly message: string;
}

/** Where something is, as it is said: `clips 2 performer name`. */
const placeOf = (path: Path): string =>
  path.map((step) => (typeof step === 'number' ? step + 1 : String(step))).join(' ') || TEXT.document;
/** Messages of what is wrong with a part are as long as a line. */
const SAID = 300;
const say = ({ path, message }: Fault): string => `${placeOf(path)}: ${message}`.slice(0, SAID);

/** Of a key that cannot be, what is wrong with it rather than that something is. */
const faultOfIssue = (issue: z.core.$ZodIssue): Fault => ({
  path: issue.path,
  message: (issue.code === 'invalid_key' ? issue.issues[0]?.message : undefined) ?? issue.message,
});

function faultsOf(document: unknown): { readonly session: Session } | { readonly faults: readonly Fault[] } {
  const checked = sessionSchema.safeParse(document);
  if (!checked.success) return { faults: checked.error.issues.map(faultOfIssue) };
  const odd = disagreements(checked.data);
  return odd.length > 0 ? { faults: odd } : { session: checked.data };
}

/** A session as a document that can be opened, or the first thing that is wrong with it. */
export function checkSession(document: unknown): Result<Session, Issue<'damaged'>> {
  const found = faultsOf(document);
  return 'session' in found ? ok(found.session) : fail('damaged', say(found.faults[0]!));
}

/**
 * What is wrong with the parts of a session that a change touched; null where the change can be kept.
 * @param before the session as it was, which is sound
 */
export function faultOfChange(before: Session, after: Session): string | null {
  const keys = Object.keys(after).filter((key) => after[key as keyof Session] !== before[key as keyof Session]);
  for (const key of keys) {
    const schema = sessionDocumentSchema.shape[key as keyof typeof sessionDocumentSchema.shape];
    const checked = schema.safeParse(after[key as keyof Session]);
    if (!checked.success) {
      const { path, message } = faultOfIssue(checked.error.issues[0]!);
      return say({ path: [key, ...path], message });
    }
  }
  const [odd] = disagreements(after);
  return odd ? say(odd) : null;
}

const isRecord = (value: unknown): value is Record<PropertyKey, unknown> =>
  typeof value === 'object' && value !== null && !ArrayBuffer.isView(value);

/** A copy whose records and lists are its own; samples are shared, since nothing changes them. */
function copyOf(value: unknown): unknown {
  if (!isRecord(value)) return value;
  if (Array.isArray(value)) return value.map(copyOf);
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, copyOf(part)]));
}

/** What stands at a path; undefined where nothing does. */
function at(document: unknown, path: Path): unknown {
  let value = document;
  for (const step of path) {
    if (!isRecord(value) || !Object.hasOwn(value, step)) return undefined;
    value = value[step];
  }
  return value;
}

/** Takes out what stands at a path, or the nearest thing round it that can go; null where all of it would have to. */
function without(document: Record<PropertyKey, unknown>, path: Path): Path | null {
  for (let length = path.length; length > 0; length--) {
    const [parent, last] = [at(document, path.slice(0, length - 1)), path[length - 1]!];
    if (!isRecord(parent) || !Object.hasOwn(parent, last)) continue;
    if (Array.isArray(parent)) parent.splice(Number(last), 1);
    else delete parent[last];
    return path.slice(0, length);
  }
  return null;
}

/** More faults than this are no slip: the document is something else. */
const MOST_FAULTS = 500;

/**
 * A session with what cannot be read left out; null where nothing would remain of it.
 * @param document any value; it is not changed
 * @param fresh an id and a time for what has none
 */
export function repairSession(
  document: unknown,
  fresh: { readonly id: string; readonly now: string },
): { readonly session: Session; readonly dropped: readonly string[] } | null {
  if (!isRecord(document) || Array.isArray(document) || document['schemaVersion'] !== 1) return null;
  if (!Array.isArray(document['clips'])) return null;
  const copy = copyOf(todaysSession(document)) as Record<PropertyKey, unknown>;
  const usual = newSession(fresh.id, TEXT.repairedSession, 'pace-delivery', fresh.now) as Record<string, unknown>;
  const dropped: Fault[] = [];
  for (let round = 0; round < MOST_FAULTS; round++) {
    const found = faultsOf(copy);
    if ('session' in found) return { session: found.session, dropped: dropped.map(say) };
    const fault = found.faults[0]!;
    const [top] = fault.path as [string];
    const there = at(copy, fault.path) !== undefined;
    // What has no part to take out and must be there becomes what a new session has.
    if (
      fault.path.length === 1 &&
      Object.hasOwn(usual, top) &&
      (top !== 'id' || !addressIdSchema.safeParse(copy[top]).success)
    ) {
      copy[top] = usual[top];
      dropped.push(fault);
      continue;
    }
    const gone = without(copy, there ? fault.path : fault.path.slice(0, -1));
    if (!gone) return null;
    // Something that cannot be without what was just taken out goes for the same reason.
    const reason = there ? fault : (dropped.pop() ?? fault);
    dropped.push({ path: gone, message: reason.message });
  }
  return null;
}
