/** Bytes of decoded pictures kept unless told otherwise. */
const BUDGET = 256e6;

/** Decoded frames of a clip, bounded in bytes; those farthest from the one wanted are given up, and closed. */
export class KeptFrames {
  readonly frames = new Map<number, VideoFrame>();
  private readonly waiting = new Map<number, (() => void)[]>();
  private bytes = 0;
  private most = BUDGET;

  /** @param frameBytes of one decoded picture; @param wanted the frame asked for last */
  constructor(
    private readonly frameBytes: number,
    private readonly wanted: () => number,
  ) {}

  /** How many frames a share of the budget holds. */
  fit(share: number): number {
    return Math.floor((this.most * share) / this.frameBytes);
  }

  /** Bounds the bytes kept; what is over is given back at once. */
  setBudget(bytes: number): void {
    this.most = bytes;
    this.shrink();
  }

  put(i: number, frame: VideoFrame): void {
    this.frames.set(i, frame);
    this.bytes += this.frameBytes;
    this.shrink();
    const arrived = this.waiting.get(i) ?? [];
    this.waiting.delete(i);
    for (const call of arrived) call();
  }

  /** Resolves when a frame is put in. */
  arrivalOf(i: number): Promise<void> {
    return new Promise((arrived) => this.waiting.set(i, [...(this.waiting.get(i) ?? []), arrived]));
  }

  clear(): void {
    for (const frame of this.frames.values()) frame.close();
    this.frames.clear();
    this.bytes = 0;
  }

  private shrink(): void {
    const wanted = this.wanted();
    while (this.bytes > this.most) {
      let farthest = wanted;
      for (const i of this.frames.keys()) if (Math.abs(i - wanted) > Math.abs(farthest - wanted)) farthest = i;
      if (Math.abs(farthest - wanted) <= 1) return;
      this.frames.get(farthest)!.close();
      this.frames.delete(farthest);
      this.bytes -= this.frameBytes;
    }
  }
}
