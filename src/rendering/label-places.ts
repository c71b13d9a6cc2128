import type { Vec2 } from '../core/geometry/vec2';

/** Where the middle of a label is wanted, and how wide it is. */
export interface WantedLabel extends Vec2 {
  readonly width: number;
}

/** So many steps a label is moved up or down at most; farther off nobody would know what it belongs to. */
const MOST_STEPS = 4;

/**
 * Places at which no label covers one before it: each goes where it is wanted, or to the nearest free place straight
 * below or above. One that finds none stays where it is wanted.
 * @param height of every label, with the room that stays between two
 */
export function freePlaces(wanted: readonly WantedLabel[], height: number): readonly Vec2[] {
  const taken: WantedLabel[] = [];
  const covers = (label: WantedLabel): boolean =>
    taken.some(
      (other) => Math.abs(other.x - label.x) < (other.width + label.width) / 2 && Math.abs(other.y - label.y) < height,
    );
  for (const label of wanted) {
    const tries = Array.from({ length: 2 * MOST_STEPS + 1 }, (_, k) => ({
      ...label,
      y: label.y + (k % 2 === 0 ? -1 : 1) * Math.ceil(k / 2) * height,
    }));
    taken.push(tries.find((place) => !covers(place)) ?? label);
  }
  return taken;
}
