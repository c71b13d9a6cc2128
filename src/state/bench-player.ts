import type { DecodedPicture } from '../media/frame-cache';
import { lockedMap, matchedMap, offsetMap, type TimeMap } from '../core/timing/time-map';
import { nearestFrame, timeAtFrame } from '../core/timing/clip-time';
import { momentTimes, type Performance } from '../core/performance/performance';
import type { Movement } from '../core/model/movement';
import type { ClipSource } from '../media/clip-source';
import { notify } from './notices';
import { setView, useView } from './view-store';

/** Draws a decoded frame; called for all panes of one picture in the same turn. */
export type Painter = (frame: DecodedPicture, index: number) => void;

export interface BenchClips {
  readonly movement: Movement;
  readonly athlete: Performance | null;
  readonly reference: Performance | null;
}

/** Longest step of the clock between two pictures, so that a slow decoder slows the clock instead of skipping. */
const LONGEST_TICK_SECONDS = 0.05;

/**
 * Runs the panes from one clock: the athlete's real time, or the reference's where there is no athlete yet. A new
 * picture is shown only when every pane has its frame, so no two frames are seen together that do not belong together.
 */
export class BenchPlayer {
  private readonly sources = new Map<string, ClipSource>();
  private readonly painters = new Map<string, Painter>();
  private clips: BenchClips | null = null;
  private target: Readonly<Record<string, number>> | null = null;
  private busy = false;
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

  addPainter(clipId: string, painter: Painter): () => void {
    this.painters.set(clipId, painter);
    this.request(useView.getState().shown);
    return () => {
      if (this.painters.get(clipId) === painter) this.painters.delete(clipId);
    };
  }

  /** The map from the athlete's time to the reference's in the current mode, or null when there is none. */
  timeMap(): TimeMap | null {
    const { clips } = this;
    if (!clips?.athlete || !clips.reference) return null;
    const { mode, lockMoment, offset } = useView.getState();
    if (mode === 'free') return null;
    if (mode === 'offset') return offsetMap(offset);
    const first = momentTimes(clips.athlete);
    const second = momentTimes(clips.reference);
    const order = clips.movement.moments.map((m) => m.id);
    if (mode === 'locked') {
      const moment = lockMoment ?? order.find((id) => id in first && id in second);
      const map = moment === undefined ? null : lockedMap(moment, first, second);
      return map?.ok ? map.value : null;
    }
    const map = matchedMap(order, first, second);
    return map.ok ? map.value : null;
  }

  /** Frames of all clips that belong to a frame of one of them. */
  framesFor(role: 'athlete' | 'reference', frame: number): Record<string, number> {
    const { athlete, reference } = this.clips ?? {};
    const master = role === 'athlete' ? athlete : reference;
    const other = role === 'athlete' ? reference : athlete;
    const shown = { ...useView.getState().shown };
    if (!master) return shown;
    const inside = Math.min(master.times.length - 1, Math.max(0, Math.round(frame)));
    shown[master.clip.id] = inside;
    if (!other) return shown;
    const map = this.timeMap();
    if (map) {
      const time = timeAtFrame(master.times, inside);
      shown[other.clip.id] = nearestFrame(other.times, role === 'athlete' ? map.map(time) : map.inverse(time));
    }
    return shown;
  }

  /** Goes to a frame of one clip; the other follows by the mode. */
  goTo(role: 'athlete' | 'reference', frame: number): void {
    this.request(this.framesFor(role, frame));
  }

  /** Steps both clips by frames of the active one. */
  stepBoth(by: number): void {
    const { activeRole, mode } = useView.getState();
    const active = this.performanceOf(activeRole);
    if (!active) return;
    const from = this.pendingFrame(active.clip.id);
    const next = this.framesFor(activeRole, from + by);
    if (mode === 'free' || !this.timeMap()) {
      const other = this.performanceOf(activeRole === 'athlete' ? 'reference' : 'athlete');
      if (other) next[other.clip.id] = this.clampFrame(other, this.pendingFrame(other.clip.id) + by);
    }
    this.request(next);
  }

  /** Steps one clip alone, which sets it free from the other. */
  stepOne(by: number): void {
    const { activeRole } = useView.getState();
    const active = this.performanceOf(activeRole);
    if (!active) return;
    if (useView.getState().mode !== 'free') {
      setView({ mode: 'free' });
      notify('info', 'The clips now move freely. Choose a way of matching to bring them together again.');
    }
    const { shown } = useView.getState();
    this.request({ ...(this.target ?? shown), [active.clip.id]: this.clampFrame(active, this.pendingFrame(active.clip.id) + by) });
  }

  /** Keeps both clips together in real time as they stand now. */
  lockAsTheyStand(): void {
    const { athlete, reference } = this.clips ?? {};
    if (!athlete || !reference) return;
    const at = (performance: Performance): number => timeAtFrame(performance.times, this.pendingFrame(performance.clip.id));
    setView({ mode: 'offset', offset: at(reference) - at(athlete) });
  }

  /** Brings the other clip to the same moment as the active one, by the moments marked in both, and locks both there. */
  catchUp(): void {
    const { athlete, reference, movement } = this.clips ?? {};
    if (!athlete || !reference || !movement) return;
    const map = matchedMap(movement.moments.map((m) => m.id), momentTimes(athlete), momentTimes(reference));
    if (!map.ok) return notify('info', map.issue.message);
    const { activeRole } = useView.getState();
    const active = this.performanceOf(activeRole)!;
    const time = timeAtFrame(active.times, this.pendingFrame(active.clip.id));
    const [first, second] = activeRole === 'athlete' ? [time, map.value.map(time)] : [map.value.inverse(time), time];
    setView({ mode: 'offset', offset: second - first });
    this.goTo(activeRole, this.pendingFrame(active.clip.id));
  }

  /** Moves the reference against the athlete by frames (fractions too) of the reference; both stay locked. */
  nudge(frames: number): void {
    const { athlete, reference } = this.clips ?? {};
    if (!athlete || !reference) return;
    if (useView.getState().mode !== 'offset') this.lockAsTheyStand();
    setView({ offset: useView.getState().offset + frames * reference.interval });
    this.goTo('athlete', this.pendingFrame(athlete.clip.id));
  }

  /** Real times of the leading clip between which it plays. */
  private playedTimes(master: Performance): { from: number; to: number } {
    const end = master.times[master.times.length - 1]!;
    const { region } = useView.getState();
    const times = momentTimes(master);
    const from = region ? times[region.from] : undefined;
    const to = region ? times[region.to] : undefined;
    return from !== undefined && to !== undefined && to > from ? { from, to } : { from: 0, to: end };
  }

  play(): void {
    const master = this.clips?.athlete ?? this.clips?.reference;
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
    const role = this.clips?.athlete ? 'athlete' : 'reference';
    const master = this.performanceOf(role);
    if (!playing || !master) return;
    if (!this.busy) {
      this.clock += Math.min(LONGEST_TICK_SECONDS, Math.max(0, (now - this.lastTick) / 1000)) * speed;
      this.lastTick = now;
      const { from, to: end } = this.playedTimes(master);
      if (loop && this.clock >= end) this.clock = from;
      const frame = nearestFrame(master.times, Math.min(this.clock, end));
      const next = this.framesFor(role, frame);
      const other = this.performanceOf(role === 'athlete' ? 'reference' : 'athlete');
      if (other && !this.timeMap()) next[other.clip.id] = nearestFrame(other.times, this.clock);
      this.request(next);
      if (this.clock >= end) setView({ playing: false });
    }
    requestAnimationFrame(this.tick);
  };

  private performanceOf(role: 'athlete' | 'reference'): Performance | null {
    return this.clips?.[role] ?? null;
  }

  private clampFrame(performance: Performance, frame: number): number {
    return Math.min(performance.times.length - 1, Math.max(0, frame));
  }

  /** The frame that a pane shows, or will show once it is decoded. */
  pendingFrame(clipId: string): number {
    return (this.target ?? useView.getState().shown)[clipId] ?? 0;
  }

  /** Asks for one picture on all panes; a newer request replaces one that has not begun. */
  request(frames: Readonly<Record<string, number>>): void {
    this.target = frames;
    if (this.busy) return;
    this.onBusy(true);
    void this.work();
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
            if (result.ok) this.painters.get(id)?.(result.value, wanted[id]!);
          });
          setView({ shown: { ...useView.getState().shown, ...wanted } });
        } else {
          for (const result of results) if (result.ok) result.value.close();
          if (issue && !issue.ok) {
            notify('error', issue.issue.message);
            setView({ playing: false });
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
