import type { Activity } from '../signal/active-stretches';

/** Energy is taken in blocks this long; a contact fills one or two of them, seconds. */
const BLOCK = 0.005;
/** Blocks with which a block is compared: 20 ms, as in placing a contact (`onset`). */
const BEFORE = 4;
/** Of this much sound the most sudden block counts, seconds. */
const STEP = 0.4;
/** A click in silence is held against this share of what the recording holds on the whole. */
const FLOOR = 0.1;

/**
 * How suddenly it becomes louder along a recording of any length, piece by piece, so that hours are never held: for each
 * 0.4 s the largest ratio of the energy of 5 ms to that of the 20 ms before it (as for one contact, `onset`). The mean of
 * each block is left out, and with it hum and wind.
 */
export class Suddenness {
  private readonly block: number;
  private readonly recent: number[] = [];
  private sum = 0;
  private squares = 0;
  private filled = 0;
  private blocks = 0;
  private total = 0;
  private best = 0;
  private until = STEP;

  /** @param rate samples a second */
  constructor(private readonly rate: number) {
    this.block = Math.max(1, Math.round(BLOCK * rate));
  }

  /**
   * Takes the next samples, one channel.
   * @returns the steps that are complete with them
   */
  take(samples: Float32Array): readonly Activity[] {
    const done: Activity[] = [];
    for (const sample of samples) {
      this.sum += sample;
      this.squares += sample * sample;
      if (++this.filled < this.block) continue;
      const energy = Math.max(0, this.squares / this.block - (this.sum / this.block) ** 2);
      this.sum = this.squares = this.filled = 0;
      this.compare(energy);
      const at = (++this.blocks * this.block) / this.rate;
      if (at < this.until) continue;
      done.push({ at, amount: this.best });
      this.best = 0;
      this.until = at + STEP;
    }
    return done;
  }

  private compare(energy: number): void {
    this.total += energy;
    if (this.recent.length === BEFORE) {
      const before = this.recent.reduce((sum, e) => sum + e, 0) / BEFORE;
      const floor = (FLOOR * this.total) / (this.blocks + 1);
      if (before + floor > 0) this.best = Math.max(this.best, energy / (before + floor));
      this.recent.shift();
    }
    this.recent.push(energy);
  }
}
