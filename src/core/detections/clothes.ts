import type { Vec2 } from '../geometry/vec2';

/**
 * Distance of two colour histograms, 0 to 1. Source: Comaniciu, Ramesh and Meer 2003, Kernel-based object tracking, eq.
 * 17.
 */
export function colourDistance(a: Float64Array, b: Float64Array): number {
  let alike = 0;
  for (let i = 0; i < a.length; i++) alike += Math.sqrt(a[i]! * b[i]!);
  return Math.sqrt(Math.max(0, 1 - alike));
}

/** Levels of each colour channel in a histogram. */
const LEVELS = 5;

/**
 * Histogram of the colours at some places of a picture.
 * @param pixels RGBA, row by row
 * @returns shares that sum to 1; null where no place lies in the picture
 */
export function coloursAt(pixels: Uint8ClampedArray, width: number, places: readonly Vec2[]): Float64Array | null {
  const height = pixels.length / 4 / width;
  const histogram = new Float64Array(LEVELS ** 3);
  let count = 0;
  for (const { x, y } of places) {
    const [column, row] = [Math.floor(x), Math.floor(y)];
    if (column < 0 || row < 0 || column >= width || row >= height) continue;
    const at = 4 * (row * width + column);
    const level = (channel: number): number => Math.min(LEVELS - 1, Math.floor((pixels[at + channel]! * LEVELS) / 256));
    const bin = (level(0) * LEVELS + level(1)) * LEVELS + level(2);
    histogram[bin] = histogram[bin]! + 1;
    count++;
  }
  return count === 0 ? null : histogram.map((n) => n / count);
}

/**
 * Half width of the strip of clothes looked at, shares of its length: narrow enough to lie on the body from every side.
 */
const HALF_STRIP = { trunk: 0.12, thigh: 0.06 } as const;

/** Places on the clothes of a person: strips down the trunk and down both thighs. */
export function clothesOf(
  at: (joint: 'left-shoulder' | 'right-shoulder' | 'left-hip' | 'right-hip' | 'left-knee' | 'right-knee') => Vec2,
): readonly Vec2[] {
  const middle = (a: Vec2, b: Vec2): Vec2 => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const strip = (from: Vec2, to: Vec2, half: number): Vec2[] =>
    Array.from({ length: 40 }, (_, k) => {
      const [along, across] = [0.15 + 0.7 * (Math.floor(k / 4) / 9), half * ((k % 4) / 1.5 - 1)];
      return {
        x: from.x + along * (to.x - from.x) - across * (to.y - from.y),
        y: from.y + along * (to.y - from.y) + across * (to.x - from.x),
      };
    });
  return [
    ...strip(
      middle(at('left-shoulder'), at('right-shoulder')),
      middle(at('left-hip'), at('right-hip')),
      HALF_STRIP.trunk,
    ),
    ...strip(at('left-hip'), at('left-knee'), HALF_STRIP.thigh),
    ...strip(at('right-hip'), at('right-knee'), HALF_STRIP.thigh),
  ];
}
