import type { Issue, Result } from '../core/result';
import type { SoundOffset } from '../core/sound/sound-offset';
import type { SoundWave } from '../core/sound/sound-wave';
import type { IntakeIssue } from './frame-index';
import type { ClipSound, SoundWorker } from './sound-worker';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

export type { ClipSound } from './sound-worker';

const open = (): WorkerClient<SoundWorker> =>
  new WorkerClient(new Worker(new URL('./sound-worker.ts', import.meta.url), { type: 'module' }));

/** The sound of a clip, in a worker of its own; null where it has none that this browser can decode. */
export async function readSound(video: VideoFile): Promise<Result<ClipSound | null, IntakeIssue | CrashIssue>> {
  const client = open();
  const read = await client.ask(client.remote.read(video), TEXT.readingSound);
  client.end();
  return read;
}

/** By how much a sound comes later in the second clip, seconds of the clips' own time (`align-sounds`). */
export async function compareSounds(
  first: SoundWave,
  second: SoundWave,
): Promise<Result<SoundOffset, Issue<'unsure'> | CrashIssue>> {
  const client = open();
  const offset = await client.ask(client.remote.align(first, second), TEXT.comparingSounds);
  client.end();
  return offset;
}
