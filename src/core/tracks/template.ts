import type { Vec2 } from '../geometry/vec2';

/** A part of a picture: interleaved channels of the pixels from (left, top), row after row. */
export interface Patch {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  readonly values: Float32Array;
}

/** Fetches a part of one picture; parts outside the picture repeat its edge. */
export type PatchOf = (left: number, top: number, width: number, height: number) => Patch;

/** Step of the first, coarse search, pixels. */
const COARSE = 2;

/** Weight of a pixel: a round window with a soft edge, so that the background at the corners says little. */
function windowOf(radius: number): Float32Array {
  const side = 2 * radius + 1;
  return Float32Array.from({ length: side * side }, (_, i) => {
    const d = Math.hypot((i % side) - radius, Math.floor(i / side) - radius) / radius;
    return d >= 1 ? 0.02 : Math.cos((d * Math.PI) / 2) ** 2;
  });
}
const windows = new Map<number, Float32Array>();
const windowFor = (radius: number): Float32Array =>
  windows.get(radius) ?? windows.set(radius, windowOf(radius)).get(radius)!;

/** A template made ready: weighted, without its mean in each channel, of length 1. */
export interface Template {
  readonly radius: number;
  readonly values: Float32Array;
  readonly weights: Float32Array;
}

/** A patch turned about its middle, clockwise in the picture (bilinear; beyond its edge the edge). */
function turnedBy(angle: number, { values, channels, width: side }: Patch, radius: number): Float32Array {
  if (angle === 0) return values;
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const out = new Float32Array(values.length);
  const most = side - 1.001;
  for (let y = 0, to = 0; y < side; y++) {
    for (let x = 0; x < side; x++) {
      const [dx, dy] = [x - radius, y - radius];
      const u = Math.max(0, Math.min(most, radius + c * dx + s * dy));
      const v = Math.max(0, Math.min(most, radius - s * dx + c * dy));
      const [left, top] = [Math.floor(u), Math.floor(v)];
      const [p, q] = [u - left, v - top];
      let from = (top * side + left) * channels;
      for (let k = 0; k < channels; k++, from++, to++) {
        out[to] =
          (1 - q) * ((1 - p) * values[from]! + p * values[from + channels]!) +
          q * ((1 - p) * values[from + side * channels]! + p * values[from + (side + 1) * channels]!);
      }
    }
  }
  return out;
}

/**
 * A patch made ready to be compared.
 * @param turn by which it is turned first, radians, clockwise in the picture
 */
export function templateOf(patch: Patch, radius: number, turn = 0): Template {
  const weights = windowFor(radius);
  const { channels } = patch;
  const seen = turnedBy(turn, patch, radius);
  const values = new Float32Array(weights.length * channels);
  const total = weights.reduce((sum, w) => sum + w, 0);
  let norm = 0;
  for (let c = 0; c < channels; c++) {
    let mean = 0;
    for (let i = 0; i < weights.length; i++) mean += weights[i]! * seen[i * channels + c]!;
    mean /= total;
    for (let i = 0; i < weights.length; i++) {
      const v = seen[i * channels + c]! - mean;
      values[i * channels + c] = weights[i]! * v;
      norm += weights[i]! * v * v;
    }
  }
  const length = Math.sqrt(norm) || 1;
  for (let i = 0; i < values.length; i++) values[i] = values[i]! / length;
  return { radius, values, weights };
}

/** One template whose correlation is the weighted sum of those of two: what is sought is then compared once. */
export const blend = (first: Template, second: Template, share: number): Template => ({
  ...first,
  values: first.values.map((value, i) => share * value + (1 - share) * second.values[i]!),
});

/** Normalised, weighted correlation of a template with the place of a search area whose corner is (x, y): -1 to 1. */
export function correlation(area: Patch, x: number, y: number, { radius, values, weights }: Template): number {
  const side = 2 * radius + 1;
  const { channels } = area;
  let product = 0;
  let energy = 0;
  let total = 0;
  const sums = [0, 0, 0];
  for (let row = 0; row < side; row++) {
    let from = ((y + row) * area.width + x) * channels;
    let t = row * side;
    for (let column = 0; column < side; column++, t++) {
      const w = weights[t]!;
      total += w;
      for (let c = 0; c < channels; c++, from++) {
        const v = area.values[from]!;
        product += v * values[t * channels + c]!;
        energy += w * v * v;
        sums[c]! += w * v;
      }
    }
  }
  for (let c = 0; c < channels; c++) energy -= (sums[c]! * sums[c]!) / total;
  return energy < 1e-6 * total ? 0 : product / Math.sqrt(energy);
}

/** A point's surroundings, centred on it exactly (bilinear between pixels). */
export function surroundings(of: PatchOf, at: Vec2, radius: number): Patch {
  const side = 2 * radius + 1;
  const [left, top] = [Math.floor(at.x) - radius, Math.floor(at.y) - radius];
  const [u, v] = [at.x - Math.floor(at.x), at.y - Math.floor(at.y)];
  const { channels, values } = of(left, top, side + 1, side + 1);
  const out = new Float32Array(side * side * channels);
  const next = (side + 1) * channels;
  for (let y = 0; y < side; y++) {
    for (let k = 0; k < side * channels; k++) {
      const from = y * next + k;
      out[y * side * channels + k] =
        (1 - v) * ((1 - u) * values[from]! + u * values[from + channels]!) +
        v * ((1 - u) * values[from + next]! + u * values[from + next + channels]!);
    }
  }
  return { left, top, width: side, height: side, channels, values: out };
}

/** The vertex of a parabola through three values one step apart, from the middle one; within half a step. */
export function vertex(before: number, middle: number, after: number): number {
  const bend = before - 2 * middle + after;
  return Number.isFinite(bend) && bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
}

/** Where a score is best. */
export interface Peak extends Vec2 {
  readonly score: number;
  /** How sharply it falls off along the direction in which it does least, per square pixel; 0 along an edge. */
  readonly sharpness: number;
}

/** The smaller of the two curvatures of a score about a pixel. */
function sharpnessAt(at: (x: number, y: number) => number, { x, y }: Vec2): number {
  const middle = at(x, y);
  const xx = 2 * middle - at(x - 1, y) - at(x + 1, y);
  const yy = 2 * middle - at(x, y - 1) - at(x, y + 1);
  const xy = (at(x + 1, y - 1) + at(x - 1, y + 1) - at(x + 1, y + 1) - at(x - 1, y - 1)) / 4;
  const least = (xx + yy) / 2 - Math.hypot((xx - yy) / 2, xy);
  return Number.isFinite(least) ? Math.max(0, least) : 0;
}

/**
 * Where in an area a score is best: coarse, then every pixel, then between pixels by a parabola through the neighbours.
 */
export function best(score: (x: number, y: number) => number, columns: number, rows: number): Peak {
  const known = new Map<number, number>();
  const at = (x: number, y: number): number => {
    if (x < 0 || y < 0 || x >= columns || y >= rows) return -Infinity;
    const key = y * columns + x;
    let value = known.get(key);
    if (value === undefined) known.set(key, (value = score(x, y)));
    return value;
  };
  const candidates: { x: number; y: number; value: number }[] = [];
  for (let y = 0; y < rows; y += COARSE)
    for (let x = 0; x < columns; x += COARSE) candidates.push({ x, y, value: at(x, y) });
  candidates.sort((a, b) => b.value - a.value);
  let top = candidates[0]!;
  // A narrow peak may lie between coarse steps: the best few are climbed from.
  for (const start of candidates.slice(0, 6)) {
    let here = start;
    for (let moved = true; moved;) {
      moved = false;
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
        [1, 1],
        [-1, -1],
        [1, -1],
        [-1, 1],
      ] as const) {
        const value = at(here.x + dx, here.y + dy);
        if (value > here.value) {
          here = { x: here.x + dx, y: here.y + dy, value };
          moved = true;
        }
      }
    }
    if (here.value > top.value) top = here;
  }
  return {
    x: top.x + vertex(at(top.x - 1, top.y), top.value, at(top.x + 1, top.y)),
    y: top.y + vertex(at(top.x, top.y - 1), top.value, at(top.x, top.y + 1)),
    score: top.value,
    sharpness: sharpnessAt(at, top),
  };
}
