import type { DecodedPicture } from './decoded-picture';
import type { EncodedPacket } from 'mediabunny';
import { fail, ok, type Issue, type Result } from '../core/result';
import { Damage, firstDamaged } from './damage';
import type { FrameIndex, FrameGroup, OpenedTrack } from './frame-index';

export type FrameIssue = Issue<'superseded' | 'damaged' | 'out-of-range'>;

/** Bytes of decoded pictures kept unless told otherwise. */
const BUDGET = 256e6;
/** Parts of the budget for the group at hand and for the one read ahead. */
const OWN_SHARE = 0.6;
const AHEAD_SHARE = 0.4;
/** Pictures made ready for drawing beside the one shown: at most this many onwards and one back, in this many bytes. */
const READY_AHEAD = 4;
const READY_BYTES = 18e6;
/** A decoder holds back pictures until it has seen this many more packets (reordering and threads). */
const HELD_BACK = 6;
/** Nothing moves when no frame was asked for during this time, ms. */
const RESTING = 120;
/** How long the rest of a group waits while a picture that was jumped to is drawn, ms. */
const DRAWING_TIME = 25;
/** Frames handed to the decoder before waiting for it. */
const QUEUE = 8;
/** Reading ahead begins at least this many frames before the edge of a group. */
const READ_AHEAD = 24;

interface Job {
  readonly group: number;
  readonly keepFrom: number;
  readonly keepTo: number;
  cancelled: boolean;
  /** The group was jumped into: this frame is drawn before the rest is decoded. */
  readonly jumpedTo: number | null;
  /** Nobody waits for it: pictures that are wanted now go before. */
  ahead: boolean;
  error: Error | null;
  done: Promise<void>;
}

/**
 * Decoded frames of one clip, whole groups of pictures at a time, so that stepping back is as quick as stepping
 * forward. One decoding job runs at a time; a request for another group cancels it. The cache is bounded in bytes and
 * every frame it drops is closed. The frames next in the direction of work are turned into bitmaps meanwhile, because
 * drawing a decoded frame costs more than all the rest of a step.
 */
export class FrameCache {
  private readonly kept = new Map<number, VideoFrame>();
  private readonly ready = new Map<number, ImageBitmap>();
  private preparing = false;
  private bytes = 0;
  private budget = BUDGET;
  private wanted = 0;
  private askedAt = 0;
  private direction = 1;
  private job: Job | null = null;
  private decoder: VideoDecoder | null = null;
  private pixels: ImageData | null = null;
  private turning: Promise<unknown> = Promise.resolve();
  private closed = false;
  private waiting = new Map<number, (() => void)[]>();
  private readonly frameBytes: number;
  private readyAhead = READY_AHEAD;
  private detail = 1;
  private readonly groupOf: Uint32Array;
  private readonly damage = new Damage();
  private search: { readonly group: number; readonly done: Promise<boolean> } | null = null;

  constructor(
    private readonly index: FrameIndex,
    private readonly track: Pick<OpenedTrack, 'sink' | 'config' | 'canStart'>,
    /** Whether neighbours are made ready for drawing; whoever measures pictures wants all of them decoded alike. */
    private readonly forDrawing: boolean,
  ) {
    this.frameBytes = index.width * index.height * 1.5;
    this.setDetail(1);
    this.groupOf = new Uint32Array(index.frameTimes.length);
    index.groups.forEach((group, g) => this.groupOf.fill(g, group.first, group.end));
  }

  /** A picture of the frame, to be closed by whoever asked. Superseded when another frame is asked for meanwhile. */
  async frame(i: number): Promise<Result<DecodedPicture, FrameIssue>> {
    if (!Number.isInteger(i) || i < 0 || i >= this.index.frameTimes.length) {
      return fail(
        'out-of-range',
        `There is no frame ${i}; the clip has frames 0 to ${this.index.frameTimes.length - 1}.`,
      );
    }
    this.direction = Math.sign(i - this.wanted) || this.direction;
    const stepping = Math.abs(i - this.wanted) <= 2;
    this.wanted = i;
    this.askedAt = performance.now();
    for (let attempt = 0; !this.kept.has(i); attempt++) {
      if (this.wanted !== i) return fail('superseded', `Frame ${i} is no longer wanted.`);
      if (this.damage.isLost(i)) return this.damaged(i);
      // Its whole group was decoded more than once, and it was not among the pictures.
      if (attempt > 2) {
        this.damage.lose(i);
        return this.damaged(i);
      }
      const group = this.groupOf[i]!;
      if (
        !this.job ||
        this.job.group !== group ||
        this.job.cancelled ||
        i < this.job.keepFrom ||
        i >= this.job.keepTo
      ) {
        this.start(group, stepping ? null : i);
      }
      const job = this.job!;
      job.ahead = false;
      await Promise.race([new Promise<void>((arrived) => this.await(i, arrived)), job.done]);
      if (!job.error || this.kept.has(i) || this.wanted !== i) continue;
      // One damaged packet ends a decoder: what comes after it is decoded without it. A decoder that the browser took
      // away is started again.
      if (await this.leaveOutDamage(group)) attempt = -1;
      else if (attempt > 0) return this.damaged(i);
    }
    const frame = this.kept.get(i)!;
    // A turn of direction makes reading ahead the other way worthless.
    const away = this.job?.ahead && (this.job.group - this.groupOf[i]!) * this.direction < 0;
    if (stepping && (!this.job || away)) this.readAhead(i);
    const bitmap = this.ready.get(i);
    this.ready.delete(i);
    if (bitmap || !this.forDrawing || this.detail === 1) {
      void this.prepare(bitmap ? 0 : DRAWING_TIME);
      return ok(bitmap ?? frame.clone());
    }
    // A whole picture for a small pane would be kept by the browser as well as by us.
    const whole = frame.clone();
    const small = await this.toBitmap(whole).catch(() => null);
    void this.prepare(DRAWING_TIME);
    if (!small) return ok(whole);
    whole.close();
    return ok(small);
  }

  /** Bounds the bytes kept; what is over is given back at once. */
  setBudget(bytes: number): void {
    this.budget = bytes;
    this.shrink();
  }

  /** Neighbours are made ready at this part of their width and height: a small pane needs no more. */
  setDetail(detail: number): void {
    this.detail = detail;
    this.readyAhead = Math.min(
      READY_AHEAD,
      Math.max(2, Math.floor(READY_BYTES / (this.index.width * this.index.height * detail ** 2 * 4))),
    );
    for (const bitmap of this.ready.values()) bitmap.close();
    this.ready.clear();
  }

  /** Whether pictures are being decoded. */
  get busy(): boolean {
    return this.job !== null;
  }

  close(): void {
    this.closed = true;
    this.cancel();
    if (this.decoder && this.decoder.state !== 'closed') this.decoder.close();
    for (const frame of this.kept.values()) frame.close();
    for (const bitmap of this.ready.values()) bitmap.close();
    this.kept.clear();
    this.ready.clear();
    this.bytes = 0;
  }

  /** Makes the neighbours of the frame shown ready for drawing, those in the direction of work first. */
  private async prepare(after: number): Promise<void> {
    if (this.preparing || !this.forDrawing) return;
    this.preparing = true;
    // The picture asked for leaves first, and is drawn.
    await new Promise((resolve) => setTimeout(resolve, after));
    for (let next = this.nextToPrepare(); next !== null; next = this.nextToPrepare()) {
      const { detail } = this;
      const bitmap = await this.toBitmap(this.kept.get(next)!).catch(() => null);
      if (!bitmap || this.closed) {
        bitmap?.close();
        break;
      }
      if (detail !== this.detail) {
        bitmap.close();
        continue;
      }
      this.ready.set(next, bitmap);
      for (const [i, old] of this.ready) {
        if (
          Math.abs(i - this.wanted) <= 1 ||
          ((i - this.wanted) * this.direction > 0 && Math.abs(i - this.wanted) <= this.readyAhead)
        )
          continue;
        old.close();
        this.ready.delete(i);
      }
    }
    this.preparing = false;
    if (performance.now() - this.askedAt <= RESTING) setTimeout(() => void this.prepare(0), RESTING + 1);
  }

  /**
   * A frame as a bitmap. Converted by the processor: a bitmap made of a frame directly waits for the page's own thread,
   * which is the one that must stay free.
   */
  private toBitmap(frame: VideoFrame): Promise<ImageBitmap> {
    // One at a time: they share their pixels.
    const bitmap = this.turning.then(() => this.turnIntoBitmap(frame));
    this.turning = bitmap.catch(() => undefined);
    return bitmap;
  }

  private async turnIntoBitmap(frame: VideoFrame): Promise<ImageBitmap> {
    const { width, height } = frame.visibleRect!;
    this.pixels ??= new ImageData(width, height);
    await frame.copyTo(this.pixels.data, { format: 'RGBA' });
    const { detail } = this;
    return createImageBitmap(
      this.pixels,
      detail < 1
        ? {
            resizeWidth: Math.round(width * detail),
            resizeHeight: Math.round(height * detail),
            resizeQuality: 'medium',
          }
        : undefined,
    );
  }

  private nextToPrepare(): number | null {
    if (this.closed) return null;
    const { wanted, direction } = this;
    const onwards = Array.from({ length: this.readyAhead }, (_, k) => wanted + direction * (k + 1)).find(
      (i) => this.kept.has(i) && !this.ready.has(i),
    );
    if (onwards !== undefined) return onwards;
    // A turn of direction is rare: the frame behind is made ready only while nothing moves.
    const behind = wanted - direction;
    return performance.now() - this.askedAt > RESTING && this.kept.has(behind) && !this.ready.has(behind)
      ? behind
      : null;
  }

  /** Finds the packet that stops the decoder, and leaves it out from now on; searched once for all who ask. */
  private leaveOutDamage(group: number): Promise<boolean> {
    if (this.search?.group !== group) {
      const done = this.searchDamage(group).finally(() => {
        if (this.search?.done === done) this.search = null;
      });
      this.search = { group, done };
    }
    return this.search!.done;
  }

  private async searchDamage(group: number): Promise<boolean> {
    this.cancel();
    const { lastPacket } = this.index.groups[group]!;
    const key = await this.keyOf(group).catch(() => null);
    const packet = key && (await firstDamaged(this.track, key, lastPacket, this.damage));
    if (!packet) return false;
    return this.damage.leaveOut(packet.sequenceNumber, this.frameAt(packet.microsecondTimestamp));
  }

  private damaged(i: number): Result<never, FrameIssue> {
    return fail(
      'damaged',
      `Frame ${i + 1} could not be decoded: the clip is damaged there. Step past it, or copy the file from the camera again.`,
    );
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
    this.shrink();
    this.wake(i);
  }

  /** Gives up the frames farthest from the one shown. */
  private shrink(): void {
    while (this.bytes > this.budget) {
      let farthest = this.wanted;
      for (const i of this.kept.keys()) if (Math.abs(i - this.wanted) > Math.abs(farthest - this.wanted)) farthest = i;
      if (Math.abs(farthest - this.wanted) <= 1) return;
      this.kept.get(farthest)!.close();
      this.kept.delete(farthest);
      this.bytes -= this.frameBytes;
    }
  }

  private cancel(): void {
    const { job } = this;
    if (!job) return;
    job.cancelled = true;
    this.job = null;
    if (this.decoder && this.decoder.state !== 'closed') this.decoder.reset();
  }

  /** Frames of a group to keep: all, or a window round the wanted one where the group alone exceeds the budget. */
  private windowOf(group: FrameGroup, share: number): { from: number; to: number } {
    const most = Math.max(8, Math.floor((this.budget * share) / this.frameBytes));
    if (group.end - group.first <= most) return { from: group.first, to: group.end };
    const before = Math.floor(most * (this.direction < 0 ? 0.8 : 0.3));
    const from = Math.max(group.first, Math.min(this.wanted - before, group.end - most));
    return { from, to: from + most };
  }

  private start(group: number, jumpedTo: number | null, ahead = false): void {
    this.cancel();
    const window = this.windowOf(
      this.index.groups[group]!,
      ahead && group !== this.groupOf[this.wanted] ? AHEAD_SHARE : OWN_SHARE,
    );
    const job: Job = {
      group,
      keepFrom: window.from,
      keepTo: window.to,
      jumpedTo,
      ahead,
      cancelled: false,
      error: null,
      done: Promise.resolve(),
    };
    this.job = job;
    job.done = this.decode(job).catch((error: unknown) => {
      // A decoder that is reset for the next job ends the one before; that is no error.
      if (job.cancelled && !job.error) return;
      job.error ??= error instanceof Error ? error : new Error(String(error));
      job.cancelled = true;
      if (this.job === job) this.job = null;
    });
  }

  /** The one decoder, kept from job to job because starting one takes as long as decoding several frames. */
  private readyDecoder(): VideoDecoder {
    if (!this.decoder || this.decoder.state === 'closed') {
      this.decoder = new VideoDecoder({
        output: (picture) => {
          const { job } = this;
          const i = this.frameAt(picture.timestamp);
          const keep =
            i !== undefined &&
            job !== null &&
            !job.cancelled &&
            i >= job.keepFrom &&
            i < job.keepTo &&
            !this.kept.has(i);
          if (keep) this.put(i, picture);
          else picture.close();
        },
        error: (error) => {
          if (!this.job) return;
          this.job.error = error;
          this.job.cancelled = true;
        },
      });
    }
    if (this.decoder.state === 'unconfigured') this.decoder.configure(this.track.config);
    return this.decoder;
  }

  private async decode(job: Job): Promise<void> {
    const group = this.index.groups[job.group]!;
    const decoder = this.readyDecoder();
    const key = await this.keyOf(job.group);
    // In presentation order frame n of the group needs about n packets, and what the decoder holds back.
    let drawBefore = job.jumpedTo === null ? Infinity : job.jumpedTo - group.first + 1 + HELD_BACK;
    for await (const packet of this.track.sink.packets(key)) {
      if (job.cancelled || packet.sequenceNumber > group.lastPacket) break;
      if (this.damage.leavesOut(packet.sequenceNumber)) continue;
      if (drawBefore-- === 0) await this.letDraw(job);
      if (job.cancelled) break;
      decoder.decode(packet.toEncodedVideoChunk());
      if (job.ahead) await this.giveWay(job);
      while (decoder.decodeQueueSize > QUEUE && !job.cancelled) {
        await new Promise<void>((resolve) => {
          decoder.addEventListener('dequeue', () => resolve(), { once: true });
          setTimeout(resolve, 50);
        });
      }
    }
    if (job.error) throw job.error;
    if (job.cancelled) return;
    await decoder.flush();
    if (this.job === job) this.job = null;
    if (job.error) throw job.error;
    void this.prepare(0);
  }

  /** Reading ahead keeps the decoder's queue short, so that a picture wanted now is not behind a queue. */
  private async giveWay(job: Job): Promise<void> {
    const decoder = this.readyDecoder();
    while (job.ahead && !job.cancelled && decoder.decodeQueueSize > QUEUE / 2)
      await new Promise((resolve) => setTimeout(resolve, 3));
  }

  /** Waits until the frame that was jumped to has arrived and could be drawn. */
  private async letDraw(job: Job): Promise<void> {
    const i = job.jumpedTo!;
    if (!this.kept.has(i))
      await Promise.race([
        new Promise<void>((arrived) => this.await(i, arrived)),
        new Promise((late) => setTimeout(late, 4 * DRAWING_TIME)),
      ]);
    if (!job.cancelled) await new Promise((drawn) => setTimeout(drawn, DRAWING_TIME));
  }

  /** The frame with exactly this time (microseconds of the container), by bisection; undefined where none has it. */
  private frameAt(timestamp: number): number | undefined {
    const { frameTimes, origin } = this.index;
    const time = timestamp - origin;
    let low = 0;
    let high = frameTimes.length - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (frameTimes[middle]! < time) low = middle + 1;
      else high = middle;
    }
    return frameTimes[low] === time ? low : undefined;
  }

  /**
   * The packet at which decoding of a group begins: its own key, or an earlier one where a decoder cannot start there.
   */
  private async keyOf(group: number): Promise<EncodedPacket> {
    for (let g = group; g >= 0; g--) {
      const key = await this.track.sink.getKeyPacket(this.index.groups[g]!.keyTime);
      if (!key) throw new Error('the key frame is missing');
      if (g === 0 || (await this.track.canStart(key))) return key;
    }
    throw new Error('there is no key frame');
  }

  private readAhead(i: number): void {
    const own = this.groupOf[i]!;
    // A group that is kept in part is decoded again before its kept part ends.
    const soon = i + this.direction * READ_AHEAD;
    if (this.groupOf[soon] === own && !this.kept.has(soon)) return this.start(own, null, true);
    const next = own + this.direction;
    const group = this.index.groups[next];
    if (!group) return;
    const edge = this.direction > 0 ? group.first : group.end - 1;
    const ownGroup = this.index.groups[own]!;
    // Not so early that the group at hand has to be given up for it.
    const reach = Math.max(
      READ_AHEAD,
      Math.min(ownGroup.end - ownGroup.first, (AHEAD_SHARE * this.budget) / this.frameBytes),
    );
    if (Math.abs(edge - i) > reach || this.kept.has(edge)) return;
    this.start(next, null, true);
  }
}
