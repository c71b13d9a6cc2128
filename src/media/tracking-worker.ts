import { exposeWorker } from './expose-worker';
import { storedSize, toStored } from '../core/geometry/quarter-turn';
import type { Vec2 } from '../core/geometry/vec2';
import { trackingStep, startTracking, type Tracked, type WhyLost } from '../core/tracks/point-tracker';
import type { Patch, PatchOf } from '../core/tracks/template';
import { fail, ok, type Result } from '../core/result';
import { FrameCache, type FrameIssue } from './frame-cache';
import type { VideoFile } from './video-file';
import { openTrack, type FrameIndex, type IntakeIssue } from './frame-index';
import { TEXT } from '../text/media';

/** Colours compared: red, green and blue. */
const CHANNELS = 3;

let index: FrameIndex | null = null;
let cache: FrameCache | null = null;
let radius = 12;
let state: { frame: number; picture: PatchOf; tracked: Tracked } | null = null;

/** Displayed pixel to its number in the decoded, unrotated picture. */
function placeOf(index: FrameIndex): (x: number, y: number) => number {
  const { width } = storedSize(index);
  // From middle to middle of a pixel.
  const numberOf = (x: number, y: number): number => {
    const stored = toStored(index, { x: x + 0.5, y: y + 0.5 });
    return Math.floor(stored.y) * width + Math.floor(stored.x);
  };
  const first = numberOf(0, 0);
  const [right, down] = [numberOf(1, 0) - first, numberOf(0, 1) - first];
  return (x, y) => first + right * x + down * y;
}

async function pictureAt(frame: number): Promise<Result<PatchOf, FrameIssue>> {
  const decoded = await cache!.frame(frame);
  if (!decoded.ok) return decoded;
  const picture = decoded.value as VideoFrame;
  const { width, height } = picture.visibleRect!;
  const bytes = new Uint8ClampedArray(width * height * 4);
  await picture.copyTo(bytes, { format: 'RGBA' });
  picture.close();
  const { width: shownWidth, height: shownHeight } = index!;
  const place = placeOf(index!);
  return ok((left: number, top: number, columns: number, rows: number): Patch => {
    const values = new Float32Array(columns * rows * CHANNELS);
    let to = 0;
    for (let y = top; y < top + rows; y++) {
      const inY = Math.max(0, Math.min(shownHeight - 1, y));
      for (let x = left; x < left + columns; x++) {
        const from = 4 * place(Math.max(0, Math.min(shownWidth - 1, x)), inY);
        values[to++] = bytes[from]!;
        values[to++] = bytes[from + 1]!;
        values[to++] = bytes[from + 2]!;
      }
    }
    return { left, top, width: columns, height: rows, channels: CHANNELS, values };
  });
}

export type TrackedFrame =
  | { readonly lost: false; readonly x: number; readonly y: number; readonly sure: number }
  | { readonly lost: true; readonly because: WhyLost };

/** Follows one point of one clip through its pictures. */
const trackingWorker = {
  async open(video: VideoFile): Promise<Result<number, IntakeIssue>> {
    const track = await openTrack(video);
    if (!track.ok) return track;
    index = track.value.index;
    cache = new FrameCache(index, track.value, false);
    return ok(index.frameTimes.length);
  },
  async start(frame: number, at: Vec2, velocity: Vec2 | null, size: number): Promise<Result<null, FrameIssue>> {
    const picture = await pictureAt(frame);
    if (!picture.ok) return picture;
    radius = size;
    state = { frame, picture: picture.value, tracked: startTracking(picture.value, at, { radius }, velocity) };
    return ok(null);
  },
  async next(frame: number): Promise<Result<TrackedFrame, FrameIssue>> {
    if (!state || !index) return fail('out-of-range', TEXT.nothingIsBeingTracked);
    const picture = await pictureAt(frame);
    if (!picture.ok) return picture;
    const step = trackingStep(state.tracked, state.picture, picture.value, index, { radius });
    if (!step.found) return ok({ lost: true, because: step.because });
    state = { frame, picture: picture.value, tracked: step.next };
    return ok({ lost: false, ...step.next.at, sure: step.sure });
  },
};

export type TrackingWorker = typeof trackingWorker;
exposeWorker(trackingWorker);
