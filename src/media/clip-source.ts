import { fail, ok, type Result } from '../core/result';
import type { ClipWorker } from './clip-worker';
import type { DecodedPicture } from './decoded-picture';
import type { FrameIssue } from './frame-cache';
import type { FrameIndex, IntakeIssue } from './frame-index';
import type { VideoFile } from './video-file';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

/** One open clip: its frame index and any of its frames. */
export interface ClipSource {
  readonly index: FrameIndex;
  /** A decoded, unrotated picture; whoever asked closes it. A newer request supersedes an older one. */
  readonly frame: (i: number) => Promise<Result<DecodedPicture, FrameIssue | CrashIssue>>;
  /** Bounds the decoded bytes that are kept. */
  readonly setBudget: (bytes: number) => void;
  /** The part of their width and height at which pictures are made ready for drawing (0 to 1). */
  readonly setDetail: (detail: number) => void;
  /**
   * Small upright pictures spread evenly over the clip (of all, or of a square in each frame: left, top, side), handed
   * over as they come; made while nothing else is decoded.
   */
  readonly thumbnails: (
    count: number,
    height: number,
    crops: Float64Array | null,
    take: (frame: number, picture: Blob) => void,
  ) => void;
  readonly close: () => void;
}

export interface ClipSourceOptions {
  /** Neighbours of the frame shown are made ready for drawing. */
  readonly forDrawing?: boolean;
  /** Told when decoding had stopped and was started again. */
  readonly onRestart?: (message: string) => void;
}

type Opened = { readonly client: WorkerClient<ClipWorker>; readonly index: FrameIndex };

async function openWorker(video: VideoFile, forDrawing: boolean): Promise<Result<Opened, IntakeIssue | CrashIssue>> {
  const client = new WorkerClient<ClipWorker>(
    new Worker(new URL('./clip-worker.ts', import.meta.url), { type: 'module' }),
  );
  const index = await client.ask(client.remote.open(video, forDrawing), TEXT.readingClip);
  if (index.ok) return ok({ client, index: index.value });
  client.end();
  return index;
}

/** Opens a clip in a worker of its own. A worker that stops is started again once for each request. */
export async function openClipSource(
  video: VideoFile,
  { forDrawing = false, onRestart }: ClipSourceOptions = {},
): Promise<Result<ClipSource, IntakeIssue | CrashIssue>> {
  const opened = await openWorker(video, forDrawing);
  if (!opened.ok) return opened;
  let { client } = opened.value;
  const closed = new AbortController();
  let budget: number | null = null;
  let detail = 1;
  let restarting: Promise<Result<Opened, IntakeIssue | CrashIssue>> | null = null;
  const gone = (): Result<never, FrameIssue> => fail('superseded', TEXT.clipIsNotOpen);
  const ask = (i: number): Promise<Result<DecodedPicture, FrameIssue | CrashIssue>> =>
    client.ask(client.remote.frame(i), 'Decoding');
  /** Starts another worker in place of one that has stopped, unless that was done meanwhile. */
  const restart = async (stopped: WorkerClient<ClipWorker>): Promise<boolean> => {
    if (closed.signal.aborted) return false;
    if (client !== stopped) return true;
    client.end();
    restarting ??= openWorker(video, forDrawing);
    const again = await restarting;
    restarting = null;
    if (!again.ok) return false;
    if (client !== stopped) return true;
    client = again.value.client;
    if (closed.signal.aborted) {
      client.end();
      return false;
    }
    if (budget !== null) void client.remote.setBudget(budget);
    void client.remote.setDetail(detail);
    onRestart?.(TEXT.decoderOfHadStopped(video.name));
    return true;
  };
  return ok({
    index: opened.value.index,
    frame: async (i) => {
      // Nobody waits for a picture of a clip that is closed, and no worker is started again for it.
      if (closed.signal.aborted) return gone();
      const asked = client;
      const frame = await ask(i);
      if (frame.ok || frame.issue.code !== 'worker-crashed') return frame;
      const again = await restart(asked);
      return closed.signal.aborted ? gone() : again ? ask(i) : frame;
    },
    setBudget: (bytes) => {
      budget = bytes;
      void client.remote.setBudget(bytes);
    },
    setDetail: (wanted) => {
      if (wanted === detail) return;
      detail = wanted;
      void client.remote.setDetail(wanted);
    },
    thumbnails: (count, height, crops, take) =>
      void takeThumbnails(() => client, count, {
        height,
        crops,
        take,
        onCrash: restart,
        signal: closed.signal,
      }),
    close: () => {
      closed.abort();
      client.end();
    },
  });
}

/** A small picture waits while pictures are decoded, however long somebody plays. */
const THUMBNAIL_PATIENCE = 3_600_000;

/** Small pictures of a clip one by one; a worker that ends meanwhile is started again, or they end with it. */
async function takeThumbnails(
  client: () => WorkerClient<ClipWorker>,
  count: number,
  {
    height,
    crops,
    take,
    onCrash,
    signal,
  }: {
    readonly height: number;
    readonly crops: Float64Array | null;
    readonly take: (frame: number, picture: Blob) => void;
    readonly onCrash: (stopped: WorkerClient<ClipWorker>) => Promise<boolean>;
    readonly signal: AbortSignal;
  },
): Promise<void> {
  for (let k = 0; k < count; k++) {
    const asked = client();
    const small = await asked.ask(asked.remote.thumbnail(k, count, height, crops), TEXT.smallPictures, {
      patience: THUMBNAIL_PATIENCE,
      signal,
    });
    if (signal.aborted) return;
    if (small.ok && small.value) take(small.value.frame, small.value.picture);
    if (!small.ok && !(await onCrash(asked))) return;
  }
}
