import { ShotFinder } from '../core/calibration/shot-finder';
import { ok, type Result } from '../core/result';
import { exposeWorker } from './expose-worker';
import { FrameCache, type FrameIssue } from './frame-cache';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { grayPicture } from './gray-picture';
import type { VideoFile } from './video-file';

/** Width at which pictures are compared: the scene is told by squares of it, not by its detail. */
const WIDTH = 320;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
let finder = new ShotFinder();

/** Looks where the film of one file is cut, picture after picture. */
const shotsWorker = {
  /** @returns time of every frame in the container, seconds */
  async open(video: VideoFile): Promise<Result<Float64Array, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    index = track.value.index;
    cache = new FrameCache(index, track.value, false);
    finder = new ShotFinder();
    const { origin, fileTimes } = index;
    return ok(fileTimes.map((us) => (origin + us) * 1e-6));
  },
  async observe(frame: number): Promise<Result<null, FrameIssue>> {
    const picture = await grayPicture(cache!, index!, frame, WIDTH);
    if (picture.ok) finder.observe(frame, picture.value);
    return picture.ok ? ok(null) : picture;
  },
  cuts: (): Promise<Result<readonly number[], never>> => Promise.resolve(ok(finder.cuts())),
};

export type ShotsWorker = typeof shotsWorker;
exposeWorker(shotsWorker);
