import { transfer } from 'comlink';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { Detections } from '../core/detections/fuse-detections';
import type { PersonBox } from '../core/detections/person-box';
import type { DetectorSetting } from '../core/detections/track-from-detections';
import type { DetectedPoints } from '../core/tracks/track';
import { openClipSource, type ClipSource } from './clip-source';
import type { FrameIssue } from './frame-cache';
import type { IntakeIssue } from './frame-index';
import type { PoseIssue, PoseWorker } from './pose-worker';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';

/**
 * Both settings ask two detectors about every frame; the accurate one asks the large models of both and is about three
 * times slower.
 */
const MODELS: Readonly<Record<DetectorSetting, readonly [first: string, second: string]>> = {
  fast: ['pose-full.task', 'movenet-lightning.json'],
  accurate: ['pose-heavy.task', 'movenet-thunder.json'],
};

export type FindIssue = Issue<'cancelled'> | FrameIssue | IntakeIssue | PoseIssue | CrashIssue;

export interface FindOptions {
  readonly setting: DetectorSetting;
  readonly signal: AbortSignal;
  /** Frames done of all. */
  readonly onProgress: (done: number, all: number) => void;
  /**
   * A box round the person at one frame, where there are several or the person is small; pixels of the displayed
   * picture.
   */
  readonly person?: PersonBox | null;
  /** Told by every worker at its end how long the models themselves took, milliseconds. */
  readonly onInference?: (milliseconds: number) => void;
  /** How many frames are looked at in parallel. */
  readonly workers?: number;
}

const cancelled = (): Result<never, FindIssue> =>
  fail('cancelled', 'Detecting points was cancelled; what was there before is kept.');

/** Frames looked at before a stretch begins, until the crop has settled on the person. */
const LEAD_IN = 3;

/** One stretch of frames, in order, so that the person can be followed through it. */
async function findStretch(
  video: VideoFile,
  /** Frames in the order in which they are looked at, and those before them that only settle the crop. */
  framesOf: (frames: number) => { readonly order: readonly number[]; readonly leadIn: number },
  options: FindOptions,
  onFrame: (frames: number) => void,
): Promise<Result<Map<number, readonly DetectedPoints[]>, FindIssue>> {
  const address = (path: string): string => new URL(path, document.baseURI).href;
  const client = new WorkerClient<PoseWorker>(
    new Worker(new URL('./pose-worker.ts', import.meta.url), { type: 'module' }),
  );
  let source: ClipSource | null = null;
  try {
    const [first, second] = MODELS[options.setting].map((file) => address(`/models/${file}`)) as [string, string];
    const loaded = await client.ask(
      client.remote.load(first, address('/wasm'), second, options.person ?? null),
      'The point detector',
      { signal: options.signal },
    );
    if (!loaded.ok) return options.signal.aborted ? cancelled() : loaded;
    const opened = await openClipSource(video);
    if (!opened.ok) return opened;
    source = opened.value;
    const { width, height, rotation, frameTimes } = source.index;
    const detected = new Map<number, readonly DetectedPoints[]>();
    const { order, leadIn } = framesOf(frameTimes.length);
    for (const [n, i] of order.entries()) {
      if (options.signal.aborted) return cancelled();
      const frame = await source.frame(i);
      if (frame.ok) {
        const points = await client.ask(
          client.remote.find(transfer(frame.value, [frame.value]), rotation, width, height),
          'The point detector',
          { signal: options.signal },
        );
        if (!points.ok) return options.signal.aborted ? cancelled() : points;
        if (n >= leadIn && points.value.length > 0) detected.set(i, points.value);
      } else if (frame.issue.code !== 'damaged') {
        return fail(frame.issue.code, frame.issue.message);
      }
      if (n >= leadIn) onFrame(frameTimes.length);
    }
    options.onInference?.(await client.remote.spent());
    return ok(detected);
  } finally {
    source?.close();
    client.end();
  }
}

/**
 * Has two detectors look at every frame of a clip, in workers; `trackFromDetections` joins what they see. A damaged
 * frame is passed over; cancelling returns an issue and leaves nothing behind.
 */
export async function detectPoints(video: VideoFile, options: FindOptions): Promise<Result<Detections, FindIssue>> {
  const { person } = options;
  const range = (from: number, to: number): number[] =>
    Array.from({ length: Math.max(0, to - from) }, (_, k) => from + k);
  const workers = options.workers ?? Math.max(1, Math.min(4, navigator.hardwareConcurrency));
  let done = 0;
  const stretches = await Promise.all(
    // A chosen person is followed on from the box and back from it, else each worker has a stretch of its own.
    (person
      ? [
          (frames: number) => ({ order: range(person.frame, frames), leadIn: 0 }),
          () => ({ order: range(0, person.frame).reverse(), leadIn: 0 }),
        ]
      : Array.from({ length: workers }, (_, w) => (frames: number) => {
          const [from, to] = [Math.floor((frames * w) / workers), Math.floor((frames * (w + 1)) / workers)];
          const first = Math.max(0, from - LEAD_IN);
          return { order: range(first, to), leadIn: from - first };
        })
    ).map((framesOf) => findStretch(video, framesOf, options, (frames) => options.onProgress(++done, frames))),
  );
  const all = new Map<number, readonly DetectedPoints[]>();
  for (const stretch of stretches) {
    if (!stretch.ok) return stretch;
    for (const [frame, points] of stretch.value) all.set(frame, points);
  }
  return ok(all);
}
