import type { Gray } from '../core/calibration/optical-flow';
import { ok, type Result } from '../core/result';
import { holesIn } from '../core/timing/file-rate';
import { exposeWorker } from './expose-worker';
import { FrameCache, type FrameIssue } from './frame-cache';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { grayPicture } from './gray-picture';
import type { VideoFile } from './video-file';

/** Width at which pictures are compared, and the side of a block that must move by itself, pixels. */
const WIDTH = 256;
const BLOCK = 8;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
let last: { readonly frame: number; readonly picture: Gray } | null = null;

/** Mean difference of the block that differs most, 0 to 255. */
function liveliest(a: Gray, b: Gray): number {
  let most = 0;
  for (let y = 0; y + BLOCK <= a.height; y += BLOCK)
    for (let x = 0; x + BLOCK <= a.width; x += BLOCK) {
      let sum = 0;
      for (let v = y; v < y + BLOCK; v++)
        for (let u = x; u < x + BLOCK; u++) sum += Math.abs(a.values[v * a.width + u]! - b.values[v * a.width + u]!);
      most = Math.max(most, sum / BLOCK ** 2);
    }
  return most;
}

/** Looks how much pictures differ from the ones before them. */
const repeatsWorker = {
  /** @returns how many frames there are, and whether some are missing between them */
  async open(video: VideoFile): Promise<Result<{ frames: number; hasHoles: boolean }, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    index = track.value.index;
    cache = new FrameCache(index, track.value, false);
    return ok({ frames: index.frameTimes.length, hasHoles: holesIn(index.frameTimes).length > 0 });
  },
  /** How much the liveliest part of a frame differs from the same part of the frame before it, 0 to 255. */
  async change(frame: number): Promise<Result<number, FrameIssue>> {
    const before = last?.frame === frame - 1 ? ok(last.picture) : await grayPicture(cache!, index!, frame - 1, WIDTH);
    if (!before.ok) return before;
    const now = await grayPicture(cache!, index!, frame, WIDTH);
    if (!now.ok) return now;
    last = { frame, picture: now.value };
    return ok(liveliest(before.value, now.value));
  },
};

export type RepeatsWorker = typeof repeatsWorker;
exposeWorker(repeatsWorker);
