import type { Remote } from 'comlink';
import type { Clip } from '../../core/model/clip';
import type { Session } from '../../core/model/session';
import { mediaOf, withMedia } from '../../core/model/session-media';
import { ok, type Issue, type Result } from '../../core/result';
import type { SessionArchiveIssue } from '../../formats/session-archive/session-archive';
import type { Fresh, SessionFile } from '../../formats/session-archive/session-file';
import { sessionJson } from '../../formats/session-json/session-json';
import { readSession, saveSession } from '../../storage/sessions';
import { loadVideo, storeMedia } from '../../storage/media';
import type { StorageIssue } from '../../storage/storage-issue';
import { askToPersist } from '../stores/browser';
import { whenStored } from '../stores/saving';
import type { CrashIssue } from '../../media/worker-client';
import { readInWorker, type FileIssue } from '../files/file-worker';
import { startJob } from '../stores/jobs';
import type { SessionFileWorker } from './session-file-worker';
import { sameTimes, type ProbedFile } from '../clips/clip-use-cases';
import { openSources } from '../session/session-use-cases';
import { TEXT } from '../../text/application/keeping';

/** Reading and writing archives comes when it is first wanted. */
const archives = () => import('../../formats/session-archive/session-archive');

/** The session with its videos as one file. */
export async function sessionArchive(session: Session): Promise<Result<Blob, Issue<'cancelled'>>> {
  const job = startJob(`archive-${session.id}`, TEXT.savingName(session.name));
  try {
    const { writeSessionArchive } = await archives();
    return await writeSessionArchive(session, loadVideo, { signal: job.signal, onProgress: job.progress });
  } finally {
    job.end();
  }
}

export interface OpenedFile {
  readonly id: string;
  /** What was said and recorded that neither the file nor this browser has; of clips the bench tells. */
  readonly missing: readonly string[];
  /** Another session of that origin was here already and stays as it is. */
  readonly beside: boolean;
  /** What of the file could not be read and was left out. */
  readonly dropped: readonly string[];
}

/** Videos are copied as they are unpacked: gigabytes take minutes on a slow disk, ms. */
const READING_TAKES = 600_000;

type ReadingIssue = Issue<SessionArchiveIssue> | CrashIssue;

/** Has a file read in a worker of its own, which can be cancelled. */
export const inFileWorker = <T, I extends Issue>(
  file: File,
  read: (
    worker: Remote<SessionFileWorker>,
  ) => Promise<{ readonly ok: true; readonly value: T }> | Promise<{ readonly ok: false; readonly issue: I }>,
): Promise<Result<T, I | FileIssue>> =>
  readInWorker<SessionFileWorker, T, I>(
    new Worker(new URL('./session-file-worker.ts', import.meta.url), { type: 'module' }),
    file,
    READING_TAKES,
    read,
  );

const readAway = (file: File, repair: Fresh | null): Promise<Result<SessionFile, ReadingIssue>> =>
  inFileWorker(file, (worker) => worker.read(file, repair));

/**
 * Puts a saved session into this browser. Nothing that is here is replaced: where the session is here in another state,
 * the one of the file comes beside it under a name of its own; a video of another size gets an id of its own.
 * @param repair leaves out what cannot be read in place of refusing the file
 * @param read how its bytes become a session
 */
export async function openSessionFile(
  file: File,
  repair = false,
  read = readAway,
): Promise<Result<OpenedFile, ReadingIssue | StorageIssue>> {
  const fresh = repair ? { id: crypto.randomUUID(), now: new Date().toISOString() } : null;
  const opened = await read(file, fresh);
  if (!opened.ok) return opened;
  const { session, videos, dropped } = opened.value;
  await whenStored();
  const missing: string[] = [];
  const mediaIds = new Map<string, string>();
  for (const { mediaId, name } of mediaOf(session)) {
    if (mediaIds.has(mediaId)) continue;
    const video = videos.get(mediaId);
    const here = await loadVideo(mediaId);
    const other = video && here && here.blob.size !== video.blob.size;
    const id = other ? crypto.randomUUID() : mediaId;
    mediaIds.set(mediaId, id);
    if (!video && !here && !session.clips.some((clip) => clip.mediaId === mediaId)) missing.push(name);
    if (!video || (here && !other)) continue;
    const stored = await storeMedia(id, video.fileName, video.blob);
    if (!stored.ok) return stored;
  }
  const moved = withMedia(session, (id) => mediaIds.get(id)!);
  const here = await readSession(session.id);
  const same = here.ok && sessionJson.write(withMedia(here.value, (id) => id)) === sessionJson.write(moved);
  if (same) return ok({ id: session.id, missing, beside: false, dropped });
  const beside = here.ok || here.issue.code !== 'not-found';
  const placed: Session = {
    ...moved,
    ...(beside ? { id: crypto.randomUUID(), name: TEXT.nameFromFile(session.name).slice(0, 120) } : {}),
  };
  const saved = await saveSession(placed, new Date().toISOString(), { over: true });
  if (saved.ok) void askToPersist();
  return saved.ok ? ok({ id: placed.id, missing, beside, dropped }) : saved;
}

/**
 * Gives a clip whose video is not in this browser its video again, points and all else staying; false where it has one,
 * or where the file has other frames.
 */
export async function giveVideoBack(clip: Clip, { file, index }: ProbedFile): Promise<Result<boolean, StorageIssue>> {
  if (clip.mediaId === null || (await loadVideo(clip.mediaId))) return ok(false);
  if (index.width !== clip.width || index.height !== clip.height || !sameTimes(index.frameTimes, clip.frameTimes))
    return ok(false);
  const stored = await storeMedia(clip.mediaId, file.name, file);
  if (!stored.ok) return stored;
  await openSources();
  return ok(true);
}
