import type { Gray } from '../signal/gray';

/** Side of a square of the picture that is taken as one, pixels: what is left tells scenes apart, not faces. */
const COARSE = 5;
/** Shifts that are tried, shares of the small picture's width and height: a camera that pans shows the rest again. */
const MOST_SHIFT = { x: 0.45, y: 0.3 } as const;
/** Pictures that are less alike than this at every shift are two scenes (correlation). */
const ALIKE = 0.65;

function coarse({ width, height, values }: Gray): Gray {
  const [w, h] = [Math.floor(width / COARSE), Math.floor(height / COARSE)];
  const small = new Float32Array(w * h);
  for (let y = 0; y < h * COARSE; y++)
    for (let x = 0; x < w * COARSE; x++)
      small[Math.floor(y / COARSE) * w + Math.floor(x / COARSE)]! += values[y * width + x]! / COARSE ** 2;
  return { width: w, height: h, values: small };
}

/** Half the side of the surroundings that are taken off, so that sky over grass is not what two scenes share. */
const AROUND = 3;

/** What a picture has beside the brightness of its surroundings. */
function detail({ width, height, values }: Gray): Gray {
  const own = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      let [sum, n] = [0, 0];
      for (let v = Math.max(0, y - AROUND); v <= Math.min(height - 1, y + AROUND); v++)
        for (let u = Math.max(0, x - AROUND); u <= Math.min(width - 1, x + AROUND); u++, n++)
          sum += values[v * width + u]!;
      own[y * width + x] = values[y * width + x]! - sum / n;
    }
  return { width, height, values: own };
}

/** Correlation of two pictures where they overlap with one shifted; 0 where one of them is plain. */
function correlation(a: Gray, b: Gray, dx: number, dy: number): number {
  const [left, right] = [Math.max(0, -dx), Math.min(a.width, a.width - dx)];
  const [top, bottom] = [Math.max(0, -dy), Math.min(a.height, a.height - dy)];
  let [n, sa, sb, aa, bb, ab] = [0, 0, 0, 0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const [p, q] = [a.values[y * a.width + x]!, b.values[(y + dy) * b.width + x + dx]!];
      n++;
      sa += p;
      sb += q;
      aa += p * p;
      bb += q * q;
      ab += p * q;
    }
  const variance = (aa - (sa * sa) / n) * (bb - (sb * sb) / n);
  return variance > 0 ? (ab - (sa * sb) / n) / Math.sqrt(variance) : 0;
}

/** What of a picture tells its scene. */
export const sceneOf = (picture: Gray): Gray => detail(coarse(picture));

/** Whether nothing of one scene is seen in the other, however it is shifted. */
export function isOtherScene(a: Gray, b: Gray): boolean {
  // Most pictures in a row are alike where they are.
  if (correlation(a, b, 0, 0) > ALIKE) return false;
  const [mx, my] = [Math.floor(MOST_SHIFT.x * a.width), Math.floor(MOST_SHIFT.y * a.height)];
  for (let dy = -my; dy <= my; dy++)
    for (let dx = -mx; dx <= mx; dx++) if (correlation(a, b, dx, dy) > ALIKE) return false;
  return true;
}

/** Whether two pictures in a row show two scenes: nothing of the one is seen in the other, however it is shifted. */
export const isCut = (before: Gray, now: Gray): boolean => isOtherScene(sceneOf(before), sceneOf(now));

/** Squares that differ from their surroundings by less than this (of 255, root of the mean square) show nothing. */
const PLAIN = 1.5;

/** Whether a scene shows nothing: a flash, or black between two shots. */
export const isPlain = ({ values }: Gray): boolean =>
  values.reduce((sum, v) => sum + v * v, 0) < PLAIN ** 2 * values.length;
