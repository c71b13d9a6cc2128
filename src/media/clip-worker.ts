import { transfer } from 'comlink';
import { exposeWorker } from './expose-worker';
import { fail, ok, type Result } from '../core/result';
import type { DecodedPicture } from './decoded-picture';
import { FrameCache, type FrameIssue } from './frame-cache';
import { openTrack, type FrameIndex, type IntakeIssue, type OpenedTrack } from './frame-index';
import { makeThumbnail } from './thumbnail';
import type { VideoFile } from './video-file';
import { TEXT } from '../text/media';

let opened: OpenedTrack | null = null;
let cache: FrameCache | null = null;

/** How often a thumbnail asks whether the decoder is free, ms. */
const PATIENCE = 120;

/** One clip, read and decoded in a worker of its own. */
const clipWorker = {
  async open(video: VideoFile, forDrawing: boolean): Promise<Result<FrameIndex, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    opened = track.value;
    cache = new FrameCache(opened.index, opened, forDrawing);
    return ok(opened.index);
  },
  async frame(i: number): Promise<Result<DecodedPicture, FrameIssue>> {
    if (!cache) return fail('out-of-range', TEXT.clipIsNotOpen);
    const frame = await cache.frame(i);
    return frame.ok ? transfer(frame, [frame.value]) : frame;
  },
  setBudget(bytes: number): void {
    cache?.setBudget(bytes);
  },
  setDetail(detail: number): void {
    cache?.setDetail(detail);
  },
  /** Number k of `count` small pictures; null where it cannot be decoded. */
  async thumbnail(
    k: number,
    count: number,
    height: number,
    crops: Float64Array | null,
  ): Promise<Result<{ frame: number; picture: Blob } | null, never>> {
    while (cache?.busy) await new Promise((resolve) => setTimeout(resolve, PATIENCE));
    return ok(opened && (await makeThumbnail(opened, k, count, height, crops).catch(() => null)));
  },
};

export type ClipWorker = typeof clipWorker;
exposeWorker(clipWorker);
