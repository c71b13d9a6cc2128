import { sessionJson } from '../../formats/session-json/session-json';
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
  for (const earlier of DEMOS.find((d) => d.id === demo)!.before) {
    const loaded = await loadDemoFile(earlier);
    if (!loaded.ok) return loaded;
  }
  return loadDemoFile(demo);
}

async function loadDemoFile(name: string): Promise<Result<string, DemoIssue | StorageIssue>> {
  const file = `${name}-session.falcon.json`;
  const response = await fetch(`/demo-data/${file}`).catch(() => null);
  if (!response?.ok) return missing(file);
  const read = sessionJson.read(await response.text(), file);
  if (!read.ok) return read;
  const existing = await readSession(read.value.id);
  if (existing.ok) return ok(existing.value.id);
  for (const clip of read.value.clips) {
    if (clip.mediaId === null || (await loadMedia(clip.mediaId))) continue;
    const video = await fetch(`/demo-data/${clip.fileName}`).catch(() => null);
    if (!video?.ok) return missing(clip.fileName);
    const stored = await storeMedia(clip.mediaId, clip.fileName, await video.blob());
    if (!stored.ok) return stored;
  }
  const saved = await saveSession(read.value, new Date().toISOString(), { over: true });
  return saved.ok ? ok(read.value.id) : saved;
}
