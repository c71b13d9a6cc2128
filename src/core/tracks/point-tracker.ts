import type { Vec2 } from '../geometry/vec2';
import { FOLLOWED_SD_PIXELS } from './point-error';
import type { PointSeries } from './track';
import {
  best,
  correlation,
  surroundings,
  blend,
  templateOf,
  vertex,
  type Patch,
  type PatchOf,
  type Peak,
  type Template,
} from './template';

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
  /** How far they have turned since the point was placed, and do from picture to picture; radians, clockwise. */
  readonly turned: number;
  readonly turning: number;
  /** Variance of what following has added since the point was placed, square pixels, along its worst direction. */
  readonly wandered: number;
}

/** What the look at first counts beside that in the last picture. */
const FIRST_SHARE = 0.35;
/** Alike enough to be the same thing, normalised correlation. */
const ALIKE = 0.6;
/** Alike enough to how it was first, where it is no longer like the last picture. */
const LEAST_FIRST = 0.25;
/** From here on the look at first decides between neighbouring pixels, within this many of them. */
const ANCHORED = 0.45;
const ANCHOR_REACH = 3;
/** A point that may have wandered farther than this share of the radius is asked for. */
const MOST_WANDERED = 0.5;
/** Likeness to the last picture that this may cost. */
const ANCHOR_COST = 0.08;
/** Largest distance by which following back may miss where it came from: pixels, or a share of the radius. */
const BACK_AND_FORTH = { pixels: 2.5, share: 0.4 };
/** Reach of the search beyond where the point is expected, pixels. */
const REACH = { least: 12, most: 72, first: 48 };
/**
 * Step by which a turn is looked for about the one expected, radians, and how many of them; what gains less likeness is
 * none.
 */
const TURN_STEP = 0.08;
const TURN_STEPS = 4;
const TURN_GAIN = 0.01;

export type WhyLost = 'changed' | 'not-back' | 'outside' | 'unsure';

export type TrackingStep =
  | {
      readonly found: true;
      readonly next: Tracked;
      /** The deviation of a point that has not wandered, over that of this one. */
      readonly sure: number;
    }
  | { readonly found: false; readonly because: WhyLost };

/** A point that is less sure than this may be elsewhere: it tells no velocity. */
export const SURE_ENOUGH = 0.5;

/** Pixels a frame into a frame, from the one that is a step before; null where that is not known surely enough. */
export function velocityInto({ x, y, confidence }: PointSeries, frame: number, step: 1 | -1): Vec2 | null {
  const before = frame - step;
  return confidence[before]! >= SURE_ENOUGH && !Number.isNaN(x[before]!)
    ? { x: x[frame]! - x[before]!, y: y[frame]! - y[before]! }
    : null;
}

/** Begins to follow a point that a person placed; its velocity (pixels a frame) may be known from the frame before. */
export function startTracking(
  of: PatchOf,
  at: Vec2,
  { radius }: TrackingOptions,
  velocity: Vec2 | null = null,
): Tracked {
  const first = surroundings(of, at, radius);
  return { at, velocity, first, last: first, turned: 0, turning: 0, wandered: 0 };
}

function search(of: PatchOf, expected: Vec2, reach: number, template: Template): Peak {
  const { radius } = template;
  const left = Math.round(expected.x) - reach - radius;
  const top = Math.round(expected.y) - reach - radius;
  const side = 2 * (reach + radius) + 1;
  const area = of(left, top, side, side);
  const found = best((x, y) => correlation(area, x, y, template), 2 * reach + 1, 2 * reach + 1);
  return { ...found, x: left + radius + found.x, y: top + radius + found.y };
}

/** The turn at which a score is best, uphill from where it is expected, between steps by a parabola. */
function bestTurn(scoreAt: (turn: number) => number, expected: number): number {
  let [here, value] = [expected, scoreAt(expected)];
  const began = value;
  for (let k = 0; k < TURN_STEPS; k++) {
    const [less, more] = [scoreAt(here - TURN_STEP), scoreAt(here + TURN_STEP)];
    if (value >= less && value >= more) {
      here += TURN_STEP * vertex(less, value, more);
      break;
    }
    [here, value] = less > more ? [here - TURN_STEP, less] : [here + TURN_STEP, more];
  }
  return scoreAt(here) - began > TURN_GAIN ? here : expected;
}

/**
 * Variance of a place found by likeness, square pixels: what is not alike, over how sharply likeness falls off in the
 * direction in which it does least, as along an edge (the covariance of least-squares matching, from memory; that its
 * factor is about 1 was seen on rendered clips kept for choosing, `npm run bench follow`).
 */
const varianceOf = ({ score, sharpness }: Peak): number => (1 - score) / Math.max(1e-4, sharpness);

/**
 * Follows a point into the next picture: the place whose surroundings are most like what they were, turned as they turn,
 * both where a person placed the point and in the last picture (normalised correlation over all colours), near where its
 * velocity takes it. Against wandering it is aligned anew with how it was first (Matthews, Ishikawa and Baker 2004, The
 * template update problem). The place found is followed back; where that does not lead to where it came from, or nothing
 * is alike, the point is not found.
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
  const firstAt = (turn: number): Template => templateOf(state.first, radius, state.turned + turn);
  const lastAt = (turn: number): Template => templateOf(state.last, radius, turn);
  const bothAt = (turn: number): Template => blend(firstAt(turn), lastAt(turn), FIRST_SHARE);
  const about = search(now, expected, reach, bothAt(state.turning));
  const there = surroundings(now, about, radius);
  const turn = bestTurn((angle) => correlation(there, 0, 0, bothAt(angle)), state.turning);
  const [first, last] = [firstAt(turn), lastAt(turn)];
  const near = turn === state.turning ? about : search(now, about, ANCHOR_REACH, bothAt(turn));
  // Small errors from picture to picture add up; what a person placed does not wander.
  const anchored = search(now, near, ANCHOR_REACH, first);
  const likeLastAt = (place: Vec2): number => correlation(surroundings(now, place, radius), 0, 0, last);
  const isAnchored = anchored.score >= ANCHORED && likeLastAt(anchored) >= likeLastAt(near) - ANCHOR_COST;
  const { x, y } = isAnchored ? anchored : near;
  const at = { x, y };
  if (at.x < 0 || at.y < 0 || at.x >= size.width || at.y >= size.height) return { found: false, because: 'outside' };
  const here = surroundings(now, at, radius);
  const [likeLast, likeFirst] = [last, first].map((template) => correlation(here, 0, 0, template)) as [number, number];
  if (likeLast < ALIKE || likeFirst < LEAST_FIRST) return { found: false, because: 'changed' };
  const onwards = state.wandered + varianceOf(search(now, near, 2, last));
  const wandered = isAnchored ? Math.min(onwards, varianceOf(anchored)) : onwards;
  if (Math.sqrt(wandered) > MOST_WANDERED * radius) return { found: false, because: 'unsure' };
  // What was there before the point came is what it passes over.
  const stood = correlation(surroundings(before, at, radius), 0, 0, templateOf(here, radius));
  if (Math.hypot(x - state.at.x, y - state.at.y) > radius / 2 && stood > likeLast)
    return { found: false, because: 'not-back' };
  const back = search(before, state.at, reach, templateOf(here, radius, -turn));
  const miss = Math.hypot(back.x - state.at.x, back.y - state.at.y);
  if (miss > Math.max(BACK_AND_FORTH.pixels, BACK_AND_FORTH.share * radius))
    return { found: false, because: 'not-back' };
  const settled = isAnchored ? bestTurn((angle) => correlation(here, 0, 0, firstAt(angle)), turn) : turn;
  return {
    found: true,
    sure: FOLLOWED_SD_PIXELS / Math.hypot(FOLLOWED_SD_PIXELS, Math.sqrt(wandered)),
    next: {
      at,
      velocity: { x: at.x - state.at.x, y: at.y - state.at.y },
      first: state.first,
      last: here,
      turned: state.turned + settled,
      turning: turn,
      wandered,
    },
  };
}
