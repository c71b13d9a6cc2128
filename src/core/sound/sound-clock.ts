/** Blocks, 1.5 s of sound, all of which come late only where the sound's clock itself has lost time. */
const WINDOW = 36;
/** How far the held distance of the clocks may be off before it is taken anew, ms: well below a picture of 1/30 s. */
const TOLERANCE = 12;

/**
 * How a microphone's own clock lies to the page's. A block is told some time after its last sample was heard; the
 * least time by which one came later than the sound's clock says is how far the clocks lie apart. Once held, the
 * distance stays, as blocks that are moved against each other would click, until all blocks of 1.5 s say
 * otherwise: a busy machine lets the sound's clock stand still, and what is said later would come before its pictures.
 * All times in milliseconds.
 */
export class SoundClock {
  private apart = Infinity;
  private held = false;
  private late: number[] = [];

  /** From now on blocks follow each other. */
  hold(): void {
    this.held = true;
  }

  /**
   * When the first sample of a block was heard, on the page's clock.
   * @param at its time on the sound's clock
   * @param length of the block
   * @param whole the page's time at which the block was complete
   */
  place(at: number, length: number, whole: number): number {
    this.late = [...this.late, whole - (at + length)].slice(-WINDOW);
    const least = Math.min(...this.late);
    if (!this.held) this.apart = Math.min(this.apart, least);
    else if (least < this.apart - TOLERANCE) this.apart = least;
    else if (this.late.length === WINDOW && least > this.apart + TOLERANCE) this.apart = least;
    return this.apart + at;
  }
}
