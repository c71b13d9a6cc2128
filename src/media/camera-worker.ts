import { CameraTracker, type Hidden } from '../core/calibration/camera-motion';
import type { CameraPath } from '../core/model/clip';
import { ok, type Result } from '../core/result';
import { exposeWorker } from './expose-worker';
import { FrameCache, type FrameIssue } from './frame-cache';
import type { VideoFile } from './video-file';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { grayPicture } from './gray-picture';

/** Width at which pictures are compared: a tenth of a pixel of it is a few thousandths of what the camera sees. */
const WIDTH = 320;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
let tracker = new CameraTracker();

/** Looks how the camera of one clip moves, by what stands still in its pictures. */
const cameraWorker = {
  async open(video: VideoFile): Promise<Result<null, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    index = track.value.index;
    cache = new FrameCache(index, track.value, false);
    tracker = new CameraTracker();
    return ok(null);
  },
  async observe(frame: number, hidden: readonly Hidden[]): Promise<Result<null, FrameIssue>> {
    const picture = await grayPicture(cache!, index!, frame, WIDTH);
    if (!picture.ok) return picture;
    tracker.observe(frame, picture.value, hidden);
    return ok(null);
  },
  path: (): Promise<Result<CameraPath, never>> => Promise.resolve(ok(tracker.path())),
};

export type CameraWorker = typeof cameraWorker;
exposeWorker(cameraWorker);
