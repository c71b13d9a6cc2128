import type { Athlete } from '../../core/model/athlete';
import { allAthletes, allStandings, deleteStandings, putStanding, standingId } from '../../storage/athletes';
import type { StoredStanding } from '../../storage/database';
import { listSessions, type SessionSummary } from '../../storage/session-list';
import { athletesIn } from '../../storage/athletes-in';
import { WorkerClient } from '../../media/worker-client';
import type { HistoryWorker } from './history-worker';
import { whenStored } from '../stores/saving';
import { holdsWords } from '../session/search';
import { TEXT } from '../../text/application/season';

/** One person of the sessions and records of this browser. */
export interface SquadMember {
  /** Who it is: `performerKey`. */
  readonly key: string;
  readonly name: string;
  readonly record: Athlete | null;
  /** Sessions about them, the latest day first. */
  readonly sessions: readonly SessionSummary[];
  /** Sessions of others in which they are a reference. */
  readonly asReference: readonly SessionSummary[];
  /** How they stand in each movement, the one of the latest session first; those that are not known yet are missing. */
  readonly standings: readonly StoredStanding[];
  readonly picture: string | null;
}

const laterFirst = (a: string, b: string): number => (a < b ? 1 : a > b ? -1 : 0);
const latestDayFirst = (a: SessionSummary, b: SessionSummary): number =>
  laterFirst(a.on, b.on) || laterFirst(a.updatedAt, b.updatedAt);

const nameOf = (key: string, { performers, performerKeys }: SessionSummary): string =>
  performers[performerKeys.indexOf(key)] ?? key;

/** Every person that a session shows or a record is of, by name. */
export function squadOf(
  summaries: readonly SessionSummary[],
  records: readonly Athlete[],
  standings: readonly StoredStanding[],
): readonly SquadMember[] {
  const recordOf = new Map(records.map((record) => [record.id, record]));
  const inSessions = new Map<string, SessionSummary[]>();
  for (const summary of [...summaries].filter(({ damage }) => damage === null).sort(latestDayFirst))
    for (const key of new Set(summary.performerKeys)) inSessions.set(key, [...(inSessions.get(key) ?? []), summary]);
  const standingsOf = new Map<string, StoredStanding[]>();
  for (const standing of standings)
    standingsOf.set(standing.athlete, [...(standingsOf.get(standing.athlete) ?? []), standing]);
  const keys = new Set([...inSessions.keys(), ...recordOf.keys()]);
  return [...keys]
    .map((key): SquadMember => {
      const all = inSessions.get(key) ?? [];
      const sessions = all.filter((session) => athletesIn(session).includes(key));
      const record = recordOf.get(key) ?? null;
      const place = ({ measuredBy }: StoredStanding): number =>
        sessions.findIndex((session) => session.measuredBy === measuredBy);
      const known = (standingsOf.get(key) ?? []).filter((standing) => place(standing) >= 0);
      known.sort((a, b) => place(a) - place(b));
      return {
        key,
        name: record?.name ?? (all[0] ? nameOf(key, all[0]) : key),
        record,
        sessions,
        asReference: all.filter((session) => !athletesIn(session).includes(key)),
        standings: known,
        picture: known.find(({ picture }) => picture !== null)?.picture ?? null,
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name) || a.key.localeCompare(b.key));
}

/** By what a squad is put in order. */
export const SQUAD_ORDERS = {
  due: TEXT.dueFirst,
  latest: TEXT.latestSession,
  name: TEXT.name,
} as const;
export type SquadOrder = keyof typeof SQUAD_ORDERS;

/** The first day on which a correction of theirs is to be checked; null where none is. */
export const dueOf = ({ standings }: SquadMember): string | null =>
  standings
    .flatMap(({ open }) => open.flatMap(({ due }) => due ?? []))
    .sort()
    .at(0) ?? null;

export interface SquadFilter {
  readonly text: string;
  /** What they are measured by, and their squad; empty takes all. */
  readonly movement: string;
  readonly squad: string;
}

/** Sessions in whose name or performers every word stands, in their order; damaged ones are found by their name. */
export function sessionsNamed(
  sessions: readonly SessionSummary[],
  text: string,
  movement: string,
): readonly SessionSummary[] {
  return sessions.filter(
    ({ name, performers, measuredBy }) =>
      (movement === '' || measuredBy === movement) && holdsWords(text, [name, ...performers]),
  );
}

/** Those that a search finds, in an order: every word stands in the name, the squad or a session's name. */
export function chosenOf(
  squad: readonly SquadMember[],
  { text, movement, squad: team }: SquadFilter,
  order: SquadOrder,
): readonly SquadMember[] {
  const found = squad.filter(({ name, record, sessions }) => {
    if (movement !== '' && !sessions.some(({ measuredBy }) => measuredBy === movement)) return false;
    if (team !== '' && record?.squad !== team) return false;
    return holdsWords(text, [name, record?.squad ?? '', ...sessions.map((s) => s.name)]);
  });
  // What has no day stands last.
  const last = '9999';
  const by: Readonly<Record<SquadOrder, (a: SquadMember, b: SquadMember) => number>> = {
    name: () => 0,
    latest: (a, b) => (b.sessions[0]?.on ?? '').localeCompare(a.sessions[0]?.on ?? ''),
    due: (a, b) => (dueOf(a) ?? last).localeCompare(dueOf(b) ?? last),
  };
  return [...found].sort(by[order]);
}

/** Sessions of one athlete in one movement, and how they were stored. */
interface Group {
  readonly athlete: string;
  readonly measuredBy: string;
  readonly stored: ReadonlySet<string>;
}

const stamp = ({ id, updatedAt }: { readonly id: string; readonly updatedAt: string }): string => `${id} ${updatedAt}`;

/** What was not looked at since its sessions changed, and standings whose sessions are gone. */
export function staleStandings(
  summaries: readonly SessionSummary[],
  standings: readonly StoredStanding[],
): { readonly stale: readonly Group[]; readonly gone: readonly string[] } {
  const groups = new Map<string, { athlete: string; measuredBy: string; stored: Set<string> }>();
  for (const summary of summaries) {
    const { measuredBy } = summary;
    for (const athlete of athletesIn(summary)) {
      const id = standingId(athlete, measuredBy);
      const group = groups.get(id) ?? { athlete, measuredBy, stored: new Set() };
      group.stored.add(stamp(summary));
      groups.set(id, group);
    }
  }
  const known = new Map(standings.map((standing) => [standing.id, standing]));
  const isFresh = (id: string, { stored }: Group): boolean => {
    const sessions = known.get(id)?.sessions;
    return sessions?.length === stored.size && sessions.every((session) => stored.has(stamp(session)));
  };
  return {
    stale: [...groups].flatMap(([id, group]) => (isFresh(id, group) ? [] : [group])),
    gone: [...known.keys()].filter((id) => !groups.has(id)),
  };
}

export interface Squad {
  readonly sessions: readonly SessionSummary[];
  readonly members: readonly SquadMember[];
  /** As they are stored; those of sessions that have changed since are stale. */
  readonly standings: readonly StoredStanding[];
}

/** All sessions and everybody in them, as far as it is known without measuring. */
export async function readSquad(): Promise<Squad> {
  await whenStored();
  const [sessions, records, standings] = await Promise.all([listSessions(), allAthletes(), allStandings()]);
  return { sessions, members: squadOf(sessions, records, standings), standings };
}

/** How long all sessions of one athlete may take, ms. */
const PATIENCE = 900_000;

/** Everybody who is known here. */
export const allMembers = async (): Promise<readonly SquadMember[]> => (await readSquad()).members;

const historyClient = (): WorkerClient<HistoryWorker> =>
  new WorkerClient(new Worker(new URL('./history-worker.ts', import.meta.url), { type: 'module' }));

/**
 * Measures in a worker how those stand whose sessions have changed, one after the other.
 * @param squad as it was read last
 * @param signal ends it; what was measured stays
 * @param onStanding told after each: how many are done of how many
 */
export async function refreshStandings(
  squad: Squad,
  signal: AbortSignal,
  onStanding: (done: number, all: number) => void,
): Promise<void> {
  const { stale, gone } = staleStandings(squad.sessions, squad.standings);
  if (gone.length > 0) await deleteStandings(gone);
  if (stale.length === 0 || signal.aborted) return;
  let client = historyClient();
  try {
    for (const [n, { athlete, measuredBy }] of stale.entries()) {
      const made = await client.ask(client.remote.standingOf(athlete, measuredBy), TEXT.measuringSessions, {
        signal,
        patience: PATIENCE,
      });
      if (signal.aborted) return;
      if (!made.ok) {
        // One that cannot be measured stops nobody else.
        client.end();
        client = historyClient();
      } else if (made.value) await putStanding(made.value);
      onStanding(n + 1, stale.length);
    }
  } finally {
    client.end();
  }
}
