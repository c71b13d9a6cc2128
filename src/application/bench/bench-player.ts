import { nearestFrame, timeAtFrame } from '../../core/timing/clip-time';
import {
  framesWith,
  insideClip,
  mainOf,
  offsetsAt,
  offsetsByEvents,
  timeMapOf,
  untiedFrom,
  withCameras,
  type Matching,
  type SynchronisedClip,
  type Synchrony,
} from '../../core/timing/synchronise';
import type { TimeMap } from '../../core/timing/time-map';
import { eventTimes } from '../../core/trial/key-events';
import type { Trial } from '../../core/trial/trial';
import type { ClipSource } from '../../media/clip-source';
import type { DecodedPicture } from '../../media/decoded-picture';
import type { Rotation } from '../../core/geometry/quarter-turn';
import { steppedOver } from '../../core/timing/frame-gaps';
import { rememberGap } from './remember-gap';
import { notify } from '../stores/notices';
import { PictureQueue, type Frames, type Painter } from './picture-queue';
import { NO_CLIPS, synchronyOf, type BenchClips } from './synchrony';
import { setView, useView } from '../stores/view-store';
import { TEXT } from '../../text/application/bench';

/** Longest step of the clock between two pictures, so that a slow decoder slows the clock instead of skipping. */
const LONGEST_TICK_SECONDS = 0.12;
/** Pictures of which it is remembered when they were shown: more than a busy page falls behind. */
const REMEMBERED = 120;

/**
 * Runs the panes from one clock: the real time of the first trial (the athlete's where there is one). The other trials
 * follow by the mode of matching, further cameras follow their own trial (`core/timing/synchronise`).
 */
export class BenchPlayer {
  private clips: BenchClips | null = null;
  private known: { readonly of: BenchClips; readonly by: Matching; readonly is: Synchrony } | null = null;
  /** What was shown last, and since when. */
  private history: readonly { readonly at: number; readonly frames: Frames }[] = [];
  /** Told when pictures are being fetched and when all are there. */
  onBusy: (busy: boolean) => void = () => undefined;
  /** Told the leading clip's time whenever it moves on while pictures play. */
  onClock: (time: number) => void = () => undefined;
  private lastTick = 0;
  private clock = 0;
  private readonly pictures = new PictureQueue({
    shown: (frames) => {
      setView({ shown: { ...useView.getState().shown, ...frames } });
      this.history = [...this.history.slice(1 - REMEMBERED), { at: performance.now(), frames }];
    },
    damaged: (lost, wanted) => {
      for (const id of lost) rememberGap(id, wanted[id]!, this.trialOf(id)?.clip.fileName ?? TEXT.clip);
      const counts = Object.fromEntries(this.synchrony.clips.map(({ id, times }) => [id, times.length]));
      return steppedOver(wanted, lost, { ...useView.getState(), counts });
    },
    failed: ({ message }) => {
      notify('error', message);
      setView({ playing: false });
    },
    busy: (busy) => this.onBusy(busy),
  });

  setClips(clips: BenchClips): void {
    this.clips = clips;
  }

  addSource(clipId: string, source: ClipSource): void {
    this.pictures.add(clipId, source);
    // A pane that is already there waits for its picture.
    this.request(this.pending);
  }

  hasSource(clipId: string): boolean {
    return this.source(clipId) !== null;
  }

  source(clipId: string): ClipSource | null {
    return this.pictures.source(clipId);
  }

  dropSources(except: readonly string[]): void {
    this.pictures.dropAllBut(except);
  }

  /** A pane tells how much detail it shows of a clip; where it is more than before, its picture is fetched again. */
  setDetail(clipId: string, detail: number): void {
    if (this.pictures.setDetail(clipId, detail)) this.request(this.pending);
  }

  addPainter(clipId: string, painter: Painter): () => void {
    const remove = this.pictures.addPainter(clipId, painter);
    this.request(this.pending);
    return remove;
  }

  /** Fetches pictures of a clip beside what the panes show (`PictureQueue.peek`). */
  peek(
    clipId: string,
    frames: readonly number[],
    take: (index: number, picture: DecodedPicture, rotation: Rotation) => void,
    signal: AbortSignal,
  ): Promise<void> {
    return this.pictures.peek(clipId, frames, take, signal);
  }

  /** Asks for one picture on all panes; a newer request replaces one that has not begun. */
  request(frames: Frames): void {
    this.pictures.request(frames);
  }

  private get synchrony(): Synchrony {
    const { clips: of, known } = this;
    const by = useView.getState();
    if (!of) return NO_CLIPS;
    const same = known?.of === of && known.by.mode === by.mode && known.by.lockEvent === by.lockEvent;
    if (known && same && known.by.offsets === by.offsets) return known.is;
    this.known = { of, by, is: synchronyOf(of, by) };
    return this.known.is;
  }

  private trialOf(clipId: string | undefined): Trial | null {
    return this.clips?.clips.find((c) => c.trial.clip.id === clipId)?.trial ?? null;
  }

  /** The trial whose time is the clock. */
  get lead(): Trial | null {
    return this.clips?.clips[0]?.trial ?? null;
  }

  /** The map from the clock to a clip's time, or null where nothing ties the clip to it. */
  timeMap(clipId: string): TimeMap | null {
    return timeMapOf(this.synchrony, clipId);
  }

  /** The frames that are shown, or will be once they are decoded. */
  private get pending(): Frames {
    return this.pictures.wanted ?? useView.getState().shown;
  }

  /** The frame that a pane shows, or will show once it is decoded. */
  pendingFrame(clipId: string): number {
    return this.pending[clipId] ?? 0;
  }

  /** Frames of all clips that belong to a frame of one of them; the others stay as they are or are asked to be. */
  framesFor(clipId: string, frame: number): Record<string, number> {
    return { ...this.pending, ...framesWith(this.synchrony, clipId, frame) };
  }

  /** Goes to a frame of one clip; the others follow by the mode. */
  goTo(clipId: string, frame: number): void {
    this.request(this.framesFor(clipId, frame));
  }

  /** The clip that acts act on: the one chosen, or the first. */
  private get active(): SynchronisedClip | null {
    const { activeClip } = useView.getState();
    const { clips } = this.synchrony;
    return clips.find((c) => c.id === activeClip) ?? clips[0] ?? null;
  }

  /** Steps all clips by frames of the active one. */
  stepBoth(by: number): void {
    const { active, synchrony } = this;
    if (!active) return;
    const next = this.framesFor(active.id, this.pendingFrame(active.id) + by);
    for (const other of untiedFrom(synchrony, mainOf(synchrony, active)))
      Object.assign(next, withCameras(synchrony, other, insideClip(other, this.pendingFrame(other.id) + by)));
    this.request(next);
  }

  /** Steps one clip alone, which sets all free from each other. */
  stepOne(by: number): void {
    const { active } = this;
    if (!active) return;
    if (useView.getState().mode !== 'free') {
      setView({ mode: 'free' });
      notify('info', TEXT.clipsNowMoveFreelyChoose);
    }
    this.request({ ...this.pending, [active.id]: insideClip(active, this.pendingFrame(active.id) + by) });
  }

  /** Brings every further camera to its trial, whose clock may have been set anew. */
  alignCameras(): void {
    const { synchrony } = this;
    const next: Record<string, number> = { ...this.pending };
    for (const clip of synchrony.clips)
      if (!clip.camera) Object.assign(next, withCameras(synchrony, clip, insideClip(clip, this.pendingFrame(clip.id))));
    this.request(next);
  }

  /** First cameras that follow the leading one. */
  private get followers(): readonly SynchronisedClip[] {
    return this.synchrony.clips.slice(1).filter((c) => !c.camera);
  }

  /** Keeps all clips together in real time as they stand now. */
  lockAsTheyStand(): void {
    if (this.followers.length > 0) setView({ mode: 'offset', offsets: offsetsAt(this.synchrony, this.pending) });
  }

  /**
   * Brings the other clips to the same moment as the active one, by the moments marked in both, and locks them there.
   */
  catchUp(): void {
    const { active, followers } = this;
    if (!active || followers.length === 0) return;
    const there = offsetsByEvents(this.synchrony, active.id, this.pendingFrame(active.id));
    if (!there) return;
    for (const { id, why } of there.without) notify('info', `${this.trialOf(id)?.clip.performer.name ?? id}: ${why}`);
    if (Object.keys(there.offsets).length === 0) return;
    setView({ mode: 'offset', offsets: there.offsets });
    this.goTo(active.id, this.pendingFrame(active.id));
  }

  /** The trial that is moved against the lead: the chosen one, or the first that follows. */
  get movable(): Trial | null {
    const { active, followers, synchrony } = this;
    const main = active && mainOf(synchrony, active);
    return this.trialOf((followers.find((c) => c.id === main?.id) ?? followers[0])?.id);
  }

  /** Moves a trial against the lead by frames (fractions too) of its own; all stay locked. */
  nudge(frames: number): void {
    const { lead, movable } = this;
    if (!lead || !movable) return;
    if (useView.getState().mode !== 'offset') this.lockAsTheyStand();
    const { offsets } = useView.getState();
    setView({
      offsets: { ...offsets, [movable.clip.id]: (offsets[movable.clip.id] ?? 0) + frames * movable.interval },
    });
    this.goTo(lead.clip.id, this.pendingFrame(lead.clip.id));
  }

  /** Real times of the leading clip between which it plays. */
  private playedTimes(lead: Trial): { from: number; to: number } {
    const end = lead.times[lead.times.length - 1]!;
    const { region } = useView.getState();
    const times = eventTimes(lead);
    const from = region ? times[region.from] : undefined;
    const to = region ? times[region.to] : undefined;
    return from !== undefined && to !== undefined && to > from ? { from, to } : { from: 0, to: end };
  }

  play(): void {
    const { lead } = this;
    if (!lead || useView.getState().playing) return;
    const now = timeAtFrame(lead.times, this.pendingFrame(lead.clip.id));
    const { from, to } = this.playedTimes(lead);
    this.clock = now < from - 1e-9 || now >= to - 1e-9 ? from : now;
    this.lastTick = performance.now();
    setView({ playing: true });
    requestAnimationFrame(this.tick);
  }

  pause(): void {
    setView({ playing: false });
  }

  private readonly tick = (now: number): void => {
    const { playing } = useView.getState();
    const { lead } = this;
    if (!playing || !lead) return;
    if (!this.pictures.busy) this.advance(lead, now);
    requestAnimationFrame(this.tick);
  };

  /** Moves the clock on and asks for the pictures of its time. */
  private advance(lead: Trial, now: number): void {
    const { speed, loop } = useView.getState();
    const { synchrony } = this;
    this.clock += Math.min(LONGEST_TICK_SECONDS, Math.max(0, (now - this.lastTick) / 1000)) * speed;
    this.lastTick = now;
    const { from, to: end } = this.playedTimes(lead);
    if (loop && this.clock >= end) this.clock = from;
    const next = this.framesFor(lead.clip.id, nearestFrame(lead.times, Math.min(this.clock, end)));
    for (const other of untiedFrom(synchrony, synchrony.clips[0]!))
      Object.assign(next, withCameras(synchrony, other, nearestFrame(other.times, this.clock)));
    // Slowly played, most turns of the page show the same pictures.
    if (Object.entries(next).some(([id, i]) => i !== this.pendingFrame(id))) this.request(next);
    if (this.clock >= end) setView({ playing: false });
    else this.onClock(this.clock);
  }

  /**
   * The frame that somebody means who presses a key: while pictures play, the one that was on the screen when the key
   * went down; while they stand, the one that a pane shows or will show.
   * @param at time of the press, ms of the page's clock
   */
  meantFrame(clipId: string, at: number): number {
    if (!useView.getState().playing) return this.pendingFrame(clipId);
    const then = this.history.findLast((shown) => shown.at <= at) ?? this.history[0];
    return then?.frames[clipId] ?? this.pendingFrame(clipId);
  }
}

export const player = new BenchPlayer();
