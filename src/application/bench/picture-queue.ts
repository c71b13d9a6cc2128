import type { Issue, Result } from '../../core/result';
import type { ClipSource } from '../../media/clip-source';
import type { DecodedPicture } from '../../media/decoded-picture';
import type { Rotation } from '../../core/geometry/quarter-turn';

/**
 * Draws a decoded frame; called for all panes of one picture in the same turn. A work copy stands upright where its
 * original does not: what rotation a picture needs comes with it.
 */
export type Painter = (frame: DecodedPicture, index: number, rotation: Rotation) => void;
export type Frames = Readonly<Record<string, number>>;

/** What becomes of the pictures that are asked for. */
export interface PictureWatcher {
  /** Every pane has its picture. */
  readonly shown: (frames: Frames) => void;
  /** Frames that cannot be decoded, by the ids of their clips; what to show in their place, or null for nothing. */
  readonly damaged: (lost: readonly string[], wanted: Frames) => Frames | null;
  readonly failed: (issue: Issue) => void;
  readonly busy: (busy: boolean) => void;
}

/** Bytes of decoded pictures that all clips keep together: with two, groups of a second at 720p fit whole. */
const DECODED_BYTES = { two: 440e6, more: 300e6 };

const isDamaged = (result: Result<unknown, Issue>): boolean => !result.ok && result.issue.code === 'damaged';

/**
 * The pictures of all panes, by clip id: a new one is shown only when every pane has its frame, so no two frames are
 * seen together that do not belong together.
 */
export class PictureQueue {
  private readonly sources = new Map<string, ClipSource>();
  private readonly details = new Map<string, number>();
  private readonly painters = new Map<string, Painter>();
  private target: Frames | null = null;
  private working = false;

  constructor(private readonly watcher: PictureWatcher) {}

  get busy(): boolean {
    return this.working;
  }

  /** The frames that are wanted and not yet shown; null where all are. */
  get wanted(): Frames | null {
    return this.target;
  }

  add(clipId: string, source: ClipSource): void {
    this.sources.get(clipId)?.close();
    this.sources.set(clipId, source);
    source.setDetail(this.details.get(clipId) ?? 1);
    this.shareBudget();
  }

  source(clipId: string): ClipSource | null {
    return this.sources.get(clipId) ?? null;
  }

  dropAllBut(except: readonly string[]): void {
    for (const [id, source] of this.sources) {
      if (except.includes(id)) continue;
      source.close();
      this.sources.delete(id);
    }
  }

  private shareBudget(): void {
    const bytes = this.sources.size > 2 ? DECODED_BYTES.more : DECODED_BYTES.two;
    for (const source of this.sources.values()) source.setBudget(bytes / Math.max(2, this.sources.size));
  }

  /** How much detail a pane shows of a clip; true where it is more than before, and its picture too coarse. */
  setDetail(clipId: string, detail: number): boolean {
    const before = this.details.get(clipId) ?? 1;
    if (before === detail) return false;
    this.details.set(clipId, detail);
    this.sources.get(clipId)?.setDetail(detail);
    return detail > before;
  }

  addPainter(clipId: string, painter: Painter): () => void {
    this.painters.set(clipId, painter);
    return () => {
      if (this.painters.get(clipId) === painter) this.painters.delete(clipId);
    };
  }

  rotationOf(clipId: string): Rotation {
    return this.sources.get(clipId)?.index.rotation ?? 0;
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
      while (this.working && !signal.aborted) await new Promise((resolve) => setTimeout(resolve, 10));
      if (signal.aborted) return;
      const picture = await this.sources.get(clipId)?.frame(index);
      if (!picture?.ok) continue;
      if (signal.aborted) picture.value.close();
      else take(index, picture.value, this.rotationOf(clipId));
    }
  }

  /**
   * Asks for one picture on all panes; a newer request replaces one that has not begun. One for the frames under way is
   * a newer one, too: a pane may have come meanwhile, or need its picture in more detail.
   */
  request(frames: Frames): void {
    this.target = { ...frames };
    if (this.working) return;
    this.watcher.busy(true);
    void this.work();
  }

  private async work(): Promise<void> {
    this.working = true;
    try {
      while (this.target) {
        const wanted = this.target;
        const instead = await this.show(wanted);
        if (this.target === wanted) this.target = instead;
      }
    } finally {
      this.working = false;
      // A pane whose clip is still being opened has no picture yet.
      this.watcher.busy([...this.painters.keys()].some((id) => !this.sources.has(id)));
    }
  }

  /** Shows one picture on all panes, or says why not; resolves with what to show in its place. */
  private async show(wanted: Frames): Promise<Frames | null> {
    const ids = Object.keys(wanted).filter((id) => this.sources.has(id) && this.painters.has(id));
    const results = await Promise.all(ids.map((id) => this.sources.get(id)!.frame(wanted[id]!)));
    if (results.every((r) => r.ok)) {
      results.forEach((result, i) => {
        const id = ids[i]!;
        if (result.ok) this.painters.get(id)?.(result.value, wanted[id]!, this.rotationOf(id));
      });
      this.watcher.shown(wanted);
      return null;
    }
    for (const result of results) if (result.ok) result.value.close();
    const lost = ids.filter((_, i) => isDamaged(results[i]!));
    if (lost.length > 0) return this.watcher.damaged(lost, wanted);
    const issue = results.find((r) => !r.ok && r.issue.code !== 'superseded');
    // Only given up for a picture that somebody else asked for: still wanted here.
    if (!issue || issue.ok) return wanted;
    this.watcher.failed(issue.issue);
    return null;
  }
}
