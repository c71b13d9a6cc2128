import { applyPatches, enablePatches, type Patch } from 'immer';
import { z } from 'zod';
import type { Session } from '../core/model/session';
import { decodeSamples, encodeSamples } from '../formats/session-json/samples';

enablePatches();

/** A session as the database holds it, or will in a moment. */
export interface StoredVersion {
  readonly updatedAt: string;
  readonly session: Session;
}

/** What to change in the version of that time to have what was there when the page was left. */
export interface LeftChanges {
  readonly updatedAt: string;
  readonly changes: readonly Patch[];
}

const leftSchema = z.array(
  z.object({
    updatedAt: z.string(),
    changes: z.array(
      z.object({
        op: z.enum(['replace', 'remove', 'add']),
        path: z.array(z.union([z.string(), z.number()])),
        value: z.unknown().optional(),
      }),
    ),
  }),
);

const isPlain = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !ArrayBuffer.isView(value);

/**
 * What differs between two documents that share most of their parts: lists of the same length and records part by part,
 * samples and all else as a whole.
 */
function differences(before: unknown, after: unknown, path: readonly (string | number)[] = []): Patch[] {
  if (Object.is(before, after)) return [];
  const systematic =
    isPlain(before) &&
    isPlain(after) &&
    Array.isArray(before) === Array.isArray(after) &&
    (!Array.isArray(before) || before.length === (after as unknown as unknown[]).length);
  if (!systematic) return [{ op: 'replace', path: [...path], value: after }];
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
  return [...keys].flatMap((key): Patch[] => {
    const at = [...path, Array.isArray(before) ? Number(key) : key];
    if (after[key] === undefined) return before[key] === undefined ? [] : [{ op: 'remove', path: at }];
    return before[key] === undefined
      ? [{ op: 'add', path: at, value: after[key] }]
      : differences(before[key], after[key], at);
  });
}

/** The changes that lead from each version the database may hold to the session as it is. */
export const changesSince = (versions: readonly StoredVersion[], session: Session): readonly LeftChanges[] =>
  versions.map((v) => ({ updatedAt: v.updatedAt, changes: differences(v.session, session) }));

/** The session as it was when the page was left; null where nothing was left behind for this version. */
export function withLeftChanges(stored: StoredVersion, left: readonly LeftChanges[]): unknown {
  const own = left.find((l) => l.updatedAt === stored.updatedAt);
  if (!own || own.changes.length === 0) return null;
  try {
    return applyPatches(stored.session, [...own.changes]);
  } catch {
    // Left by another version of the program, whose sessions are built differently.
    return null;
  }
}

const keyOf = (id: string): string => `proud-falcon:left:${id}`;

/**
 * Keeps changes in the one store that is written before the call returns: a page that goes away is not sure to have
 * another turn, and a database takes large values only while the page that gives them lives.
 */
export function leaveBehind(id: string, left: readonly LeftChanges[]): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify(left, encodeSamples));
  } catch {
    // Full, or forbidden by the browser's settings: the save that is under way may still end.
  }
}

export function leftBehind(id: string): readonly LeftChanges[] {
  try {
    const read = leftSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(id)) ?? '[]', decodeSamples));
    return read.success ? read.data : [];
  } catch {
    return [];
  }
}

export function forgetLeft(id: string): void {
  try {
    localStorage.removeItem(keyOf(id));
  } catch {
    // Nothing can have been left where nothing may be kept.
  }
}
