import { transfer } from 'comlink';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { DetectorSetting, PersonBox } from '../core/model/kept-detections';
import type { DetectedPoints } from '../core/tracks/track';
import { openClipSource, type ClipSource } from './clip-source';
import type { FrameIssue } from './frame-cache';
import type { IntakeIssue } from './frame-index';
import type { PoseIssue, PoseWorker } from './pose-worker';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

/**
 * Both settings ask two detectors about every frame; the accurate one asks the large models of both and is about three
 * times slower.
 */
const MODELS: Readonly<Record<DetectorSetting, readonly [first: string, second: string]>> = {
  fast: ['pose-full.task', 'movenet-lightning.json'],
  accurate: ['pose-heavy.task', 'movenet-thunder.json'],
};

export type FindIssue = Issue<'cancelled' | 'nobody-seen'> | FrameIssue | IntakeIssue | PoseIssue | CrashIssue;

export const cancelled = (): Result<never, FindIssue> => fail('cancelled', TEXT.detectingPointsWasCancelledWhat);

export interface DetectorOptions {
  readonly setting: DetectorSetting;
  readonly signal: AbortSignal;
  /** A box round the person to be followed; pixels of the displayed picture. */
  readonly person: PersonBox | null;
}

/** Frames to detect, in the order in which they are looked at. */
export interface Stretch {
  readonly frames: readonly number[];
  /** The number of the first of them in its pass: they are mirrored in turn. */
  readonly from: number;
  /** What was detected beside a frame; none where the detector goes by the frame that it looked at before. */
  readonly beside: (frame: number) => readonly DetectedPoints[];
  readonly onFrame: (frame: number, detections: readonly DetectedPoints[]) => void;
  /** Asked before that: whether this frame is not to be taken, and nothing more to be looked at. */
  readonly ends?: (frame: number, detections: readonly DetectedPoints[]) => boolean;
}

/** Both detectors in a worker of their own, with a decoder of the clip beside them. */
export class DetectorWorker {
  private constructor(
    private readonly client: WorkerClient<PoseWorker>,
    private readonly source: ClipSource,
    private readonly signal: AbortSignal,
  ) {}

  static async open(
    video: VideoFile,
    { setting, signal, person }: DetectorOptions,
  ): Promise<Result<DetectorWorker, FindIssue>> {
    const client = new WorkerClient<PoseWorker>(
      new Worker(new URL('./pose-worker.ts', import.meta.url), { type: 'module' }),
    );
    const address = (path: string): string => new URL(path, document.baseURI).href;
    const [first, second] = MODELS[setting].map((file) => address(`/models/${file}`)) as [string, string];
    const loaded = await client.ask(client.remote.load(first, address('/wasm'), second, person), TEXT.pointDetector, {
      signal,
    });
    const opened = loaded.ok ? await openClipSource(video) : loaded;
    if (opened.ok) return ok(new DetectorWorker(client, opened.value, signal));
    client.end();
    return signal.aborted ? cancelled() : opened;
  }

  /** Looks at some frames one after the other. A damaged frame is passed over, and says that nobody is seen. */
  async detect({ frames, from, beside, onFrame, ends }: Stretch): Promise<Result<null, FindIssue>> {
    const { width, height, rotation } = this.source.index;
    for (const [n, i] of frames.entries()) {
      if (this.signal.aborted) return cancelled();
      const frame = await this.source.frame(i);
      if (!frame.ok && frame.issue.code !== 'damaged') return fail(frame.issue.code, frame.issue.message);
      if (!frame.ok) {
        onFrame(i, []);
        continue;
      }
      const points = await this.client.ask(
        this.client.remote.find(transfer(frame.value, [frame.value]), rotation, width, height, {
          beside: beside(i),
          mirrored: (from + n) % 2 === 1,
          fresh: n === 0,
        }),
        TEXT.pointDetector,
        { signal: this.signal },
      );
      if (!points.ok) return this.signal.aborted ? cancelled() : points;
      if (ends?.(i, points.value)) return ok(null);
      onFrame(i, points.value);
    }
    return ok(null);
  }

  /** Milliseconds that the models themselves took so far. */
  spent(): Promise<number> {
    return this.client.remote.spent();
  }

  close(): void {
    this.source.close();
    this.client.end();
  }
}
