import { mayAnalyse, mayBeMinor, mayShare, type Athlete } from '../../core/model/athlete';
import type { Clip, Performer } from '../../core/model/clip';
import { performerKey } from '../../core/model/performer';
import type { Session } from '../../core/model/session';
import { clipsShowing, legibleClips, withdrawn } from '../../core/model/withdrawn';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { allAthletes, allStandings, deleteAthlete, deleteStandings, putAthlete } from '../../storage/athletes';
import { mediaNamedIn, removeVideos } from '../../storage/media';
import { damagedDocuments, loadSession, readSession, saveSession } from '../../storage/sessions';
import { listSessions, type SessionSummary } from '../../storage/session-list';
import type { StorageIssue } from '../../storage/storage-issue';
import { setSession } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import type { SquadMember } from './squad';
import { otherWindows } from '../stores/windows';
import { TEXT } from '../../text/application/season';

/** A record of somebody of whom only sessions told so far. */
export function firstRecord({ key, name }: Pick<SquadMember, 'key' | 'name'>, performer: Performer | null): Athlete {
  return {
    id: key,
    name,
    birthYear: null,
    dominantSide: performer?.dominantSide ?? 'right',
    segmentTable: performer?.segmentTable ?? 'male',
    heightMetres: null,
    massKg: null,
    squad: '',
    notes: '',
    consent: null,
    withdrawnOn: null,
    updatedAt: '',
  };
}

/** What a clip says of its performer, where there is a record. */
export const performerOf = (record: Athlete, on: string, known: Performer | null): Performer => ({
  athleteId: record.id,
  name: record.name,
  dominantSide: record.dominantSide,
  segmentTable: record.segmentTable,
  ...(record.heightMetres === null ? {} : { heightMetres: record.heightMetres }),
  minor: record.birthYear === null ? (known?.minor ?? false) : mayBeMinor(record.birthYear, on),
  consent: mayAnalyse(record),
});

type Refused = Issue<'other-windows'> | StorageIssue;

/**
 * Changes stored sessions. What is open is closed before, so that no step back brings the old state again; another
 * window could write over it, so that there must be none.
 */
async function rewrite(ids: readonly string[], change: (session: Session) => Session): Promise<Result<null, Refused>> {
  if (ids.length === 0) return ok(null);
  await whenStored();
  if (await otherWindows()) return fail('other-windows', TEXT.anotherWindowOfApplicationIs);
  setSession(null);
  for (const id of ids) {
    const loaded = await loadSession(id);
    if (!loaded.ok) return loaded;
    const saved = await saveSession(change(loaded.value), new Date().toISOString());
    if (!saved.ok) return saved;
  }
  return ok(null);
}

const sessionsWith = async (key: string): Promise<readonly SessionSummary[]> =>
  (await listSessions()).filter(({ damage, performerKeys }) => damage === null && performerKeys.includes(key));
const idsOf = (sessions: readonly SessionSummary[]): readonly string[] => sessions.map(({ id }) => id);

/** Says of every clip of somebody who it is. */
const said =
  (key: string, { id, name }: Pick<Athlete, 'id' | 'name'>) =>
  (session: Session): Session => ({
    ...session,
    clips: session.clips.map((clip) =>
      performerKey(clip.performer) === key ? { ...clip, performer: { ...clip.performer, athleteId: id, name } } : clip,
    ),
  });

const stamped = (record: Athlete): Athlete => ({ ...record, updatedAt: new Date().toISOString() });

/** Keeps a record; a new name stands in all sessions that show the athlete. */
export async function saveAthlete(record: Athlete, nameBefore: string): Promise<Result<null, Refused>> {
  if (record.name !== nameBefore) {
    const renamed = await rewrite(idsOf(await sessionsWith(record.id)), said(record.id, record));
    if (!renamed.ok) return renamed;
  }
  return putAthlete(stamped(record));
}

/** Puts things back as they were before a merge or a split. */
export type TakeBack = () => Promise<Result<null, Refused>>;

/** What was said of the performers of some sessions, to be said again. */
async function takeBackOf(ids: readonly string[], records: () => Promise<void>): Promise<TakeBack> {
  const before = new Map<string, ReadonlyMap<string, Performer>>();
  for (const id of ids) {
    const loaded = await readSession(id);
    if (loaded.ok) before.set(id, new Map(loaded.value.clips.map((clip) => [clip.id, clip.performer])));
  }
  return async () => {
    await records();
    return rewrite(ids, (session) => ({
      ...session,
      clips: session.clips.map((clip) => ({
        ...clip,
        performer: before.get(session.id)?.get(clip.id) ?? clip.performer,
      })),
    }));
  };
}

/** Changes all of some sessions, or none: what was changed before one could not be is put back. */
async function rewriteAll(
  ids: readonly string[],
  change: (session: Session) => Session,
  takeBack: TakeBack,
): Promise<Result<null, Refused>> {
  const done = await rewrite(ids, change);
  if (!done.ok) await takeBack();
  return done;
}

/** Two of one person become one: all sessions of the one are the other's. */
export async function mergeAthletes(
  from: Pick<SquadMember, 'key' | 'record'>,
  into: Pick<SquadMember, 'key' | 'name'>,
): Promise<Result<TakeBack, Refused>> {
  const ids = idsOf(await sessionsWith(from.key));
  const takeBack = await takeBackOf(ids, async () => void (from.record && (await putAthlete(from.record))));
  const done = await rewriteAll(ids, said(from.key, { id: into.key, name: into.name }), takeBack);
  if (!done.ok) return done;
  await deleteAthlete(from.key);
  return ok(takeBack);
}

/**
 * Some sessions show another person of the same name: they get a record of their own.
 * @returns the new record, and how to take it back
 */
export async function splitAthlete(
  from: Pick<SquadMember, 'key' | 'name' | 'record'>,
  sessionIds: readonly string[],
): Promise<Result<{ readonly record: Athlete; readonly takeBack: TakeBack }, Refused>> {
  const performer = await performerIn(sessionIds[0], from.key);
  const record = stamped({ ...firstRecord(from, performer), id: crypto.randomUUID() });
  const takeBack = await takeBackOf(sessionIds, () => deleteAthlete(record.id));
  const done = await rewriteAll(sessionIds, said(from.key, record), takeBack);
  if (!done.ok) return done;
  const kept = await putAthlete(record);
  if (kept.ok) return ok({ record, takeBack });
  await takeBack();
  return kept;
}

/** What a session says of a performer; null where it says nothing. */
export async function performerIn(sessionId: string | undefined, key: string): Promise<Performer | null> {
  const loaded = sessionId === undefined ? null : await readSession(sessionId);
  if (!loaded?.ok) return null;
  return loaded.value.clips.find((clip) => performerKey(clip.performer) === key)?.performer ?? null;
}

/** What can be told of a session that cannot be opened. */
interface DamagedSession {
  readonly clips: ReturnType<typeof legibleClips>;
}

/** Every video that shows somebody, whatever a session calls the one in it. */
async function videosShowing(key: string, damaged: readonly DamagedSession[]): Promise<ReadonlySet<string>> {
  const videos = new Set<string>();
  for (const session of damaged)
    for (const { mediaId } of clipsShowing(session, key)) if (mediaId !== null) videos.add(mediaId);
  for (const { id } of await sessionsWith(key)) {
    const read = await readSession(id);
    for (const { mediaId } of read.ok ? clipsShowing(read.value, key) : []) if (mediaId !== null) videos.add(mediaId);
  }
  return videos;
}

/**
 * Withdraws the consent of somebody: every video that shows them is removed from all sessions for good, with what was
 * measured on it or without. It cannot be undone, which is its sense.
 */
export async function withdrawConsentOf(
  member: SquadMember,
  numbers: 'stay' | 'go',
  on: string,
): Promise<Result<null, Refused>> {
  const { key } = member;
  const damaged = (await damagedDocuments()).map((document): DamagedSession => ({ clips: legibleClips(document) }));
  const videos = await videosShowing(key, damaged);
  const all = (await listSessions()).filter(({ damage }) => damage === null);
  const concerned = all.filter(
    ({ performerKeys, media: named }) => performerKeys.includes(key) || named.some((id) => videos.has(id)),
  );
  const media = damaged.flatMap((session) => mediaNamedIn({ clips: clipsShowing(session, key, videos) }));
  const shown = new Set([key]);
  const done = await rewrite(idsOf(concerned), (session) => {
    const clips = clipsShowing(session, key, videos);
    media.push(...mediaNamedIn({ clips }));
    for (const { performer } of clips) shown.add(performerKey(performer));
    return withdrawn(session, clips, numbers);
  });
  if (!done.ok) return done;
  await removeVideos(media);
  // The small pictures of a list are footage, too.
  const pictured = (await allStandings()).filter(({ athlete }) => shown.has(athlete));
  await deleteStandings(pictured.map(({ id }) => id));
  const performer = await performerIn(member.sessions[0]?.id ?? member.asReference[0]?.id, key);
  const record = member.record ?? firstRecord(member, performer);
  return putAthlete(stamped({ ...record, withdrawnOn: on }));
}

/** Consent is given again. */
export const restoreConsent = (record: Athlete): Promise<Result<null, StorageIssue>> =>
  putAthlete(stamped({ ...record, withdrawnOn: null }));

/** The record of a performer, where there is one. */
export const recordOf = async (performer: Pick<Performer, 'athleteId' | 'name'>): Promise<Athlete | null> =>
  (await allAthletes()).find(({ id }) => id === performerKey(performer)) ?? null;

export interface NotToShare {
  readonly key: string;
  readonly name: string;
}

/** Those in clips whose record says that what shows them is not given to others. */
export async function notToShare(clips: readonly Clip[]): Promise<readonly NotToShare[]> {
  const shown = new Set(clips.map((clip) => performerKey(clip.performer)));
  return (await allAthletes())
    .filter((record) => shown.has(record.id) && !mayShare(record))
    .map(({ id, name }) => ({ key: id, name }));
}
