import { CameraTracker, type Hidden } from '../core/calibration/camera-motion';
import type { Gray } from '../core/calibration/optical-flow';
import type { CameraPath } from '../core/model/clip';
import { ok, type Result } from '../core/result';
import { exposeWorker } from './expose-worker';
import { FrameCache, type FrameIssue } from './frame-cache';
import type { VideoFile } from './video-file';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { drawDisplayed } from './rotation';

/** Width at which pictures are compared: a tenth of a pixel of it is a few thousandths of what the camera sees. */
const WIDTH = 320;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
let tracker = new CameraTracker();

async function grayAt(frame: number): Promise<Result<Gray, FrameIssue>> {
  const decoded = await cache!.frame(frame);
  if (!decoded.ok) return decoded;
  const { width: shown, height: shownHeight, rotation } = index!;
  const scale = Math.min(1, WIDTH / shown);
  const [width, height] = [Math.round(shown * scale), Math.round(shownHeight * scale)];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  drawDisplayed(context, decoded.value, rotation, width, height);
  decoded.value.close();
  const { data } = context.getImageData(0, 0, width, height);
  const values = new Float32Array(width * height);
  // Brightness as television weighs it (ITU-R BT.601).
  for (let i = 0; i < values.length; i++)
    values[i] = 0.299 * data[4 * i]! + 0.587 * data[4 * i + 1]! + 0.114 * data[4 * i + 2]!;
  return ok({ width, height, values });
}

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
    const picture = await grayAt(frame);
    if (!picture.ok) return picture;
    tracker.observe(frame, picture.value, hidden);
    return ok(null);
  },
  path: (): Promise<Result<CameraPath, never>> => Promise.resolve(ok(tracker.path())),
};

export type CameraWorker = typeof cameraWorker;
exposeWorker(cameraWorker);
