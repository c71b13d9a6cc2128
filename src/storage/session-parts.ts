/**
 * The samples of a session are large and change point by point; the rest of it is small and changes with every word
 * that is typed. They are stored apart, so that an edit writes no more than what it changed.
 */

/** Where a part belongs in its document: `['tracks', clip, point]`. */
export type PartPath = readonly string[];

export interface Part {
  readonly path: PartPath;
  readonly value: unknown;
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && !ArrayBuffer.isView(value);

/** Large fields, and how many records deep their parts lie: by clip and point, by clip. */
const RECORDS = { tracks: 2, spatial: 2, detections: 1 } as const;
/** Parts that are large and change as a whole. */
const WHOLE = ['digitisings'] as const;

/** The parts that lie so deep; what is no record on the way holds none, and stays where it is. */
const partsIn = (value: unknown, deep: number, path: PartPath): readonly Part[] =>
  isRecord(value)
    ? Object.entries(value).flatMap(([key, inner]) =>
        deep === 1 ? [{ path: [...path, key], value: inner }] : partsIn(inner, deep - 1, [...path, key]),
      )
    : [];

/** The same with something else in the place of each part. */
const inPlace = (
  value: unknown,
  deep: number,
  path: PartPath,
  change: (path: PartPath, was: unknown) => unknown,
): unknown =>
  isRecord(value)
    ? Object.fromEntries(
        Object.entries(value).map(([key, inner]): [string, unknown] => [
          key,
          deep === 1 ? change([...path, key], inner) : inPlace(inner, deep - 1, [...path, key], change),
        ]),
      )
    : value;

/** The parts of a document, whatever is in it. */
export function partsOf(document: unknown): readonly Part[] {
  if (!isRecord(document)) return [];
  const inRecords = Object.entries(RECORDS).flatMap(([field, deep]) => partsIn(document[field], deep, [field]));
  const whole = WHOLE.flatMap((field) => {
    const value = document[field];
    return Array.isArray(value) && value.length > 0 ? [{ path: [field], value }] : [];
  });
  return [...inRecords, ...whole];
}

/** The document with something else in the place of each part. */
function withEach(
  document: Readonly<Record<string, unknown>>,
  change: (path: PartPath, was: unknown) => unknown,
  changeWhole: (path: PartPath, was: unknown) => unknown,
): Readonly<Record<string, unknown>> {
  const there = (field: string): boolean => Object.hasOwn(document, field);
  const inRecords = Object.entries(RECORDS)
    .filter(([field]) => there(field))
    .map(([field, deep]) => [field, inPlace(document[field], deep, [field], change)]);
  const whole = WHOLE.filter(there).map((field) => [field, changeWhole([field], document[field])]);
  return { ...document, ...Object.fromEntries([...inRecords, ...whole]) };
}

/** The document without its parts, whose places are kept in their order. */
export const withoutParts = <T>(document: T): T =>
  isRecord(document)
    ? (withEach(
        document,
        () => null,
        (_, was) => (Array.isArray(was) ? [] : was),
      ) as T)
    : document;

/** The document with its parts in their places again. */
export function withParts(document: unknown, parts: readonly Part[]): unknown {
  if (!isRecord(document)) return document;
  const values = new Map(parts.map(({ path, value }) => [JSON.stringify(path), value]));
  const stored = (path: PartPath, was: unknown): unknown => {
    const key = JSON.stringify(path);
    return values.has(key) ? values.get(key) : was;
  };
  return withEach(document, stored, stored);
}

/** What a path leads to in a document; undefined where it leads nowhere. */
function partAt(document: unknown, path: PartPath): unknown {
  let here = document;
  for (const step of path) here = isRecord(here) && Object.hasOwn(here, step) ? here[step] : undefined;
  return here;
}

/** Which parts to store and which to remove, so that a stored document becomes another. */
export function changedParts(
  before: unknown,
  after: unknown,
): { readonly put: readonly Part[]; readonly remove: readonly PartPath[] } {
  const [old, now] = [partsOf(before), partsOf(after)];
  const kept = new Set(now.map(({ path }) => JSON.stringify(path)));
  return {
    put: now.filter(({ path, value }) => partAt(before, path) !== value),
    remove: old.map(({ path }) => path).filter((path) => !kept.has(JSON.stringify(path))),
  };
}
