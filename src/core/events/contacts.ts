import { SQUARE } from '../calibration/view';
import { farSide } from '../model/clip';
import type { Trial } from '../trial/trial';
import { doubtError } from '../tracks/point-error';
import { isFromDetector, ORIGIN } from '../tracks/track';
import { isDetected, partsOf, placesOf } from '../trial/places';
import { isBesideLoss } from './loss-from-sight';
import { changePoint, withoutStrays, type ChangePoint } from '../signal/change-point';
import { rateOfChange } from '../signal/derivative';
import type { FrameSpan } from '../signal/peaks';
import { frameAtTime, timeAtFrame } from '../timing/clip-time';

/** Contacts of feet with the ground. Heel and toe are looked at each by itself, and joined to one foot. */

export type Foot = 'dominant' | 'opposite';
export type Edge = 'touch-down' | 'lift-off';

/** An end of a foot that rests is slower than this, standing heights a second. */
const RESTING = 0.9;
/** A rest shorter than this is no contact, seconds; two that are nearer together than this are one. */
const SHORTEST = 0.035;
const NEAR = 0.06;
/**
 * An end of a foot that rests again where it rested has not been elsewhere meanwhile: no step is so quick and leads
 * nowhere, seconds and standing heights.
 */
const BACK_AGAIN = 0.13;
const SAME_PLACE = 0.05;
/**
 * A foot that rests in the air came from below, or goes there: the ground has nothing lower beside it, standing heights
 * and seconds.
 */
const LOWER_BESIDE = 0.04;
const BESIDE = 0.25;
/**
 * How far round the beginning of a rest the contact is looked for, and how much movement and rest are fitted, seconds.
 */
const SEARCH = 0.03;
const MOVING = 0.045;
const RESTS = 0.03;
/**
 * A foot is no mathematical point that stops: what the fitted instant is off by beside its noise, seconds (against
 * rendered truth).
 */
export const FOOT_SD = 0.009;
/** Ends that touch within this of each other touch together, seconds. */
const SEEN = { sd: FOOT_SD, together: 0.012 } as const;
/** The far foot goes behind the near leg, where a detector guesses (likewise). */
const HIDDEN = { sd: 0.014, together: 0.03 } as const;
/** What a detector is off by of its own, standing heights, against which its doubt counts. */
const POINT_SD = 0.01;
/** Noise that is carried on from frame to frame moves the fitted instant farther than white noise would. */
const CARRIED_NOISE = 2.2;

interface End {
  /** How much each frame counts, by how far its point is doubted. */
  readonly weights: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  readonly speed: Float64Array;
  readonly rawX: Float64Array;
  readonly rawY: Float64Array;
}

/** Heel and toe of a foot at every frame, standing heights. */
function endsOf(trial: Trial, side: Foot): readonly End[] {
  const per = 1 / trial.bodyHeight;
  const { times } = trial;
  return (['heel', 'foot-index'] as const).map((end) => {
    const smooth = placesOf(trial, `${side}-${end}`, SQUARE);
    const raw = placesOf({ ...trial, smoothed: trial.raw }, `${side}-${end}`, SQUARE);
    // What was filled in between detected frames rounds the corner that is looked for.
    const [part] = partsOf(`${side}-${end}`, trial.clip.performer, trial.raw);
    const series = part && trial.raw[part.id];
    const own = (values: Float64Array): Float64Array =>
      values.map((v, i) => (series?.origin[i] === ORIGIN.filled ? NaN : v));
    const weightAt = (i: number): number =>
      series && isFromDetector(series.origin[i]) ? 1 / (1 + (doubtError(series.confidence[i]!) / POINT_SD) ** 2) : 1;
    const [x, y] = [smooth.x, smooth.y].map((v) => v.map((p) => p * per)) as [Float64Array, Float64Array];
    const [vx, vy] = [rateOfChange(times, x), rateOfChange(times, y)];
    return {
      weights: Float64Array.from(x, (_, i) => weightAt(i)),
      x,
      y,
      speed: vx.map((v, i) => Math.hypot(v, vy[i]!)),
      rawX: own(
        withoutStrays(
          times,
          raw.x.map((p) => p * per),
          x,
        ),
      ),
      rawY: own(
        withoutStrays(
          times,
          raw.y.map((p) => p * per),
          y,
        ),
      ),
    };
  });
}

/** Runs of frames in which an end of a foot rests on something. */
function restsOf({ x, y, speed }: End, trial: Trial): readonly FrameSpan[] {
  const { interval, times } = trial;
  const gap = Math.max(1, Math.round(0.02 / interval));
  const still: { first: number; last: number }[] = [];
  for (let i = 0; i < speed.length; i++) {
    if (!(speed[i]! < RESTING)) continue;
    const before = still.at(-1);
    if (before && i - before.last <= gap) before.last = i;
    else still.push({ first: i, last: i });
  }
  const middle = (values: Float64Array, { first, last }: FrameSpan): number =>
    values.slice(first, last + 1).sort()[(last - first + 1) >> 1]!;
  const isBack = (a: FrameSpan, b: FrameSpan): boolean =>
    times[b.first]! - times[a.last]! <= BACK_AGAIN &&
    Math.hypot(middle(x, a) - middle(x, b), middle(y, a) - middle(y, b)) <= SAME_PLACE;
  const runs: FrameSpan[] = [];
  for (const rest of still) {
    const back = runs.findLastIndex((before) => isBack(before, rest));
    if (back < 0) runs.push(rest);
    else runs.splice(back, runs.length, { first: runs[back]!.first, last: rest.last });
  }
  const reach = Math.round(BESIDE / interval);
  return runs.filter(({ first, last }) => {
    if (times[last]! - times[first]! + interval < SHORTEST) return false;
    const level = middle(y, { first, last });
    // Where the performer is lost from sight, what is lower may be somebody else's foot.
    const isLower = (i: number): boolean =>
      (i < first || i > last) && y[i]! <= level - LOWER_BESIDE && !isBesideLoss(trial, i);
    const from = Math.max(0, first - reach);
    return !y.subarray(from, last + 1 + reach).some((_, k) => isLower(from + k));
  });
}

/** A contact of one foot: the frames in which it rests, and those of the ends that begin and end it. */
export interface Contact extends FrameSpan {
  readonly begins: readonly number[];
  readonly ends: readonly number[];
}

function sync(rests: readonly (readonly FrameSpan[])[], interval: number): readonly Contact[] {
  const near = NEAR / interval;
  const all = rests.flat().sort((a, b) => a.first - b.first);
  const feet: { first: number; last: number; parts: FrameSpan[] }[] = [];
  for (const rest of all) {
    const before = feet.at(-1);
    if (before && rest.first - before.last <= near) {
      before.last = Math.max(before.last, rest.last);
      before.parts.push(rest);
    } else feet.push({ ...rest, parts: [rest] });
  }
  return feet.map(({ first, last, parts }) => ({
    first,
    last,
    begins: parts.map((p) => p.first).filter((f) => f - first <= near),
    ends: parts.map((p) => p.last).filter((f) => last - f <= near),
  }));
}

interface FootOfClip {
  readonly ends: readonly End[];
  readonly rests: readonly (readonly FrameSpan[])[];
  readonly contacts: readonly Contact[];
}

const known = new WeakMap<Trial['smoothed'], Map<Foot, FootOfClip>>();

function footOf(trial: Trial, side: Foot): FootOfClip {
  const feet = known.get(trial.smoothed) ?? new Map<Foot, FootOfClip>();
  known.set(trial.smoothed, feet);
  const before = feet.get(side);
  if (before) return before;
  const ends = endsOf(trial, side);
  const rests = ends.map((end) => restsOf(end, trial));
  const foot = { ends, rests, contacts: sync(rests, trial.interval) };
  feet.set(side, foot);
  return foot;
}

/** Runs of frames in which a foot stands. */
export const contactsOf = (trial: Trial, side: Foot): readonly Contact[] => footOf(trial, side).contacts;

/** The instant at which one end of a foot comes to rest, or leaves. */
function edgeOfEnd(trial: Trial, { rawX, rawY, weights }: End, rest: FrameSpan, edge: Edge): ChangePoint {
  const { times, interval } = trial;
  const about = timeAtFrame(times, edge === 'touch-down' ? rest.first : rest.last);
  const search = Math.max(SEARCH, 1.5 * interval);
  const found = changePoint(times, [rawY, rawX], {
    restsAfter: edge === 'touch-down',
    earliest: about - search,
    latest: about + search,
    moving: Math.max(MOVING, 3 * interval),
    resting: Math.max(RESTS, 2 * interval),
    weights,
  });
  return found ?? { time: about, sd: Math.max(0.02, interval) };
}

export interface ContactEdge {
  readonly side: Foot;
  /** Frame position. */
  readonly frame: number;
  /** Standard deviation, seconds. */
  readonly sd: number;
}

/** Whether a foot is on the side that is turned away from the camera, and a detector had to see it there. */
function isHidden(trial: Trial, foot: Foot): boolean {
  const far = farSide(trial.clip);
  const isOwn = far !== null && (far === trial.clip.performer.dominantSide) === (foot === 'dominant');
  return isOwn && isDetected(trial, `${far}-heel`);
}

/** The edge of a contact: that of the end that touches first, or leaves last; of both where they do it together. */
function edgeOf(trial: Trial, side: Foot, contact: Contact, edge: Edge): ContactEdge {
  const { ends, rests } = footOf(trial, side);
  const candidates = ends.flatMap((end, k) =>
    rests[k]!.filter((r) =>
      edge === 'touch-down'
        ? contact.begins.includes(r.first) && r.first >= contact.first
        : contact.ends.includes(r.last) && r.last <= contact.last,
    ).map((r) => edgeOfEnd(trial, end, r, edge)),
  );
  const sign = edge === 'touch-down' ? 1 : -1;
  const first = candidates.reduce((a, b) => (sign * (b.time - a.time) < 0 ? b : a));
  const own = isHidden(trial, side) ? HIDDEN : SEEN;
  const together = candidates.filter((c) => Math.abs(c.time - first.time) <= own.together + first.sd);
  const sum = (of: (c: ChangePoint) => number): number => together.reduce((total, c) => total + of(c), 0);
  const weightOf = (c: ChangePoint): number => 1 / (c.sd ** 2 + own.sd ** 2);
  const time = sum((c) => c.time * weightOf(c)) / sum(weightOf);
  const noise = CARRIED_NOISE / Math.sqrt(sum((c) => 1 / c.sd ** 2));
  const apart = together.length > 1 ? Math.abs(together[0]!.time - together[1]!.time) / 2 : 0;
  return { side, frame: frameAtTime(trial.times, time), sd: Math.hypot(noise, apart, own.sd) };
}

/**
 * Every touch-down or lift-off in the clip, in time order; a contact that the clip begins or ends in has no edge there.
 */
export function contactEdges(trial: Trial, which: Foot | 'either', edge: Edge): readonly ContactEdge[] {
  const sides: readonly Foot[] = which === 'either' ? ['dominant', 'opposite'] : [which];
  const last = trial.times.length - 1;
  return sides
    .flatMap((side) =>
      contactsOf(trial, side)
        .filter(({ first, last: end }) => (edge === 'touch-down' ? first > 1 : end < last - 1))
        .map((contact) => edgeOf(trial, side, contact, edge)),
    )
    .filter(({ frame }) => frame > 0 && frame < last)
    .sort((a, b) => a.frame - b.frame);
}
