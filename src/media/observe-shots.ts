import type { Part } from '../core/model/clip';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { FrameIssue } from './frame-cache';
import type { IntakeIssue } from './frame-index';
import type { ShotsWorker } from './shots-worker';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

export type ShotsIssue = Issue<'cancelled'> | FrameIssue | IntakeIssue | CrashIssue;

/** One shot of a film. */
export interface Shot {
  /** Its first frame, counted from the video's. */
  readonly first: number;
  readonly frames: number;
  /** Where it lies in the file. */
  readonly part: Part;
}

interface ShotsRequest {
  readonly signal: AbortSignal;
  /** Frames that were looked at, of all. */
  readonly onProgress: (done: number, all: number) => void;
}

/** A part reaches so far beyond its last frame, seconds: nothing comes after it. */
const BEYOND = 1;

/** The shots of a video, found in a worker by what its pictures show; cancelling leaves nothing behind. */
export async function observeShots(
  video: VideoFile,
  { signal, onProgress }: ShotsRequest,
): Promise<Result<readonly Shot[], ShotsIssue>> {
  const client = new WorkerClient<ShotsWorker>(
    new Worker(new URL('./shots-worker.ts', import.meta.url), { type: 'module' }),
  );
  const what = TEXT.lookingForCuts;
  try {
    const opened = await client.ask(client.remote.open(video), what, { signal });
    if (!opened.ok) return opened;
    const times = opened.value;
    for (let frame = 0; frame < times.length; frame++) {
      if (signal.aborted) return fail('cancelled', TEXT.lookingForCutsWasCancelled);
      const observed = await client.ask(client.remote.observe(frame), what, { signal });
      // A frame that cannot be decoded tells nothing; its neighbours do.
      if (!observed.ok && observed.issue.code === 'worker-crashed') return observed;
      onProgress(frame + 1, times.length);
    }
    const cuts = await client.ask(client.remote.cuts(), what);
    if (!cuts.ok) return cuts;
    const firsts = [0, ...cuts.value];
    // Between the last frame of one shot and the first of the next: containers round times.
    const edge = (frame: number): number => (times[frame - 1]! + times[frame]!) / 2;
    return ok(
      firsts.map((first, k) => {
        const next = firsts[k + 1];
        return {
          first,
          frames: (next ?? times.length) - first,
          part: {
            from: first === 0 ? (video.part?.from ?? 0) : edge(first),
            to: next === undefined ? (video.part?.to ?? times[times.length - 1]! + BEYOND) : edge(next),
          },
        };
      }),
    );
  } finally {
    client.end();
  }
}
