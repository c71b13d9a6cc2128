import { ok, type Issue, type Result } from '../../core/result';
import { countMarkerMaps } from '../../storage/marker-maps';
import { keptVideos, mediaNamedIn, sweepVideos, type KeptVideo } from '../../storage/media';
import { readSession } from '../../storage/sessions';
import { listSessions } from '../../storage/session-list';
import type { StorageIssue } from '../../storage/storage-issue';
import { download } from '../files/download';
import { useDocument } from '../stores/document-store';
import { whenStored } from '../stores/saving';
import { sessionArchive } from './session-files';
import { mediaUnderway } from '../talk/talk-underway';
import { otherWindows } from '../stores/windows';

export { forgetMarkerMaps } from '../../storage/marker-maps';

export interface KeptSession {
  readonly id: string;
  readonly name: string;
  /** Whom it is about: who it is and the name; null where it has no athlete yet. */
  readonly athlete: { readonly key: string; readonly name: string } | null;
  readonly bytes: number;
  readonly videos: readonly KeptVideo[];
}

/** All that this browser holds of the application. */
export interface Kept {
  readonly sessions: readonly KeptSession[];
  /** Videos that no session shows any more. */
  readonly loose: readonly KeptVideo[];
  readonly markerMaps: number;
  /** Bytes in use and at most, as the browser says; null where it does not. */
  readonly usage: number | null;
  readonly quota: number | null;
  /** Whether the browser has promised not to clear it by itself. */
  readonly persisted: boolean;
}

export async function whatIsKept(): Promise<Kept> {
  await whenStored();
  const [sessions, videos, markerMaps, estimate, persisted] = await Promise.all([
    listSessions(),
    keptVideos(),
    countMarkerMaps(),
    navigator.storage?.estimate().catch(() => undefined),
    navigator.storage?.persisted().catch(() => false),
  ]);
  return {
    sessions: sessions.map(({ id, name, bytes, athlete, performers, performerKeys }) => ({
      id,
      name,
      athlete: athlete === null ? null : { key: athlete, name: performers[performerKeys.indexOf(athlete)] ?? '' },
      bytes,
      videos: videos.filter((video) => video.sessions.includes(id)),
    })),
    loose: videos.filter((video) => video.sessions.length === 0),
    markerMaps,
    usage: estimate?.usage ?? null,
    quota: estimate?.quota ?? null,
    persisted: persisted ?? false,
  };
}

/** What the sessions about one athlete take. */
export interface KeptOfAthlete {
  readonly key: string;
  readonly name: string;
  readonly count: number;
  readonly bytes: number;
  /** A video that several of them show counts once. */
  readonly videoBytes: number;
}

/** Athletes by what their videos take, the largest first. */
export function keptByAthlete(sessions: readonly KeptSession[]): readonly KeptOfAthlete[] {
  const known = new Map<string, { name: string; count: number; bytes: number; videos: Map<string, number> }>();
  for (const { athlete, bytes, videos } of sessions) {
    if (!athlete) continue;
    const of = known.get(athlete.key) ?? { name: athlete.name, count: 0, bytes: 0, videos: new Map<string, number>() };
    for (const video of videos) of.videos.set(video.id, video.bytes);
    known.set(athlete.key, { ...of, count: of.count + 1, bytes: of.bytes + bytes });
  }
  return [...known]
    .map(([key, { name, count, bytes, videos }]) => ({
      key,
      name,
      count,
      bytes,
      videoBytes: [...videos.values()].reduce((sum, size) => sum + size, 0),
    }))
    .sort((a, b) => b.videoBytes - a.videoBytes);
}

/** What a step back could bring onto the bench again, and what no session names yet. */
function inHistory(): ReadonlySet<string> {
  const { pastStates, futureStates } = useDocument.temporal.getState();
  const known = [useDocument.getState(), ...pastStates, ...futureStates];
  return new Set([...known.flatMap((s) => mediaNamedIn(s.session)), ...mediaUnderway()]);
}

/**
 * Removes videos that nothing names; another window may still undo to one, so that it is left to a time without others.
 */
export async function sweep(): Promise<number> {
  if (await otherWindows()) return 0;
  await whenStored();
  return sweepVideos(inHistory());
}

/** Hands out a stored session with its videos. */
export async function backUp(id: string): Promise<Result<null, StorageIssue | Issue<'cancelled'>>> {
  await whenStored();
  const stored = await readSession(id);
  if (!stored.ok) return stored;
  const archive = await sessionArchive(stored.value);
  if (!archive.ok) return archive;
  download(`${stored.value.name}.falcon.zip`, 'application/zip', archive.value);
  return ok(null);
}
