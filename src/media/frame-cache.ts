import type { EncodedPacketSink } from 'mediabunny';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { FrameIndex, FrameGroup } from './frame-index';

export type FrameIssue = Issue<'superseded' | 'damaged' | 'out-of-range'>;

/** Bytes of decoded pictures kept per clip. */
const BUDGET = 256e6;
/** Frames handed to the decoder before waiting for it. */
const QUEUE = 8;
/** Read ahead into the next group begins this many frames before its edge, or earlier for long groups. */
const READ_AHEAD = 24;

interface Job {
  readonly group: number;
  readonly keepFrom: number;
  readonly keepTo: number;
  cancelled: boolean;
  error: Error | null;
  decoder: VideoDecoder | null;
  done: Promise<void>;
}

/**
 * Decoded frames of one clip, whole groups of pictures at a time, so that stepping back is as quick as stepping
 * forward. One decoding job runs at a time; a request for another group cancels it. The cache is bounded in bytes and
 * every frame it drops is closed.
 */
export class FrameCache {
  private readonly kept = new Map<number, VideoFrame>();
  private bytes = 0;
  private wanted = 0;
  private job: Job | null = null;
  private waiting = new Map<number, (() => void)[]>();
  private readonly frameBytes: number;
  private readonly byTime: Map<number, number>;
  private readonly groupOf: Uint32Array;

  constructor(
    private readonly index: FrameIndex,
    private readonly sink: EncodedPacketSink,
    private readonly config: VideoDecoderConfig,
  ) {
    this.frameBytes = index.width * index.height * 1.5;
    this.byTime = new Map(Array.from(index.frameTimes, (us, i) => [us + index.origin, i]));
    this.groupOf = new Uint32Array(index.frameTimes.length);
    index.groups.forEach((group, g) => this.groupOf.fill(g, group.first, group.end));
  }

  /** A copy of the frame, to be closed by whoever asked. Superseded when another frame is asked for meanwhile. */
  async frame(i: number): Promise<Result<VideoFrame, FrameIssue>> {
    if (!Number.isInteger(i) || i < 0 || i >= this.index.frameTimes.length) {
      return fail('out-of-range', `There is no frame ${i}; the clip has frames 0 to ${this.index.frameTimes.length - 1}.`);
    }
    const direction = Math.sign(i - this.wanted) || 1;
    const stepping = Math.abs(i - this.wanted) <= 2;
    this.wanted = i;
    for (let attempt = 0; !this.kept.has(i); attempt++) {
      if (this.wanted !== i) return fail('superseded', `Frame ${i} is no longer wanted.`);
      if (attempt > 2) return this.damaged(i);
      const group = this.groupOf[i]!;
      if (!this.job || this.job.group !== group || this.job.cancelled || i < this.job.keepFrom || i >= this.job.keepTo) {
        this.start(group, direction);
      }
      const job = this.job!;
      await Promise.race([new Promise<void>((arrived) => this.await(i, arrived)), job.done]);
      if (job.error && !this.kept.has(i)) return this.damaged(i);
    }
    const frame = this.kept.get(i)!;
    this.kept.delete(i);
    this.kept.set(i, frame);
    if (stepping && !this.job) this.readAhead(i, direction);
    return ok(frame.clone());
  }

  close(): void {
    this.cancel();
    for (const frame of this.kept.values()) frame.close();
    this.kept.clear();
    this.bytes = 0;
  }

  private damaged(i: number): Result<never, FrameIssue> {
    return fail('damaged', `Frame ${i + 1} could not be decoded: the clip is damaged there. Step past it, or copy the file from the camera again.`);
  }

  private await(i: number, arrived: () => void): void {
    this.waiting.set(i, [...(this.waiting.get(i) ?? []), arrived]);
  }

  private wake(i: number): void {
    const arrived = this.waiting.get(i) ?? [];
    this.waiting.delete(i);
    for (const call of arrived) call();
  }

  private put(i: number, frame: VideoFrame): void {
    this.kept.set(i, frame);
    this.bytes += this.frameBytes;
    for (const [old, picture] of this.kept) {
      if (this.bytes <= BUDGET) break;
      if (Math.abs(old - this.wanted) <= 1) continue;
      picture.close();
      this.kept.delete(old);
      this.bytes -= this.frameBytes;
    }
    this.wake(i);
  }

  private cancel(): void {
    const { job } = this;
    if (!job) return;
    job.cancelled = true;
    if (job.decoder && job.decoder.state !== 'closed') job.decoder.close();
    this.job = null;
  }

  /** Frames of a group to keep: all, or a window round the wanted one where the group alone exceeds the budget. */
  private windowOf(group: FrameGroup, direction: number): { from: number; to: number } {
    const most = Math.max(8, Math.floor((BUDGET * 0.6) / this.frameBytes));
    if (group.end - group.first <= most) return { from: group.first, to: group.end };
    const before = Math.floor(most * (direction < 0 ? 0.8 : 0.3));
    const from = Math.max(group.first, Math.min(this.wanted - before, group.end - most));
    return { from, to: from + most };
  }

  private start(group: number, direction: number): void {
    this.cancel();
    const window = this.windowOf(this.index.groups[group]!, direction);
    const job: Job = {
      group,
      keepFrom: window.from,
      keepTo: window.to,
      cancelled: false,
      error: null,
      decoder: null,
      done: Promise.resolve(),
    };
    this.job = job;
    job.done = this.decode(job).catch((error: unknown) => {
      job.error = error instanceof Error ? error : new Error(String(error));
      job.cancelled = true;
    });
  }

  private async decode(job: Job): Promise<void> {
    const group = this.index.groups[job.group]!;
    const decoder = new VideoDecoder({
      output: (picture) => {
        const i = this.byTime.get(picture.timestamp);
        const keep = i !== undefined && !job.cancelled && i >= job.keepFrom && i < job.keepTo && !this.kept.has(i);
        if (keep) this.put(i, picture);
        else picture.close();
      },
      error: (error) => {
        job.error = error;
        job.cancelled = true;
      },
    });
    job.decoder = decoder;
    decoder.configure(this.config);
    const key = await this.sink.getKeyPacket(group.keyTime);
    if (!key) throw new Error('the key frame is missing');
    for await (const packet of this.sink.packets(key)) {
      if (job.cancelled || packet.sequenceNumber > group.lastPacket) break;
      decoder.decode(packet.toEncodedVideoChunk());
      while (decoder.decodeQueueSize > QUEUE && !job.cancelled) {
        await new Promise<void>((resolve) => {
          decoder.addEventListener('dequeue', () => resolve(), { once: true });
          setTimeout(resolve, 50);
        });
      }
    }
    if (!job.cancelled) await decoder.flush();
    // Closing from the error callback is already done; a second close would throw.
    if ((decoder.state as string) !== 'closed') decoder.close();
    if (this.job === job) this.job = null;
    if (job.error) throw job.error;
  }

  private readAhead(i: number, direction: number): void {
    const own = this.groupOf[i]!;
    const next = own + direction;
    const group = this.index.groups[next];
    if (!group) return;
    const edge = direction > 0 ? group.first : group.end - 1;
    const ownGroup = this.index.groups[own]!;
    const reach = Math.max(READ_AHEAD, (ownGroup.end - ownGroup.first) * 0.6);
    if (Math.abs(edge - i) > reach || this.kept.has(edge)) return;
    this.start(next, direction);
  }
}
