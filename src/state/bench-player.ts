import type { DecodedPicture } from '../media/decoded-picture';
import type { Rotation } from '../media/rotation';
import { chain, lockedMap, matchedMap, offsetMap, SAME_TIME, type TimeMap } from '../core/timing/time-map';
import { nearestFrame, timeAtFrame } from '../core/timing/clip-time';
import { momentTimes } from '../core/trial/moments';
import type { Trial } from '../core/trial/trial';
import type { Movement } from '../core/model/movement';
import type { Issue, Result } from '../core/result';
import type { ClipSource } from '../media/clip-source';
import type { BenchClip } from './derived';
import { steppedOver } from './frame-gaps';
import { notify } from './notices';
import { setView, useView } from './view-store';

/** Draws a decoded frame; called for all panes of one picture in the same turn. */
/** A work copy stands upright where its original does not: what rotation a picture needs comes with it. */
export type Painter = (frame: DecodedPicture, index: number, rotation: Rotation) => void;

export interface BenchClips {
  readonly movement: Movement;
  /** All clips that may be shown; the first trial leads. */
  readonly clips: readonly Pick<BenchClip, 'trial' | 'join'>[];
}

/** Bytes of decoded pictures that all clips keep together: with two, groups of a second at 720p fit whole. */
const DECODED_BYTES = { two: 440e6, more: 300e6 };

/** Longest step of the clock between two pictures, so that a slow decoder slows the clock instead of skipping. */
const LONGEST_TICK_SECONDS = 0.12;

/** Pictures of which it is remembered when they were shown: more than a busy page falls behind. */
const REMEMBERED = 120;

const isDamaged = (result: Result<unknown, Issue>): boolean => !result.ok && result.issue.code === 'damaged';

/**
 * Runs the panes from one clock: the real time of the first trial (the athlete's where there is one). The other
 * trials follow by the mode of matching, further cameras follow their own trial. A new picture is shown
 * only when every pane has its frame, so no two frames are seen together that do not belong together.
 */
export class BenchPlayer {
  private readonly sources = new Map<string, ClipSource>();
  private readonly details = new Map<string, number>();
  private readonly painters = new Map<string, Painter>();
  private clips: BenchClips | null = null;
  private target: Readonly<Record<string, number>> | null = null;
  private busy = false;
  /** What was shown last, and since when. */
  private history: readonly { readonly at: number; readonly frames: Readonly<Record<string, number>> }[] = [];
  /** Told when pictures are being fetched and when all are there. */
  onBusy: (busy: boolean) => void = () => undefined;
  private lastTick = 0;
  private clock = 0;

  setClips(clips: BenchClips): void {
    this.clips = clips;
  }

  addSource(clipId: string, source: ClipSource): void {
    this.sources.get(clipId)?.close();
    this.sources.set(clipId, source);
    source.setDetail(this.details.get(clipId) ?? 1);
    this.shareBudget();
    // A pane that is already there waits for its picture.
    this.request({ ...(this.target ?? useView.getState().shown) });
  }

  hasSource(clipId: string): boolean {
    return this.sources.has(clipId);
  }

  dropSources(except: readonly string[]): void {
    for (const [id, source] of this.sources) {
      if (except.includes(id)) continue;
      source.close();
      this.sources.delete(id);
    }
  }

  private shareBudget(): void {
    for (const source of this.sources.values())
      source.setBudget(
        (this.sources.size > 2 ? DECODED_BYTES.more : DECODED_BYTES.two) / Math.max(2, this.sources.size),
      );
  }

  /** A pane tells how much detail it shows of a clip; where it is more than before, its picture is fetched again. */
  setDetail(clipId: string, detail: number): void {
    const before = this.details.get(clipId) ?? 1;
    if (before === detail) return;
    this.details.set(clipId, detail);
    this.sources.get(clipId)?.setDetail(detail);
    if (detail > before) this.request({ ...(this.target ?? useView.getState().shown) });
  }

  source(clipId: string): ClipSource | null {
    return this.sources.get(clipId) ?? null;
  }

  addPainter(clipId: string, painter: Painter): () => void {
    this.painters.set(clipId, painter);
    this.request(useView.getState().shown);
    return () => {
      if (this.painters.get(clipId) === painter) this.painters.delete(clipId);
    };
  }

  /** The trial whose time is the clock. */
  get lead(): Trial | null {
    return this.clips?.clips[0]?.trial ?? null;
  }

  private of(clipId: string): BenchClips['clips'][number] | null {
    return this.clips?.clips.find((c) => c.trial.clip.id === clipId) ?? null;
  }

  /** The first camera of the trial that a clip shows. */
  private mainOf(clip: BenchClips['clips'][number]): Trial {
    return (clip.join && this.of(clip.join.mainId)?.trial) ?? clip.trial;
  }

  /** The map from the clock to another trial's time in the current mode, or null when there is none. */
  private mainMap(main: Trial): TimeMap | null {
    const { lead } = this;
    if (!lead) return null;
    if (main.clip.id === lead.clip.id) return SAME_TIME;
    const { mode, lockMoment, offsets } = useView.getState();
    if (mode === 'free') return null;
    if (mode === 'offset') return offsetMap(offsets[main.clip.id] ?? 0);
    const first = momentTimes(lead);
    const second = momentTimes(main);
    const order = this.clips!.movement.moments.map((m) => m.id);
    if (mode === 'locked') {
      const moment = lockMoment ?? order.find((id) => id in first && id in second);
      const map = moment === undefined ? null : lockedMap(moment, first, second);
      return map?.ok ? map.value : null;
    }
    const map = matchedMap(order, first, second);
    return map.ok ? map.value : null;
  }

  /** The map from the clock to a clip's time, or null where nothing ties the clip to it. */
  timeMap(clipId: string): TimeMap | null {
    const clip = this.of(clipId);
    if (!clip) return null;
    const toMain = this.mainMap(this.mainOf(clip));
    return toMain && (clip.join ? chain(toMain, clip.join.map) : toMain);
  }

  /** Frames of all clips that belong to a frame of one of them. */
  framesFor(clipId: string, frame: number): Record<string, number> {
    const shown = { ...useView.getState().shown };
    const master = this.of(clipId);
    if (!master) return shown;
    const { times } = master.trial;
    const inside = Math.min(times.length - 1, Math.max(0, Math.round(frame)));
    const time = timeAtFrame(times, inside);
    shown[clipId] = inside;
    const main = this.mainOf(master);
    const mainTime = master.join ? master.join.map.inverse(time) : time;
    const toMain = this.mainMap(main);
    for (const other of this.clips!.clips) {
      const { clip, times: otherTimes } = other.trial;
      if (clip.id === clipId) continue;
      const otherMain = this.mainOf(other);
      const sameMain = otherMain.clip.id === main.clip.id;
      const toOther = sameMain ? SAME_TIME : this.mainMap(otherMain);
      if (!toOther || (!sameMain && !toMain)) continue;
      const otherMainTime = sameMain ? mainTime : toOther.map(toMain!.inverse(mainTime));
      shown[clip.id] = nearestFrame(otherTimes, other.join ? other.join.map.map(otherMainTime) : otherMainTime);
    }
    return shown;
  }

  /** Goes to a frame of one clip; the others follow by the mode. */
  goTo(clipId: string, frame: number): void {
    this.request(this.framesFor(clipId, frame));
  }

  /** The clip that acts act on: the one chosen, or the first. */
  private get active(): BenchClips['clips'][number] | null {
    const { activeClip } = useView.getState();
    return (activeClip === null ? null : this.of(activeClip)) ?? this.clips?.clips[0] ?? null;
  }

  /** Trials that a given one does not bring along. */
  private untied(to: Trial): readonly Trial[] {
    return this.clips!.clips.filter(
      (c) => !c.join && c.trial.clip.id !== to.clip.id && (!this.mainMap(to) || !this.mainMap(c.trial)),
    ).map((c) => c.trial);
  }

  /** Steps all clips by frames of the active one. */
  stepBoth(by: number): void {
    const { active } = this;
    if (!active) return;
    const { clip } = active.trial;
    const next = this.framesFor(clip.id, this.pendingFrame(clip.id) + by);
    for (const other of this.untied(this.mainOf(active)))
      Object.assign(next, this.ownFrames(other, this.clampFrame(other, this.pendingFrame(other.clip.id) + by)));
    this.request(next);
  }

  /** A trial's frame and those of its further cameras. */
  private ownFrames(main: Trial, frame: number): Record<string, number> {
    const time = timeAtFrame(main.times, frame);
    const views = this.clips!.clips.filter((c) => c.join?.mainId === main.clip.id);
    return {
      [main.clip.id]: frame,
      ...Object.fromEntries(views.map((v) => [v.trial.clip.id, nearestFrame(v.trial.times, v.join!.map.map(time))])),
    };
  }

  /** Steps one clip alone, which sets all free from each other. */
  stepOne(by: number): void {
    const { active } = this;
    if (!active) return;
    if (useView.getState().mode !== 'free') {
      setView({ mode: 'free' });
      notify('info', 'The clips now move freely. Choose a way of matching to bring them together again.');
    }
    const { clip } = active.trial;
    this.request({
      ...(this.target ?? useView.getState().shown),
      [clip.id]: this.clampFrame(active.trial, this.pendingFrame(clip.id) + by),
    });
  }

  /** Brings every further camera to its trial, whose clock may have been joined anew. */
  alignCameras(): void {
    const next: Record<string, number> = { ...(this.target ?? useView.getState().shown) };
    for (const { join, trial } of this.clips?.clips ?? [])
      if (!join) Object.assign(next, this.ownFrames(trial, this.clampFrame(trial, this.pendingFrame(trial.clip.id))));
    this.request(next);
  }

  /** Trials that follow the lead. */
  private get followers(): readonly Trial[] {
    const { lead } = this;
    return (this.clips?.clips ?? []).filter((c) => !c.join && c.trial.clip.id !== lead?.clip.id).map((c) => c.trial);
  }

  /** Keeps all clips together in real time as they stand now. */
  lockAsTheyStand(): void {
    const { lead, followers } = this;
    if (!lead || followers.length === 0) return;
    const at = (trial: Trial): number => timeAtFrame(trial.times, this.pendingFrame(trial.clip.id));
    setView({ mode: 'offset', offsets: Object.fromEntries(followers.map((p) => [p.clip.id, at(p) - at(lead)])) });
  }

  /**
   * Brings the other clips to the same moment as the active one, by the moments marked in both, and locks them there.
   */
  catchUp(): void {
    const { active, lead, followers } = this;
    if (!active || !lead || followers.length === 0) return;
    const order = this.clips!.movement.moments.map((m) => m.id);
    const maps = new Map<string, TimeMap>([[lead.clip.id, SAME_TIME]]);
    for (const follower of followers) {
      const map = matchedMap(order, momentTimes(lead), momentTimes(follower));
      if (map.ok) maps.set(follower.clip.id, map.value);
      else notify('info', `${follower.clip.performer.name}: ${map.issue.message}`);
    }
    const { clip, times } = active.trial;
    const time = timeAtFrame(times, this.pendingFrame(clip.id));
    const toMain = maps.get(this.mainOf(active).clip.id);
    if (!toMain || maps.size === 1) return;
    const now = toMain.inverse(active.join ? active.join.map.inverse(time) : time);
    const before = useView.getState().offsets;
    setView({
      mode: 'offset',
      offsets: Object.fromEntries(
        followers.map(({ clip: { id } }) => [id, maps.has(id) ? maps.get(id)!.map(now) - now : (before[id] ?? 0)]),
      ),
    });
    this.goTo(clip.id, this.pendingFrame(clip.id));
  }

  /** The trial that is moved against the lead: the chosen one, or the first that follows. */
  get movable(): Trial | null {
    const main = this.active && this.mainOf(this.active);
    return this.followers.find((p) => p.clip.id === main?.clip.id) ?? this.followers[0] ?? null;
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
  private playedTimes(master: Trial): { from: number; to: number } {
    const end = master.times[master.times.length - 1]!;
    const { region } = useView.getState();
    const times = momentTimes(master);
    const from = region ? times[region.from] : undefined;
    const to = region ? times[region.to] : undefined;
    return from !== undefined && to !== undefined && to > from ? { from, to } : { from: 0, to: end };
  }

  play(): void {
    const master = this.lead;
    if (!master || useView.getState().playing) return;
    const now = timeAtFrame(master.times, this.pendingFrame(master.clip.id));
    const { from, to } = this.playedTimes(master);
    this.clock = now < from - 1e-9 || now >= to - 1e-9 ? from : now;
    this.lastTick = performance.now();
    setView({ playing: true });
    requestAnimationFrame(this.tick);
  }

  pause(): void {
    setView({ playing: false });
  }

  private readonly tick = (now: number): void => {
    const { playing, speed, loop } = useView.getState();
    const master = this.lead;
    if (!playing || !master) return;
    if (!this.busy) {
      this.clock += Math.min(LONGEST_TICK_SECONDS, Math.max(0, (now - this.lastTick) / 1000)) * speed;
      this.lastTick = now;
      const { from, to: end } = this.playedTimes(master);
      if (loop && this.clock >= end) this.clock = from;
      const frame = nearestFrame(master.times, Math.min(this.clock, end));
      const next = this.framesFor(master.clip.id, frame);
      for (const other of this.untied(master))
        Object.assign(next, this.ownFrames(other, nearestFrame(other.times, this.clock)));
      // Slowly played, most turns of the page show the same pictures.
      if (Object.entries(next).some(([id, i]) => i !== this.pendingFrame(id))) this.request(next);
      if (this.clock >= end) setView({ playing: false });
    }
    requestAnimationFrame(this.tick);
  };

  private clampFrame(trial: Trial, frame: number): number {
    return Math.min(trial.times.length - 1, Math.max(0, frame));
  }

  /** The frame that a pane shows, or will show once it is decoded. */
  pendingFrame(clipId: string): number {
    return (this.target ?? useView.getState().shown)[clipId] ?? 0;
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

  /**
   * Fetches pictures of a clip beside what the panes show, while the panes ask for none; whoever takes them closes
   * them.
   */
  async peek(
    clipId: string,
    frames: readonly number[],
    take: (index: number, picture: DecodedPicture, rotation: Rotation) => void,
    signal: AbortSignal,
  ): Promise<void> {
    for (const index of frames) {
      while (this.busy && !signal.aborted) await new Promise((resolve) => setTimeout(resolve, 10));
      if (signal.aborted) return;
      const picture = await this.sources.get(clipId)?.frame(index);
      if (!picture?.ok) continue;
      if (signal.aborted) picture.value.close();
      else take(index, picture.value, this.rotationOf(clipId));
    }
  }

  private rotationOf(clipId: string): Rotation {
    return this.sources.get(clipId)?.index.rotation ?? 0;
  }

  /** Asks for one picture on all panes; a newer request replaces one that has not begun. */
  request(frames: Readonly<Record<string, number>>): void {
    this.target = frames;
    if (this.busy) return;
    this.onBusy(true);
    void this.work();
  }

  /** Frames of each clip. */
  private get counts(): Readonly<Record<string, number>> {
    return Object.fromEntries((this.clips?.clips ?? []).map(({ trial: p }) => [p.clip.id, p.times.length]));
  }

  /** Remembers a frame that cannot be decoded; the first of a clip is said. */
  private gap(clipId: string, frame: number): void {
    const { gaps } = useView.getState();
    const known = gaps[clipId] ?? [];
    if (known.includes(frame)) return;
    setView({ gaps: { ...gaps, [clipId]: [...known, frame] } });
    const name = this.of(clipId)?.trial.clip.fileName ?? 'the clip';
    if (known.length === 0)
      notify(
        'error',
        `Frame ${frame + 1} of \u201c${name}\u201d cannot be decoded: the file is damaged there. Such frames are stepped over and marked on its ribbon; copy the file from the camera again.`,
      );
  }

  private async work(): Promise<void> {
    this.busy = true;
    try {
      while (this.target) {
        const wanted = this.target;
        const ids = Object.keys(wanted).filter((id) => this.sources.has(id) && this.painters.has(id));
        const results = await Promise.all(ids.map((id) => this.sources.get(id)!.frame(wanted[id]!)));
        const issue = results.find((r) => !r.ok && r.issue.code !== 'superseded');
        if (results.every((r) => r.ok)) {
          ids.forEach((id, i) => {
            const result = results[i]!;
            if (result.ok) this.painters.get(id)?.(result.value, wanted[id]!, this.rotationOf(id));
          });
          setView({ shown: { ...useView.getState().shown, ...wanted } });
          this.history = [...this.history.slice(1 - REMEMBERED), { at: performance.now(), frames: wanted }];
        } else {
          for (const result of results) if (result.ok) result.value.close();
          const lost = ids.filter((_, i) => isDamaged(results[i]!));
          for (const id of lost) this.gap(id, wanted[id]!);
          if (issue && !issue.ok && lost.length === 0) {
            notify('error', issue.issue.message);
            setView({ playing: false });
          }
          const over =
            lost.length > 0 ? steppedOver(wanted, lost, { ...useView.getState(), counts: this.counts }) : null;
          if (over && this.target === wanted) {
            this.target = over;
            continue;
          }
        }
        if (this.target === wanted) this.target = null;
      }
    } finally {
      this.busy = false;
      // A pane whose clip is still being opened has no picture yet.
      this.onBusy([...this.painters.keys()].some((id) => !this.sources.has(id)));
    }
  }
}

export const player = new BenchPlayer();
