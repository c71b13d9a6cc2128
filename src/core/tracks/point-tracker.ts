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

export interface TrackingOptions {
  /** Half the side of the square round the point that is compared, pixels. */
  readonly radius: number;
}

/** What is remembered of a followed point. */
export interface Tracked {
  readonly at: Vec2;
  /** Pixels a frame; null where the point has not moved yet. */
  readonly velocity: Vec2 | null;
  /** How the surroundings looked where a person placed the point, and in the last picture. */
  readonly first: Patch;
  readonly last: Patch;
}

/** Alike enough to be the same thing, normalised correlation. */
const ALIKE = 0.6;
/** Alike enough to how it was first, where it is no longer like the last picture. */
const LEAST_FIRST = 0.25;
/** From here on the look at first decides between neighbouring pixels, within this many of them. */
const ANCHORED = 0.45;
const ANCHOR_REACH = 3;
/** Likeness to the last picture that this may cost. */
const ANCHOR_COST = 0.08;
/** Largest distance by which following back may miss where it came from: pixels, or a share of the radius. */
const BACK_AND_FORTH = { pixels: 2.5, share: 0.4 };
/** Reach of the search beyond where the point is expected, pixels. */
const REACH = { least: 12, most: 72, first: 48 };
/** Step of the first, coarse search, pixels. */
const COARSE = 2;

export type TrackingStep =
  | { readonly found: true; readonly next: Tracked; readonly similar: number }
  | { readonly found: false; readonly because: 'changed' | 'not-back' | 'outside' };

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
interface Template {
  readonly radius: number;
  readonly values: Float32Array;
  readonly weights: Float32Array;
}

function templateOf(patch: Patch, radius: number): Template {
  const weights = windowFor(radius);
  const { channels } = patch;
  const values = new Float32Array(weights.length * channels);
  const total = weights.reduce((sum, w) => sum + w, 0);
  let norm = 0;
  for (let c = 0; c < channels; c++) {
    let mean = 0;
    for (let i = 0; i < weights.length; i++) mean += weights[i]! * patch.values[i * channels + c]!;
    mean /= total;
    for (let i = 0; i < weights.length; i++) {
      const v = patch.values[i * channels + c]! - mean;
      values[i * channels + c] = weights[i]! * v;
      norm += weights[i]! * v * v;
    }
  }
  const length = Math.sqrt(norm) || 1;
  for (let i = 0; i < values.length; i++) values[i] = values[i]! / length;
  return { radius, values, weights };
}

/** Normalised, weighted correlation of a template with the place of a search area whose corner is (x, y): -1 to 1. */
function correlation(area: Patch, x: number, y: number, { radius, values, weights }: Template): number {
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
function surroundings(of: PatchOf, at: Vec2, radius: number): Patch {
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

/**
 * Where in an area a score is best: coarse, then every pixel, then between pixels by a parabola through the neighbours.
 */
function best(
  score: (x: number, y: number) => number,
  columns: number,
  rows: number,
): { x: number; y: number; score: number } {
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
  const vertex = (before: number, middle: number, after: number): number => {
    const bend = before - 2 * middle + after;
    return Number.isFinite(bend) && bend < 0 ? Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend))) : 0;
  };
  return {
    x: top.x + vertex(at(top.x - 1, top.y), top.value, at(top.x + 1, top.y)),
    y: top.y + vertex(at(top.x, top.y - 1), top.value, at(top.x, top.y + 1)),
    score: top.value,
  };
}

/** Begins to follow a point that a person placed; its velocity (pixels a frame) may be known from the frame before. */
export function startTracking(
  of: PatchOf,
  at: Vec2,
  { radius }: TrackingOptions,
  velocity: Vec2 | null = null,
): Tracked {
  const first = surroundings(of, at, radius);
  return { at, velocity, first, last: first };
}

function search(
  of: PatchOf,
  expected: Vec2,
  reach: number,
  score: (area: Patch, x: number, y: number) => number,
  radius: number,
): { at: Vec2; score: number } {
  const left = Math.round(expected.x) - reach - radius;
  const top = Math.round(expected.y) - reach - radius;
  const side = 2 * (reach + radius) + 1;
  const area = of(left, top, side, side);
  const found = best((x, y) => score(area, x, y), 2 * reach + 1, 2 * reach + 1);
  return { at: { x: left + radius + found.x, y: top + radius + found.y }, score: found.score };
}

/**
 * Follows a point into the next picture: the place whose surroundings are most like what they were, both where a person
 * placed the point and in the last picture (normalised correlation over all colours), near where its velocity takes it.
 * Against wandering it is aligned anew with how it was first (Matthews, Ishikawa and Baker 2004, The template update
 * problem). The place found is followed back; where that does not lead to where it came from, or nothing is alike, the
 * point is not found.
 * @param before the picture before, `now` the picture to follow into
 * @param size width and height of the pictures
 */
export function trackingStep(
  state: Tracked,
  before: PatchOf,
  now: PatchOf,
  size: { readonly width: number; readonly height: number },
  { radius }: TrackingOptions,
): TrackingStep {
  const { x: vx, y: vy } = state.velocity ?? { x: 0, y: 0 };
  const expected = { x: state.at.x + vx, y: state.at.y + vy };
  const reach = state.velocity
    ? Math.round(Math.max(REACH.least, Math.min(REACH.most, radius + 0.7 * Math.hypot(vx, vy))))
    : REACH.first;
  const [first, last] = [templateOf(state.first, radius), templateOf(state.last, radius)];
  const both = (area: Patch, x: number, y: number): number =>
    0.35 * correlation(area, x, y, first) + 0.65 * correlation(area, x, y, last);
  const near = search(now, expected, reach, both, radius);
  // Small errors from picture to picture add up; what a person placed does not wander.
  const anchored = search(now, near.at, ANCHOR_REACH, (area, x, y) => correlation(area, x, y, first), radius);
  const likeLastAt = (place: Vec2): number => correlation(surroundings(now, place, radius), 0, 0, last);
  const at =
    anchored.score >= ANCHORED && likeLastAt(anchored.at) >= likeLastAt(near.at) - ANCHOR_COST ? anchored.at : near.at;
  if (at.x < 0 || at.y < 0 || at.x >= size.width || at.y >= size.height) return { found: false, because: 'outside' };
  const here = surroundings(now, at, radius);
  const [likeLast, likeFirst] = [correlation(here, 0, 0, last), correlation(here, 0, 0, first)];
  if (likeLast < ALIKE || likeFirst < LEAST_FIRST) return { found: false, because: 'changed' };
  const own = templateOf(here, radius);
  const back = search(before, state.at, reach, (area, x, y) => correlation(area, x, y, own), radius);
  const miss = Math.hypot(back.at.x - state.at.x, back.at.y - state.at.y);
  if (miss > Math.max(BACK_AND_FORTH.pixels, BACK_AND_FORTH.share * radius))
    return { found: false, because: 'not-back' };
  return {
    found: true,
    similar: likeLast,
    next: { at, velocity: { x: at.x - state.at.x, y: at.y - state.at.y }, first: state.first, last: here },
  };
}
