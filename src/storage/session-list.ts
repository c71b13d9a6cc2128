import { database } from './database';
import type { SessionSummary } from './session-summary';

export type { SessionSummary };

/** The latest change first; what has lost its time stands last and is not left out, as an index would. */
const latestFirst = (a: SessionSummary, b: SessionSummary): number =>
  a.updatedAt < b.updatedAt ? 1 : a.updatedAt > b.updatedAt ? -1 : 0;

/**
 * All sessions, the one changed last first. No document is read that was ever listed or stored before: what checks one
 * comes only where one has to be read.
 */
export async function listSessions(): Promise<readonly SessionSummary[]> {
  const [ids, all] = await Promise.all([database.sessions.toCollection().primaryKeys(), database.summaries.toArray()]);
  const summaries = new Map(all.map((summary) => [summary.id, summary]));
  const listed = await Promise.all(
    ids.map(async (id): Promise<SessionSummary | null> => {
      const summary = summaries.get(id);
      if (summary) return { ...summary, damage: null };
      const row = await database.sessions.get(id);
      return row ? (await import('./stored-row')).summaryOfRow(row) : null;
    }),
  );
  return listed.filter((summary) => summary !== null).sort(latestFirst);
}
