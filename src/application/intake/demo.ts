import { sessionJson } from '../../formats/session-json/session-json';
import type { Clip } from '../../core/model/clip';
import type { Session } from '../../core/model/session';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { readSession, saveSession } from '../../storage/sessions';
import { loadMedia, storeMedia } from '../../storage/media';
import type { StorageIssue } from '../../storage/storage-issue';
import { DEMOS, type DemoId } from './demos';
import { TEXT } from '../../text/application/intake';

type DemoIssue = Issue<'demo-missing'> | Issue<string>;

const missing = (what: string): Result<never, DemoIssue> => fail('demo-missing', TEXT.demoDataCouldNotBe(what));

/**
 * Puts a demo session, with those that came before it, into this browser unless it is there already; returns its id.
 */
export async function loadDemo(demo: DemoId): Promise<Result<string, DemoIssue | StorageIssue>> {
  const sessions: Session[] = [];
  // Files come from the same server: they are fetched together, and stored in their order.
  for (const read of await Promise.all([...DEMOS.find((d) => d.id === demo)!.before, demo].map(readDemoFile))) {
    if (!read.ok) return read;
    sessions.push(read.value);
  }
  const there = await Promise.all(sessions.map(async ({ id }) => (await readSession(id)).ok));
  const wanted = sessions.filter((_, i) => !there[i]);
  const clips = new Map(wanted.flatMap((session) => session.clips.map((clip) => [clip.mediaId, clip] as const)));
  for (const stored of await Promise.all([...clips.values()].map(storeClip))) if (!stored.ok) return stored;
  for (const session of wanted) {
    const saved = await saveSession(session, new Date().toISOString(), { over: true });
    if (!saved.ok) return saved;
  }
  return ok(sessions.at(-1)!.id);
}

async function readDemoFile(name: string): Promise<Result<Session, DemoIssue>> {
  const file = `${name}-session.falcon.json`;
  const response = await fetch(`/demo-data/${file}`).catch(() => null);
  return response?.ok ? sessionJson.read(await response.text(), file) : missing(file);
}

/** The video of a clip, unless it is there already. */
async function storeClip({ mediaId, fileName }: Clip): Promise<Result<unknown, DemoIssue | StorageIssue>> {
  if (mediaId === null || (await loadMedia(mediaId))) return ok(null);
  const video = await fetch(`/demo-data/${fileName}`).catch(() => null);
  return video?.ok ? storeMedia(mediaId, fileName, await video.blob()) : missing(fileName);
}
