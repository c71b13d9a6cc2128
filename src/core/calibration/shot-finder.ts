import { CUT_SHARE, stepBetween } from './camera-motion';
import { isOtherScene, isPlain, sceneOf } from './cut';
import type { Gray } from '../signal/gray';

/** A shot that lasts no longer than so many pictures between two of one other scene is a flash. */
const FLASH = 3;

interface Seen {
  readonly picture: Gray;
  readonly scene: Gray;
}

/** Two shots: nothing of the one scene is seen in the other, and its corners are not found again. */
const isOtherShot = (before: Seen, now: Seen): boolean =>
  isOtherScene(before.scene, now.scene) && stepBetween(before.picture, now.picture, []).share < CUT_SHARE;

/** Finds the cuts of a film, picture after picture. */
export class ShotFinder {
  private last: Seen | null = null;
  /** What was seen before the latest cut, which may have been to a flash. */
  private before: Seen | null = null;
  private readonly starts: number[] = [];

  observe(frame: number, picture: Gray): void {
    const now = { picture, scene: sceneOf(picture) };
    // What shows nothing belongs to the shot before it.
    if (isPlain(now.scene)) return;
    if (this.last && isOtherShot(this.last, now)) {
      const latest = this.starts.at(-1);
      if (latest !== undefined && frame - latest <= FLASH && !isOtherShot(this.before!, now)) this.starts.pop();
      else {
        this.starts.push(frame);
        this.before = this.last;
      }
    }
    this.last = now;
  }

  /** The first frame of each shot but the first. */
  cuts(): readonly number[] {
    return [...this.starts];
  }
}
