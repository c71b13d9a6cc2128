import type { Gray } from '../signal/gray';

export interface Corner {
  readonly x: number;
  readonly y: number;
}

/**
 * How well a corner holds in each direction, 1 where it holds best: along a line it slides, and only what lies across
 * tells anything. The structure tensor over its larger eigenvalue; xx, xy, yy.
 */
export type Hold = readonly [number, number, number];

export interface HeldCorner extends Corner {
  readonly hold: Hold;
}

/** How far a corner is off as far as it holds: along a line nothing counts. */
export const heldLength = ([xx, xy, yy]: Hold, { x, y }: Corner): number =>
  Math.sqrt(Math.max(0, xx * x * x + 2 * xy * x * y + yy * y * y));

/** Half the side of the square round a corner that is compared, pixels. */
const RADIUS = 5;
const SIDE = 2 * RADIUS + 1;
/** Side of a cell in which one corner is taken, pixels: at most a hundred and twenty in a picture 320 pixels wide. */
const CELL = 20;
/** Halvings of the picture: a corner is found again within about RADIUS * 2 ** LEVELS pixels. */
const LEVELS = 3;
const MOST_STEPS = 12;
/** A step shorter than this ends the search, pixels. */
const CLOSE = 0.01;
/** A corner that does not come back to where it began within this was not found, pixels. */
const BACK_WITHIN = 0.3;
/** Weaker structure than this is noise: mean squared gradient along its weaker direction. */
const LEAST_STRUCTURE = 12;

/** The picture at half its size, each pixel the mean of four. */
function halved({ width, height, values }: Gray): Gray {
  const [w, h] = [width >> 1, height >> 1];
  const half = new Float32Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const i = 2 * y * width + 2 * x;
      half[y * w + x] = (values[i]! + values[i + 1]! + values[i + width]! + values[i + width + 1]!) / 4;
    }
  return { width: w, height: h, values: half };
}

/** The picture at its size and at each halving, the largest first. */
export function pyramidOf(picture: Gray): readonly Gray[] {
  const levels = [picture];
  for (let n = 0; n < LEVELS && levels.at(-1)!.width > 8 * RADIUS; n++) levels.push(halved(levels.at(-1)!));
  return levels;
}

/** The structure tensor of the square round a pixel: xx, xy, yy. */
function tensorAt({ width, values }: Gray, x: number, y: number): Hold {
  let [xx, yy, xy] = [0, 0, 0];
  for (let v = y - RADIUS; v <= y + RADIUS; v++)
    for (let u = x - RADIUS; u <= x + RADIUS; u++) {
      const i = v * width + u;
      const [gx, gy] = [(values[i + 1]! - values[i - 1]!) / 2, (values[i + width]! - values[i - width]!) / 2];
      xx += gx * gx;
      yy += gy * gy;
      xy += gx * gy;
    }
  return [xx, xy, yy];
}

/** The weaker of its two directions (Shi and Tomasi 1994), and the stronger. */
function directionsOf([xx, xy, yy]: Hold): readonly [number, number] {
  const apart = Math.hypot(xx - yy, 2 * xy);
  return [(xx + yy - apart) / 2, (xx + yy + apart) / 2];
}

/**
 * Corners that can be found again, at most one in each cell of a grid, so that all of the picture has a say.
 * @param hidden whether a pixel belongs to something that moves by itself
 */
export function cornersOf(picture: Gray, hidden: (x: number, y: number) => boolean): readonly HeldCorner[] {
  const corners: HeldCorner[] = [];
  const margin = RADIUS + 1;
  for (let top = margin; top + CELL <= picture.height - margin; top += CELL)
    for (let left = margin; left + CELL <= picture.width - margin; left += CELL) {
      let best: (Corner & { tensor: Hold; structure: number }) | null = null;
      for (let y = top; y < top + CELL; y += 2)
        for (let x = left; x < left + CELL; x += 2) {
          if (hidden(x, y)) continue;
          const tensor = tensorAt(picture, x, y);
          const structure = directionsOf(tensor)[0] / SIDE ** 2;
          if (structure > (best?.structure ?? LEAST_STRUCTURE)) best = { x, y, tensor, structure };
        }
      if (!best) continue;
      const { x, y, tensor } = best;
      const [, strongest] = directionsOf(tensor);
      corners.push({ x, y, hold: tensor.map((part) => part / strongest) as unknown as Hold });
    }
  return corners;
}

/** With a pixel all round, for gradients. */
const WIDE = SIDE + 2;

/**
 * The square round a place, between pixels (bilinear).
 * @returns false where a part of it lies outside the picture
 */
function sample({ width, height, values }: Gray, x: number, y: number, side: number, into: Float32Array): boolean {
  const [left, top] = [x - (side - 1) / 2, y - (side - 1) / 2];
  const [u, v] = [Math.floor(left), Math.floor(top)];
  if (!(u >= 0 && v >= 0 && u + side < width && v + side < height)) return false;
  const [a, b] = [left - u, top - v];
  const [p, q, r, s] = [(1 - a) * (1 - b), a * (1 - b), (1 - a) * b, a * b];
  for (let row = 0, n = 0; row < side; row++) {
    let i = (v + row) * width + u;
    for (let column = 0; column < side; column++, i++, n++)
      into[n] = p * values[i]! + q * values[i + 1]! + r * values[i + width]! + s * values[i + width + 1]!;
  }
  return true;
}

/** How much larger and how far turned (clockwise, radians) a thing is in one picture than in another. */
export interface Growth {
  readonly scale: number;
  readonly roll: number;
}
export const AS_LARGE: Growth = { scale: 1, roll: 0 };
/** Less than this and a square is compared as it is. */
const LEAST_GROWTH = 0.01;

/** The square round a place as it would look in a picture in which it has grown. */
function sampleGrown(
  picture: Gray,
  { x, y }: Corner,
  side: number,
  { scale, roll }: Growth,
  into: Float32Array,
): boolean {
  if (Math.abs(scale - 1) + Math.abs(roll) < LEAST_GROWTH) return sample(picture, x, y, side, into);
  const { width, height, values } = picture;
  const [c, s] = [Math.cos(roll) / scale, Math.sin(roll) / scale];
  const half = (side - 1) / 2;
  for (let row = 0, n = 0; row < side; row++)
    for (let column = 0; column < side; column++, n++) {
      const [u, v] = [column - half, row - half];
      const [px, py] = [x + c * u + s * v, y - s * u + c * v];
      const [left, top] = [Math.floor(px), Math.floor(py)];
      if (!(left >= 0 && top >= 0 && left + 1 < width && top + 1 < height)) return false;
      const [a, b] = [px - left, py - top];
      const i = top * width + left;
      into[n] =
        (1 - b) * ((1 - a) * values[i]! + a * values[i + 1]!) +
        b * ((1 - a) * values[i + width]! + a * values[i + width + 1]!);
    }
  return true;
}

const meanOf = (values: Float32Array): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/** Where a square of one picture lies in another, from a first guess; null where it cannot be told. */
function refine(from: Gray, to: Gray, corner: Corner, guess: Corner, growth: Growth): Corner | null {
  const wide = new Float32Array(WIDE * WIDE);
  if (!sampleGrown(from, corner, WIDE, growth, wide)) return null;
  const [template, across, down] = [0, 1, 2].map(() => new Float32Array(SIDE * SIDE)) as [
    Float32Array,
    Float32Array,
    Float32Array,
  ];
  let [xx, yy, xy] = [0, 0, 0];
  for (let row = 0, n = 0; row < SIDE; row++)
    for (let column = 0; column < SIDE; column++, n++) {
      const i = (row + 1) * WIDE + column + 1;
      const [gx, gy] = [(wide[i + 1]! - wide[i - 1]!) / 2, (wide[i + WIDE]! - wide[i - WIDE]!) / 2];
      template[n] = wide[i]!;
      across[n] = gx;
      down[n] = gy;
      xx += gx * gx;
      yy += gy * gy;
      xy += gx * gy;
    }
  const det = xx * yy - xy * xy;
  if (!(det > 0)) return null;
  const mean = meanOf(template);
  const seen = new Float32Array(SIDE * SIDE);
  let { x, y } = guess;
  for (let step = 0; step < MOST_STEPS; step++) {
    if (!sample(to, x, y, SIDE, seen)) return null;
    // A picture that grows brighter as a whole has not moved.
    const lighter = meanOf(seen) - mean;
    let [bx, by] = [0, 0];
    for (let n = 0; n < template.length; n++) {
      const off = template[n]! - seen[n]! + lighter;
      bx += off * across[n]!;
      by += off * down[n]!;
    }
    const [dx, dy] = [(yy * bx - xy * by) / det, (xx * by - xy * bx) / det];
    x += dx;
    y += dy;
    if (Math.hypot(dx, dy) < CLOSE) break;
  }
  return { x, y };
}

/** From the smallest picture to the largest: what moved far is near there (Bouguet 2001). */
function findAgain(
  from: readonly Gray[],
  to: readonly Gray[],
  corner: Corner,
  expected: Corner,
  growth: Growth,
): Corner | null {
  let guess: Corner | null = null;
  for (let level = from.length - 1; level >= 0; level--) {
    const size = 2 ** level;
    const place = { x: corner.x / size, y: corner.y / size };
    const start: Corner = guess ? { x: 2 * guess.x, y: 2 * guess.y } : { x: expected.x / size, y: expected.y / size };
    guess = refine(from[level]!, to[level]!, place, start, growth) ?? (level > 0 ? start : null);
  }
  return guess;
}

/**
 * Where the corners of one picture are in the next (Lucas and Kanade 1981, by halvings); null for those that cannot be
 * found there, or that are not found back from there.
 * @param expected where a corner may be there, and how much larger and how far turned
 */
export function trackCorners(
  from: readonly Gray[],
  to: readonly Gray[],
  corners: readonly Corner[],
  expected: (corner: Corner) => Corner = (corner) => corner,
  growth: Growth = AS_LARGE,
): readonly (Corner | null)[] {
  const shrunk = { scale: 1 / growth.scale, roll: -growth.roll };
  return corners.map((corner) => {
    const there = findAgain(from, to, corner, expected(corner), growth);
    const back = there && findAgain(to, from, there, corner, shrunk);
    return back && Math.hypot(back.x - corner.x, back.y - corner.y) < BACK_WITHIN ? there : null;
  });
}
