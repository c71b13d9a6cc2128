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

/** Records of clips that hold a record of points each. */
const BY_POINT = ['tracks', 'spatial'] as const;
/** Parts that are large and change as a whole. */
const WHOLE = ['digitisings'] as const;

/** The parts of a document, whatever is in it; what does not look as it should is no part and stays where it is. */
export function partsOf(document: unknown): readonly Part[] {
  if (!isRecord(document)) return [];
  const byPoint = BY_POINT.flatMap((field) => {
    const clips = document[field];
    if (!isRecord(clips)) return [];
    return Object.entries(clips).flatMap(([clip, points]) =>
      isRecord(points) ? Object.entries(points).map(([point, value]) => ({ path: [field, clip, point], value })) : [],
    );
  });
  const whole = WHOLE.flatMap((field) => {
    const value = document[field];
    return Array.isArray(value) && value.length > 0 ? [{ path: [field], value }] : [];
  });
  return [...byPoint, ...whole];
}

/** The document without its parts, whose places are kept in their order. */
export function withoutParts<T>(document: T): T {
  if (!isRecord(document)) return document;
  const emptied = BY_POINT.flatMap((field) => {
    const clips = document[field];
    if (!isRecord(clips)) return [];
    const places = Object.entries(clips).map(([clip, points]) => [
      clip,
      isRecord(points) ? Object.fromEntries(Object.keys(points).map((point) => [point, null])) : points,
    ]);
    return [[field, Object.fromEntries(places)]];
  });
  const whole = WHOLE.flatMap((field) => (Array.isArray(document[field]) ? [[field, []]] : []));
  return { ...document, ...Object.fromEntries([...emptied, ...whole]) } as T;
}

/** The document with its parts in their places again. */
export function withParts(document: unknown, parts: readonly Part[]): unknown {
  if (!isRecord(document)) return document;
  const values = new Map(parts.map(({ path, value }) => [JSON.stringify(path), value]));
  const valueAt = (path: PartPath, otherwise: unknown): unknown => {
    const key = JSON.stringify(path);
    return values.has(key) ? values.get(key) : otherwise;
  };
  const filled = BY_POINT.flatMap((field) => {
    const clips = document[field];
    if (!isRecord(clips)) return [];
    const places = Object.entries(clips).map(([clip, points]) => {
      if (!isRecord(points)) return [clip, points];
      const own = Object.entries(points).map(([point, value]) => [point, valueAt([field, clip, point], value)]);
      return [clip, Object.fromEntries(own)];
    });
    return [[field, Object.fromEntries(places)]];
  });
  const whole = WHOLE.flatMap((field) => (field in document ? [[field, valueAt([field], document[field])]] : []));
  return { ...document, ...Object.fromEntries([...filled, ...whole]) };
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
