import { withTodaysNames } from './earlier-names';

type Change = (part: unknown) => unknown;

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const eachOf =
  (change: Change): Change =>
  (list) =>
    Array.isArray(list) ? list.map(change) : list;

const eachValue =
  (change: Change): Change =>
  (record) =>
    isRecord(record)
      ? Object.fromEntries(Object.entries(record).map(([name, value]) => [name, change(value)]))
      : record;

const marks = eachValue(withTodaysNames({ alike: 'systematic' }));
const repetitions: Change = (kept) => (isRecord(kept) ? { ...kept, all: eachOf(marks)(kept['all']) } : kept);

const PARTS: Readonly<Record<string, Change>> = {
  clips: eachOf(withTodaysNames({ joined: 'sync' })),
  marks: eachValue(marks),
  repetitions: eachValue(repetitions),
};

/** A session as it was kept before, with today's names of its parts; whatever is no session is left to the schema. */
export function todaysSession(document: unknown): unknown {
  const named = withTodaysNames({ settled: 'correctionVerdicts' })(document);
  if (!isRecord(named)) return named;
  return Object.fromEntries(
    Object.entries(named).map(([name, part]) => [name, Object.hasOwn(PARTS, name) ? PARTS[name]!(part) : part]),
  );
}
