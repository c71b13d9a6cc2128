import type { Athlete } from '../core/model/athlete';
import { ok, type Result } from '../core/result';
import { database, type StoredStanding } from './database';
import { storageIssue, type StorageIssue } from './storage-issue';
import { TEXT } from '../text/storage';

/** All records that can be read. */
export async function allAthletes(): Promise<readonly Athlete[]> {
  const rows = await database.athletes.toArray();
  if (rows.length === 0) return [];
  // What checks a record comes only where there is one.
  const { athleteSchema } = await import('../core/model/athlete');
  return rows.flatMap((row) => {
    const read = athleteSchema.safeParse(row);
    return read.success ? [read.data] : [];
  });
}

export async function putAthlete(athlete: Athlete): Promise<Result<null, StorageIssue>> {
  try {
    await database.athletes.put(athlete);
    return ok(null);
  } catch (error) {
    return storageIssue(error, TEXT.record(athlete.name));
  }
}

export const deleteAthlete = (id: string): Promise<void> => database.athletes.delete(id);

export const standingId = (athlete: string, measuredBy: string): string => JSON.stringify([athlete, measuredBy]);

export const allStandings = (): Promise<readonly StoredStanding[]> => database.standings.toArray();

/** What follows from sessions can be made again: one that there is no room for is left out. */
export async function putStanding(standing: StoredStanding): Promise<void> {
  await database.standings.put(standing).catch(() => undefined);
}

export const deleteStandings = (ids: readonly string[]): Promise<void> => database.standings.bulkDelete([...ids]);
