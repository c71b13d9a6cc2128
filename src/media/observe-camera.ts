import type { Hidden } from '../core/calibration/camera-motion';
import type { CameraPath } from '../core/model/clip';
import { fail, type Issue, type Result } from '../core/result';
import type { CameraWorker } from './camera-worker';
import type { FrameIssue } from './frame-cache';
import type { IntakeIssue } from './frame-index';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

export type CameraIssue = Issue<'cancelled'> | FrameIssue | IntakeIssue | CrashIssue;

interface CameraRequest {
  /** Frames to look at, increasing. */
  readonly frames: readonly number[];
  /** Where people are in a frame, shares of its sides. */
  readonly hidden: (frame: number) => readonly Hidden[];
  readonly signal: AbortSignal;
  readonly onProgress: (done: number, all: number) => void;
}

/** How the camera of a clip moves, found in a worker; cancelling leaves nothing behind. */
export async function observeCamera(
  video: VideoFile,
  { frames, hidden, signal, onProgress }: CameraRequest,
): Promise<Result<CameraPath, CameraIssue>> {
  const client = new WorkerClient<CameraWorker>(
    new Worker(new URL('./camera-worker.ts', import.meta.url), { type: 'module' }),
  );
  const what = TEXT.checkingCamera;
  try {
    const opened = await client.ask(client.remote.open(video), what, { signal });
    if (!opened.ok) return opened;
    for (const [done, frame] of frames.entries()) {
      const observed = await client.ask(client.remote.observe(frame, hidden(frame)), what, { signal });
      if (signal.aborted) return fail('cancelled', TEXT.checkingCameraWasCancelledWhat);
      // A frame that cannot be decoded tells nothing; its neighbours do.
      if (!observed.ok && observed.issue.code === 'worker-crashed') return observed;
      onProgress(done + 1, frames.length);
    }
    return await client.ask(client.remote.path(), what);
  } finally {
    client.end();
  }
}
