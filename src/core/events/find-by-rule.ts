import type { PictureNeed } from '../calibration/camera-state';
import { SQUARE } from '../calibration/view';
import { continuousSeries, pictureOfQuantity, refsOfQuantity } from '../quantities';
import { rateOfChange } from '../signal/derivative';
import { largest, type FrameSpan } from '../signal/peaks';
import type { KeyEventRule } from '../model/key-event-rule';
import type { PointRef } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { partsOf, placesOf } from '../trial/places';
import { contactEdges, FOOT_SD } from './contacts';
import { intervalAt } from '../timing/clip-time';
import { unseenTime } from './loss-from-sight';
import { awayFrom, crossingsOf, crossingSd, noiseOf } from './occurrences';

/** A moment as a rule finds it. */
export interface Found {
  /** Frame position; fractions lie between two frames. */
  readonly frame: number;
  /** 0..1: how sharply the rule decides, times how sure the points are there. */
  readonly confidence: number;
  /** Standard deviation of its time, seconds. */
  readonly sd: number;
  /** The part of it that the rule does alike in every clip, seconds. */
  readonly systematic: number;
}

/**
 * A rule stands for an event that an eye sees (an arm that passes upright for the ball that leaves): what it is off by
 * beside its noise, seconds (against made truth).
 */
const RULE_SD = { contact: 0.003, crossing: 0.008, extreme: 0.006, 'peak-speed': 0.008 } as const;
/** Most of what a rule is off by it is off by in everybody's clip (against made truth). */
const ALIKE_SHARE = 0.8;
const systematicOf = (rule: KeyEventRule['rule']): number =>
  ALIKE_SHARE * (rule === 'contact' ? FOOT_SD : RULE_SD[rule]);

/** A time less sure than this halves the confidence in a proposal, seconds. */
const HALF_SURE = 0.02;

const sharpness = (sd: number): number => 1 / (1 + (sd / HALF_SURE) ** 2);

/**
 * Points that are as sure as this are seen well: heels and toes are known to one of two detectors only, and are never
 * surer than a half.
 */
const SEEN_WELL = 0.4;

/** How well the points round a frame are seen, 0..1. */
function sureness(trial: Trial, refs: readonly PointRef[], frame: number): number {
  const i = Math.round(frame);
  const all = refs
    .flatMap((ref) => partsOf(ref, trial.clip.performer, trial.smoothed))
    .map(({ id }) => trial.smoothed[id]?.confidence[i] ?? 0);
  return all.length === 0 ? 0 : Math.min(1, all.reduce((sum, c) => sum + c, 0) / all.length / SEEN_WELL);
}

/**
 * How far a peak stands out of the values in its span, 0..1: one whose neighbours a tenth of the span away are nearly
 * as high says little.
 */
function prominence(score: Float64Array, frame: number, { first, last }: FrameSpan): number {
  const away = Math.max(2, Math.round((last - first) / 10));
  const values = Array.from(score.slice(first, last + 1)).filter((v) => !Number.isNaN(v));
  const range = Math.max(...values) - Math.min(...values);
  if (!(range > 0)) return 0;
  const i = Math.round(frame);
  const beside = [score[i - away], score[i + away]].filter((v) => v !== undefined && !Number.isNaN(v)) as number[];
  return Math.min(1, (4 * (score[i]! - Math.max(...beside, -Infinity))) / range || 0);
}

/**
 * Vertex of the parabola through the samples round a frame (least squares); the frame itself where they do not bend
 * that way.
 */
function topOfFlight(score: Float64Array, frame: number, reach: number, { first, last }: FrameSpan): number {
  const middle = Math.round(frame);
  const half = Math.min(reach, middle - first, last - middle);
  let [n, s2, s4, y0, y1, y2] = [0, 0, 0, 0, 0, 0];
  for (let t = -half; t <= half; t++) {
    const y = score[middle + t]!;
    if (Number.isNaN(y)) return frame;
    n++;
    s2 += t * t;
    s4 += t ** 4;
    y0 += y;
    y1 += t * y;
    y2 += t * t * y;
  }
  // About the middle the odd sums vanish.
  const bend = (n * y2 - s2 * y0) / (n * s4 - s2 * s2);
  const shift = -y1 / s2 / (2 * bend);
  return n >= 5 && bend < 0 && Math.abs(shift) <= half ? middle + shift : frame;
}

/** How sure the place of a top is: as far as the curve stays within its own noise of it. */
function topSd(trial: Trial, score: Float64Array, frame: number, noise: number): number {
  const i = Math.round(frame);
  let [low, high] = [i, i];
  while (low > 0 && score[i]! - score[low - 1]! < noise) low--;
  while (high < score.length - 1 && score[i]! - score[high + 1]! < noise) high++;
  return ((high - low + 1) * trial.interval) / Math.sqrt(12);
}

function extremeIn(trial: Trial, rule: Extract<KeyEventRule, { rule: 'extreme' }>, span: FrameSpan): Found | null {
  const score = continuousSeries(trial, rule.of, '%BH').map((v) => (rule.which === 'largest' ? v : -v));
  const top = largest(score, span);
  if (!top) return null;
  const frame =
    rule.flight === null
      ? top.frame
      : topOfFlight(score, top.frame, Math.round(rule.flight / intervalAt(trial, top.frame)), {
          first: 0,
          last: score.length - 1,
        });
  // A parabola through a whole flight knows its top far better than the samples at it.
  const noise =
    topSd(
      trial,
      score,
      top.frame,
      noiseOf(trial, rule.of, { first: Math.round(top.frame), last: Math.round(top.frame) }),
    ) / (rule.flight === null ? 1 : 3);
  return {
    frame,
    systematic: systematicOf('extreme'),
    sd: Math.hypot(RULE_SD.extreme, noise),
    confidence: Math.max(0.2, prominence(score, top.frame, span)) * sureness(trial, refsOfQuantity(rule.of), top.frame),
  };
}

function crossingIn(trial: Trial, rule: Extract<KeyEventRule, { rule: 'crossing' }>, span: FrameSpan): Found | null {
  const away = awayFrom(trial, rule.of, rule.level);
  const found = crossingsOf(trial, rule.of, rule.level, rule.direction, span, away);
  const frame = rule.take === 'first' ? found[0] : found.at(-1);
  if (frame === undefined) return null;
  const sd = Math.hypot(RULE_SD.crossing, crossingSd(trial, rule.of, away, frame));
  return {
    frame,
    sd,
    systematic: systematicOf('crossing'),
    confidence: sharpness(sd) * sureness(trial, refsOfQuantity(rule.of), frame) * (found.length > 1 ? 0.9 : 1),
  };
}

function contactIn(trial: Trial, rule: Extract<KeyEventRule, { rule: 'contact' }>, span: FrameSpan): Found | null {
  if (Number.isNaN(trial.bodyHeight)) return null;
  const inside = contactEdges(trial, rule.side, rule.edge).filter(
    ({ frame }) => frame >= span.first && frame <= span.last,
  );
  const chosen = rule.take === 'first' ? inside[0] : inside.at(-1);
  if (!chosen) return null;
  const sd = Math.hypot(RULE_SD.contact, chosen.sd);
  return {
    frame: chosen.frame,
    sd,
    systematic: systematicOf('contact'),
    confidence: sharpness(sd) * sureness(trial, [`${chosen.side}-heel`, `${chosen.side}-foot-index`], chosen.frame),
  };
}

/** Speed of a point, alone or as seen from another one, pixels a second at every frame. */
export function speedOf(
  trial: Trial,
  rule: Pick<Extract<KeyEventRule, { rule: 'peak-speed' }>, 'point' | 'relativeTo'>,
): Float64Array {
  const own = placesOf(trial, rule.point, SQUARE);
  const from = rule.relativeTo === null ? null : placesOf(trial, rule.relativeTo, SQUARE);
  const places = { x: own.x.map((x, i) => x - (from?.x[i] ?? 0)), y: own.y.map((y, i) => y - (from?.y[i] ?? 0)) };
  const [vx, vy] = [places.x, places.y].map((values) => rateOfChange(trial.times, values)) as [
    Float64Array,
    Float64Array,
  ];
  return vx.map((v, i) => Math.hypot(v, vy[i]!));
}

function peakSpeedIn(trial: Trial, rule: Extract<KeyEventRule, { rule: 'peak-speed' }>, span: FrameSpan): Found | null {
  const speed = speedOf(trial, rule);
  const top = largest(speed, span);
  return (
    top && {
      frame: top.frame,
      systematic: systematicOf('peak-speed'),
      sd: Math.hypot(RULE_SD['peak-speed'], topSd(trial, speed, top.frame, 0.05 * top.value)),
      confidence: Math.max(0.2, prominence(speed, top.frame, span)) * sureness(trial, pointsOfRule(rule), top.frame),
    }
  );
}

/** The points that a rule reads. */
export function pointsOfRule(rule: KeyEventRule): readonly PointRef[] {
  switch (rule.rule) {
    case 'extreme':
    case 'crossing':
      return refsOfQuantity(rule.of);
    case 'contact':
      return (rule.side === 'either' ? (['dominant', 'opposite'] as const) : [rule.side]).flatMap(
        (side): PointRef[] => [`${side}-heel`, `${side}-foot-index`],
      );
    case 'peak-speed':
      return rule.relativeTo === null ? [rule.point] : [rule.point, rule.relativeTo];
  }
}

/**
 * A moment that was found from some points: where the performer is lost from sight it may have happened at any time
 * until they are seen again.
 */
export function asSeen<T extends Pick<Found, 'frame' | 'sd' | 'confidence'>>(
  trial: Trial,
  points: readonly PointRef[],
  found: T,
): T {
  const unseen = unseenTime(trial, points, found.frame) / Math.sqrt(12);
  return unseen === 0
    ? found
    : { ...found, sd: Math.hypot(found.sd, unseen), confidence: found.confidence * sharpness(unseen) };
}

function byRule(trial: Trial, rule: KeyEventRule, span: FrameSpan): Found | null {
  switch (rule.rule) {
    case 'extreme':
      return extremeIn(trial, rule, span);
    case 'crossing':
      return crossingIn(trial, rule, span);
    case 'contact':
      return contactIn(trial, rule, span);
    case 'peak-speed':
      return peakSpeedIn(trial, rule, span);
  }
}

/** What of the picture must stay as it is for a rule to find its moment. */
export function pictureOfRule(rule: KeyEventRule): PictureNeed {
  switch (rule.rule) {
    case 'extreme':
    case 'crossing':
      return pictureOfQuantity(rule.of);
    case 'contact':
      return 'place';
    case 'peak-speed':
      return rule.relativeTo ? 'size' : 'place';
  }
}

/** The moment that a rule finds in a span of frames; null where it finds none. */
export function findByRule(trial: Trial, rule: KeyEventRule, span: FrameSpan): Found | null {
  const found = byRule(trial, rule, span);
  return found && asSeen(trial, pointsOfRule(rule), found);
}
