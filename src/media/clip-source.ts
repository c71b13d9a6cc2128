import { ok, type Result } from '../core/result';
import type { ClipWorker } from './clip-worker';
import type { FrameIssue } from './frame-cache';
import type { FrameIndex, IntakeIssue } from './frame-index';
import { WorkerClient, type CrashIssue } from './worker-client';

/** One open clip: its frame index and any of its frames. */
export interface ClipSource {
  readonly index: FrameIndex;
  /** A decoded, unrotated frame; whoever asked closes it. A newer request supersedes an older one. */
  readonly frame: (i: number) => Promise<Result<VideoFrame, FrameIssue | CrashIssue>>;
  readonly close: () => void;
}

/** Opens a clip in a worker of its own. */
export async function openClipSource(file: Blob, name: string): Promise<Result<ClipSource, IntakeIssue | CrashIssue>> {
  const client = new WorkerClient<ClipWorker>(new Worker(new URL('./clip-worker.ts', import.meta.url), { type: 'module' }));
  const index = await client.ask(client.remote.open(file, name), 'Reading the clip');
  if (!index.ok) {
    client.end();
    return index;
  }
  return ok({
    index: index.value,
    frame: (i) => client.ask(client.remote.frame(i), 'Decoding'),
    close: () => client.end(),
  });
}
