import type { Gray } from '../core/signal/gray';
import { ok, type Result } from '../core/result';
import { leftByMixture, liveliest } from '../core/timing/picture-differences';
import { holesIn } from '../core/timing/file-rate';
import { exposeWorker } from './expose-worker';
import { FrameCache, type FrameIssue } from './frame-cache';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { grayPicture } from './gray-picture';
import type { VideoFile } from './video-file';

/** Width at which pictures are compared, pixels. */
const WIDTH = 256;
/** Pictures that the next comparisons need: one frame is compared with those beside it. */
const KEPT = 3;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
const pictures = new Map<number, Gray>();

async function pictureOf(frame: number): Promise<Result<Gray, FrameIssue>> {
  const known = pictures.get(frame);
  if (known) return ok(known);
  const picture = await grayPicture(cache!, index!, frame, WIDTH);
  if (picture.ok) pictures.set(frame, picture.value);
  for (const old of [...pictures.keys()].slice(0, -KEPT)) pictures.delete(old);
  return picture;
}

/** How a picture differs from those beside it. */
interface Compared {
  /** How much its liveliest part differs from the one before, 0 to 255. */
  readonly change: number;
  /** What a mixture of the ones before and after leaves of it, a share; null where nothing tells. */
  readonly left: number | null;
}

/** Looks how much pictures differ from the ones beside them. */
const repeatsWorker = {
  /** @returns how many frames there are, and whether some are missing between them */
  async open(video: VideoFile): Promise<Result<{ frames: number; hasHoles: boolean }, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    index = track.value.index;
    cache = new FrameCache(index, track.value, false);
    return ok({ frames: index.frameTimes.length, hasHoles: holesIn(index.frameTimes).length > 0 });
  },
  /** How a frame differs from those beside it. */
  async compare(frame: number): Promise<Result<Compared, FrameIssue>> {
    const [before, now] = [await pictureOf(frame - 1), await pictureOf(frame)];
    if (!before.ok) return before;
    if (!now.ok) return now;
    const after = frame + 1 < index!.frameTimes.length ? await pictureOf(frame + 1) : null;
    return ok({
      change: liveliest(before.value, now.value),
      left: after?.ok ? leftByMixture(before.value, now.value, after.value) : null,
    });
  },
};

export type RepeatsWorker = typeof repeatsWorker;
exposeWorker(repeatsWorker);
