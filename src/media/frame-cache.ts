import type { DecodedPicture } from './decoded-picture';
import { fail, ok, type Issue, type Result } from '../core/result';
import { Damage, firstDamaged } from './damage';
import { frameOf, keyOf, type FrameIndex, type FrameGroup, type OpenedTrack } from './frame-index';
import { KeptFrames } from './kept-frames';
import { ReadyPictures } from './ready-pictures';
import { TEXT } from '../text/media';

export type FrameIssue = Issue<'superseded' | 'damaged' | 'out-of-range'>;

/** Parts of the budget for the group at hand and for the one read ahead. */
const OWN_SHARE = 0.6;
const AHEAD_SHARE = 0.4;
/** A decoder holds back pictures until it has seen this many more packets (reordering and threads). */
const HELD_BACK = 6;
/** How long the rest of a group waits while a picture that was jumped to is drawn, ms. */
const DRAWING_TIME = 25;
/** Frames handed to the decoder before waiting for it. */
const QUEUE = 8;
/** Frames that somebody who goes on in order leaves out at most: a film of a fast clip shows every fourth. */
const STRIDE = 8;
/** Reading ahead begins at least this many frames before the edge of a group. */
const READ_AHEAD = 24;

const damagedFrame = (i: number): Result<never, FrameIssue> => fail('damaged', TEXT.frameCouldNotBeDecoded(i + 1));

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
 * every frame it drops is closed. The frames next in the direction of work are made ready meanwhile
 * (`ready-pictures.ts`).
 */
export class FrameCache {
  private readonly kept: KeptFrames;
  private readonly ready: ReadyPictures;
  /** The frame asked for last, when, and which way somebody goes. */
  wanted = 0;
  askedAt = 0;
  direction = 1;
  private job: Job | null = null;
  private decoder: VideoDecoder | null = null;
  private readonly groupOf: Uint32Array;
  private readonly damage = new Damage();
  private search: { readonly group: number; readonly done: Promise<boolean> } | null = null;

  constructor(
    private readonly index: FrameIndex,
    private readonly track: Pick<OpenedTrack, 'sink' | 'config' | 'canStart'>,
    /** Whether neighbours are made ready for drawing; whoever measures pictures wants all of them decoded alike. */
    private readonly forDrawing: boolean,
  ) {
    this.kept = new KeptFrames(index.width * index.height * 1.5, () => this.wanted);
    this.ready = new ReadyPictures(index, this.kept.frames, () => this);
    this.groupOf = new Uint32Array(index.frameTimes.length);
    index.groups.forEach((group, g) => this.groupOf.fill(g, group.first, group.end));
  }

  /** A picture of the frame, to be closed by whoever asked. Superseded when another frame is asked for meanwhile. */
  async frame(i: number): Promise<Result<DecodedPicture, FrameIssue>> {
    const last = this.index.frameTimes.length - 1;
    if (!Number.isInteger(i) || i < 0 || i > last) return fail('out-of-range', TEXT.thereIsNoFrameClip(i, last));
    this.direction = Math.sign(i - this.wanted) || this.direction;
    const stepping = Math.abs(i - this.wanted) <= STRIDE;
    this.wanted = i;
    this.askedAt = performance.now();
    for (let attempt = 0; !this.kept.frames.has(i); attempt++) {
      if (this.wanted !== i) return fail('superseded', TEXT.frameIsNoLongerWanted(i));
      if (this.damage.isLost(i)) return damagedFrame(i);
      // Its whole group was decoded more than once, and it was not among the pictures.
      if (attempt > 2) {
        this.damage.lose(i);
        return damagedFrame(i);
      }
      const group = this.groupOf[i]!;
      if (!this.isUnderway(group, i)) this.start(group, stepping ? null : i);
      const job = this.job!;
      job.ahead = false;
      await Promise.race([this.kept.arrivalOf(i), job.done]);
      if (!job.error || this.kept.frames.has(i) || this.wanted !== i) continue;
      // One damaged packet ends a decoder: what comes after it is decoded without it. A decoder that the browser took
      // away is started again.
      if (await this.leaveOutDamage(group)) attempt = -1;
      else if (attempt > 0) return damagedFrame(i);
    }
    const frame = this.kept.frames.get(i)!;
    // A turn of direction makes reading ahead the other way worthless.
    const away = this.job?.ahead && (this.job.group - this.groupOf[i]!) * this.direction < 0;
    if (stepping && (!this.job || away)) this.readAhead(i);
    const bitmap = this.ready.take(i);
    if (bitmap || !this.forDrawing || this.ready.whole) {
      this.prepare(bitmap ? 0 : DRAWING_TIME);
      return ok(bitmap ?? frame.clone());
    }
    // A whole picture for a small pane would be kept by the browser as well as by us.
    const whole = frame.clone();
    const small = await this.ready.bitmapOf(whole).catch(() => null);
    this.prepare(DRAWING_TIME);
    if (!small) return ok(whole);
    whole.close();
    return ok(small);
  }

  private prepare(after: number): void {
    if (this.forDrawing) void this.ready.prepare(after);
  }

  /** Bounds the bytes kept; what is over is given back at once. */
  setBudget(bytes: number): void {
    this.kept.setBudget(bytes);
  }

  /** Neighbours are made ready at this part of their width and height. */
  setDetail(detail: number): void {
    this.ready.setDetail(detail);
  }

  /** Whether pictures are being decoded. */
  get busy(): boolean {
    return this.job !== null;
  }

  close(): void {
    this.cancel();
    if (this.decoder && this.decoder.state !== 'closed') this.decoder.close();
    this.ready.close();
    this.kept.clear();
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
    const key = await keyOf(this.index, this.track, group).catch(() => null);
    const packet = key && (await firstDamaged(this.track, key, lastPacket, this.damage));
    if (!packet) return false;
    return this.damage.leaveOut(packet.sequenceNumber, frameOf(this.index, packet.microsecondTimestamp));
  }

  private isUnderway(group: number, i: number): boolean {
    const { job } = this;
    return job !== null && job.group === group && !job.cancelled && i >= job.keepFrom && i < job.keepTo;
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
    const most = Math.max(8, this.kept.fit(share));
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
          const i = frameOf(this.index, picture.timestamp);
          const keep =
            i !== undefined &&
            job !== null &&
            !job.cancelled &&
            i >= job.keepFrom &&
            i < job.keepTo &&
            !this.kept.frames.has(i);
          if (keep) this.kept.put(i, picture);
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
    const key = await keyOf(this.index, this.track, job.group);
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
    this.prepare(0);
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
    if (!this.kept.frames.has(i))
      await Promise.race([this.kept.arrivalOf(i), new Promise((late) => setTimeout(late, 4 * DRAWING_TIME))]);
    if (!job.cancelled) await new Promise((drawn) => setTimeout(drawn, DRAWING_TIME));
  }

  private readAhead(i: number): void {
    const own = this.groupOf[i]!;
    // A group that is kept in part is decoded again before its kept part ends.
    const soon = i + this.direction * READ_AHEAD;
    if (this.groupOf[soon] === own && !this.kept.frames.has(soon)) return this.start(own, null, true);
    const next = own + this.direction;
    const group = this.index.groups[next];
    if (!group) return;
    const edge = this.direction > 0 ? group.first : group.end - 1;
    const ownGroup = this.index.groups[own]!;
    // Not so early that the group at hand has to be given up for it.
    const reach = Math.max(READ_AHEAD, Math.min(ownGroup.end - ownGroup.first, this.kept.fit(AHEAD_SHARE)));
    if (Math.abs(edge - i) > reach || this.kept.frames.has(edge)) return;
    this.start(next, null, true);
  }
}
