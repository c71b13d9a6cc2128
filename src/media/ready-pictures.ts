/** Pictures made ready beside the one shown: at most this many onwards and one back, in this many bytes. */
const READY_AHEAD = 4;
const READY_BYTES = 18e6;
/** Nothing moves when no frame was asked for during this time, ms. */
const RESTING = 120;

/** Where somebody is in a clip: the frame asked for last, when (ms of the page's clock), and which way they go. */
export interface PlaceInClip {
  readonly wanted: number;
  readonly askedAt: number;
  readonly direction: number;
}

/**
 * Decoded frames turned into bitmaps before they are asked for, because drawing a decoded frame costs more than all the
 * rest of a step: those in the direction of work first, the one behind only while nothing moves.
 */
export class ReadyPictures {
  private readonly ready = new Map<number, ImageBitmap>();
  private preparing = false;
  private closed = false;
  private pixels: ImageData | null = null;
  private turning: Promise<unknown> = Promise.resolve();
  private ahead = READY_AHEAD;
  private detail = 1;

  /** @param kept frames that are decoded; @param place where somebody is now */
  constructor(
    private readonly size: { readonly width: number; readonly height: number },
    private readonly kept: ReadonlyMap<number, VideoFrame>,
    private readonly place: () => PlaceInClip,
  ) {
    this.setDetail(1);
  }

  /** Whether bitmaps are as large as their frames. */
  get whole(): boolean {
    return this.detail === 1;
  }

  /** Bitmaps have this part of a frame's width and height: a small pane needs no more. */
  setDetail(detail: number): void {
    this.detail = detail;
    const most = Math.floor(READY_BYTES / (this.size.width * this.size.height * detail ** 2 * 4));
    this.ahead = Math.min(READY_AHEAD, Math.max(2, most));
    this.clear();
  }

  /** The bitmap of a frame, which is the taker's to close; null where it is not ready. */
  take(i: number): ImageBitmap | null {
    const bitmap = this.ready.get(i) ?? null;
    this.ready.delete(i);
    return bitmap;
  }

  close(): void {
    this.closed = true;
    this.clear();
  }

  private clear(): void {
    for (const bitmap of this.ready.values()) bitmap.close();
    this.ready.clear();
  }

  /** Makes the neighbours of the frame shown ready, once so many ms have passed: what was asked for is drawn first. */
  async prepare(after: number): Promise<void> {
    if (this.preparing) return;
    this.preparing = true;
    await new Promise((resolve) => setTimeout(resolve, after));
    for (let next = this.next(); next !== null; next = this.next()) {
      const { detail } = this;
      const bitmap = await this.bitmapOf(this.kept.get(next)!).catch(() => null);
      if (!bitmap || this.closed) {
        bitmap?.close();
        break;
      }
      if (detail === this.detail) this.keep(next, bitmap);
      else bitmap.close();
    }
    this.preparing = false;
    if (performance.now() - this.place().askedAt <= RESTING) setTimeout(() => void this.prepare(0), RESTING + 1);
  }

  private keep(i: number, bitmap: ImageBitmap): void {
    this.ready.set(i, bitmap);
    const { wanted, direction } = this.place();
    for (const [at, old] of this.ready) {
      const away = Math.abs(at - wanted);
      if (away <= 1 || ((at - wanted) * direction > 0 && away <= this.ahead)) continue;
      old.close();
      this.ready.delete(at);
    }
  }

  private next(): number | null {
    if (this.closed) return null;
    const { wanted, direction, askedAt } = this.place();
    const isMissing = (i: number): boolean => this.kept.has(i) && !this.ready.has(i);
    const onwards = Array.from({ length: this.ahead }, (_, k) => wanted + direction * (k + 1)).find(isMissing);
    if (onwards !== undefined) return onwards;
    // A turn of direction is rare: the frame behind is made ready only while nothing moves.
    const behind = wanted - direction;
    return performance.now() - askedAt > RESTING && isMissing(behind) ? behind : null;
  }

  /**
   * A frame as a bitmap. Converted by the processor: a bitmap made of a frame directly waits for the page's own thread,
   * which is the one that must stay free.
   */
  bitmapOf(frame: VideoFrame): Promise<ImageBitmap> {
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
    const smaller = {
      resizeWidth: Math.round(width * detail),
      resizeHeight: Math.round(height * detail),
      resizeQuality: 'medium',
    } as const;
    return createImageBitmap(this.pixels, detail < 1 ? smaller : undefined);
  }
}
