import type { Vec2 } from '../core/geometry/vec2';
import type { WhyLost } from '../core/tracks/point-tracker';
import type { TrackedPoint } from '../core/tracks/track';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { TrackingWorker } from './tracking-worker';
import type { FrameIssue } from './frame-cache';
import type { IntakeIssue } from './frame-index';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

export type TrackingIssue = Issue<'cancelled'> | FrameIssue | IntakeIssue | CrashIssue;

export interface TrackingRequest {
  /** Where the point is, in pixels of the displayed picture. */
  readonly frame: number;
  readonly at: Vec2;
  /** Pixels a frame in the direction of following, where the frame before tells it. */
  readonly velocity: Vec2 | null;
  /** The first frame that is no longer wanted; before `frame` to follow backwards. */
  readonly end: number;
  /** Half the side of the square that is compared, pixels. */
  readonly radius: number;
  readonly signal: AbortSignal;
  readonly onProgress: (done: number, all: number) => void;
}

export interface TrackingResult {
  readonly positions: ReadonlyMap<number, TrackedPoint>;
  /** Where the point was lost, and why; null where it was followed to the end. */
  readonly lost: { readonly frame: number; readonly because: WhyLost } | null;
}

/** Follows a point from where it was placed, in a worker; cancelling leaves nothing behind. */
export async function trackPoint(
  video: VideoFile,
  { frame, at, velocity, end, radius, signal, onProgress }: TrackingRequest,
): Promise<Result<TrackingResult, TrackingIssue>> {
  const client = new WorkerClient<TrackingWorker>(
    new Worker(new URL('./tracking-worker.ts', import.meta.url), { type: 'module' }),
  );
  const step = end < frame ? -1 : 1;
  const all = Math.abs(end - frame) - 1;
  try {
    const opened = await client.ask(client.remote.open(video), 'Tracking');
    if (!opened.ok) return opened;
    const started = await client.ask(client.remote.start(frame, at, velocity, radius), 'Tracking');
    if (!started.ok) return started;
    const positions = new Map<number, TrackedPoint>();
    for (let i = frame + step, done = 0; i !== end; i += step) {
      if (signal.aborted) return fail('cancelled', TEXT.trackingWasCancelledWhatWas);
      const next = await client.ask(client.remote.next(i), 'Tracking');
      if (!next.ok) return next;
      if (next.value.lost) return ok({ positions, lost: { frame: i, because: next.value.because } });
      const { x, y, sure } = next.value;
      positions.set(i, { x, y, confidence: sure });
      onProgress(++done, all);
    }
    return ok({ positions, lost: null });
  } finally {
    client.end();
  }
}
