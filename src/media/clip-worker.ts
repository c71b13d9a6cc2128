import { expose, transfer } from 'comlink';
import { fail, ok, type Result } from '../core/result';
import { FrameCache, type FrameIssue } from './frame-cache';
import { openTrack, type FrameIndex, type IntakeIssue, type OpenedTrack } from './frame-index';

let opened: OpenedTrack | null = null;
let cache: FrameCache | null = null;

/** One clip, read and decoded in a worker of its own. */
const clipWorker = {
  async open(file: Blob, name: string): Promise<Result<FrameIndex, IntakeIssue>> {
    const track = await openTrack(file, name);
    if (!track.ok) return track;
    opened = track.value;
    cache = new FrameCache(opened.index, opened.sink, opened.config);
    return ok(opened.index);
  },
  async frame(i: number): Promise<Result<VideoFrame, FrameIssue>> {
    if (!cache) return fail('out-of-range', 'The clip is not open.');
    const frame = await cache.frame(i);
    return frame.ok ? transfer(frame, [frame.value]) : frame;
  },
  close(): void {
    cache?.close();
    opened?.dispose();
    cache = null;
    opened = null;
  },
};

export type ClipWorker = typeof clipWorker;
expose(clipWorker);
