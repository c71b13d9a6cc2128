import { viewRefusal } from '../calibration/view';
import { seriesOfMeasure, seriesUnitOf, seriesOf, unitOf } from '../measures';
import type { Measure } from '../model/measure';
import { performerKey } from '../model/performer';
import type { Movement } from '../model/movement';
import { keyEventSd } from '../trial/key-events';
import { interpolateLinear } from '../signal/resample';
import { timeAtFrame } from '../timing/clip-time';
import { commonOrder } from '../timing/time-map';
import { isTooSmall } from '../trial/too-small';
import type { Trial } from '../trial/trial';
import { toSi } from '../units';
import { COVERAGE_95 } from '../statistics/normal';
import { resels, simultaneousThreshold } from '../statistics/random-field';
import { differenceSd, seenAlike } from './compare';
import { besideByTurns } from './whole-turns';
import { LEAST_FOR_SPREAD, meanReading, viewOf, withMeasuredError, type MeasuredErrors, type Side } from './side';

/** Samples in every phase of a matched curve. */
export const SAMPLES = 50;

/** A stretch of matched time in which the athlete is outside the band by more than the error. */
export interface Stretch {
  /** Samples, both included. */
  readonly from: number;
  readonly to: number;
  /** Where it is farthest outside, and by how much, SI and signed. */
  readonly worst: number;
  readonly excess: number;
}

/** The curves of one measure on both sides, at the same places of the movement. Values in SI, NaN where unknown. */
export interface MatchedSeries {
  /** Moments that both sides have, in order; sample k * SAMPLES lies on the k-th. */
  readonly through: readonly string[];
  /** Place on the time axis of every sample, 0..1: the reference's own durations (their mean). */
  readonly at: Float64Array;
  readonly athlete: Float64Array;
  /** Mean of the reference, and every trial of it. */
  readonly reference: Float64Array;
  readonly members: readonly Float64Array[];
  /** Half width of the band round the reference at every sample, or null where nothing gives one. */
  readonly half: Float64Array | null;
  /** Where the band comes from. */
  readonly bandOf: 'performers' | 'tolerance' | null;
  readonly difference: Float64Array;
  /**
   * Half of the 95 % interval that a difference must exceed beside the band, at every sample: as the points are there,
   * or where the curve is no value of points alone (speeds, turns) as the measure is where it is read. NaN where it is
   * not measurable; null where it is so everywhere. No stretch is named without it.
   */
  readonly plusMinus: Float64Array | null;
  readonly stretches: readonly Stretch[];
  readonly longest: Stretch | null;
}

const commonEvents = (movement: Movement, trials: readonly Trial[]): readonly string[] =>
  commonOrder(
    movement.moments,
    trials.map(({ marks }) => marks),
  );

/** Real times at which a trial is at each sample of matched time. */
function sampleTimes(trial: Trial, through: readonly string[]): Float64Array {
  const times = through.map((id) => timeAtFrame(trial.times, trial.marks[id]!) as number);
  return Float64Array.from({ length: (through.length - 1) * SAMPLES + 1 }, (_, i) => {
    const phase = Math.min(through.length - 2, Math.floor(i / SAMPLES));
    return times[phase]! + ((times[phase + 1]! - times[phase]!) * (i - phase * SAMPLES)) / SAMPLES;
  });
}

const inOrder = (trial: Trial, through: readonly string[]): boolean =>
  through.every((id, i) => i === 0 || trial.marks[id]! > trial.marks[through[i - 1]!]!);

/** Samples from one at which the error is computed to the next; it is taken linear between. */
const ERROR_EVERY = SAMPLES / 2;

/** How sure the place of a sample is, seconds: that of the moments round it, the nearer the more. */
function timeSdAt(trial: Trial, through: readonly string[], sample: number): number {
  const phase = Math.min(through.length - 2, Math.floor(sample / SAMPLES));
  const share = (sample - phase * SAMPLES) / SAMPLES;
  return Math.hypot((1 - share) * keyEventSd(trial, through[phase]!), share * keyEventSd(trial, through[phase + 1]!));
}

/**
 * Half of the 95 % interval of the difference at every sample, NaN where it is not measurable; null where it is so
 * everywhere.
 */
function errorAlong(
  measure: Measure,
  athlete: Side,
  reference: Side,
  through: readonly string[],
  errors: MeasuredErrors,
): Float64Array | null {
  const series = seriesOf(measure)!;
  const samples = (through.length - 1) * SAMPLES + 1;
  const seen = [athlete, reference].map((side) => side.map((views) => viewOf(measure, views)));
  const systematic = seen[0]!.every((a) => seen[1]!.every((r) => seenAlike(a.clip, r.clip)));
  // An error found by digitising twice is that of the measure itself.
  const sem = series.holdsValue(measure) ? errors[measure.id] : undefined;
  const known = Float64Array.from({ length: (samples - 1) / ERROR_EVERY + 1 }, (_, k) => {
    const sample = k * ERROR_EVERY;
    const [a, r] = seen.map((side) => {
      const all = side.map((p) => ({
        reading: withMeasuredError(
          series.read(measure, p, frameAtSample(p, through, sample), timeSdAt(p, through, sample)),
          sem,
        ),
        performer: performerKey(p.clip.performer),
      }));
      return meanReading(measure, all).reading;
    });
    return a!.measurable && r!.measurable ? COVERAGE_95 * differenceSd(a!, r!, systematic) : NaN;
  });
  if (known.every(Number.isNaN)) return null;
  return Float64Array.from({ length: samples }, (_, i) => {
    const [k, rest] = [Math.floor(i / ERROR_EVERY), (i % ERROR_EVERY) / ERROR_EVERY];
    return rest === 0 ? known[k]! : known[k]! * (1 - rest) + known[k + 1]! * rest;
  });
}

/** A stretch shorter than this share of the movement is not named. */
const LEAST_STRETCH = 0.03;
/** The largest of some ten independent errors along a curve is about three deviations, not two. */
const ALONG_A_CURVE = 3 / COVERAGE_95;

/**
 * Half width, at every sample, of the range that another performer of the same population leaves nowhere in 95 of 100
 * cases: s sqrt(1 + 1/n) times the simultaneous threshold of random field theory. Deviations are no smaller than over
 * the whole curve: three curves that happen to cross say nothing.
 */
function simultaneousHalf(members: readonly Float64Array[], mean: Float64Array): Float64Array {
  const n = members.length;
  const local = mean.map((m, i) => Math.sqrt(members.reduce((sum, c) => sum + (c[i]! - m) ** 2, 0) / (n - 1)));
  const known = Array.from(local).filter((v) => !Number.isNaN(v));
  const pooled = Math.sqrt(known.reduce((sum, v) => sum + v * v, 0) / Math.max(1, known.length));
  const sd = local.map((v) => Math.max(v, pooled));
  const pieces = resels(members.map((c) => c.map((v, i) => (v - mean[i]!) / (sd[i]! * Math.sqrt((n - 1) / n)))));
  const freedom = (n - 1) * Math.max(1, Math.min(4, pieces / 2));
  const threshold = simultaneousThreshold(0.05, freedom, pieces);
  return sd.map((v) => threshold * v * Math.sqrt(1 + 1 / n));
}

/**
 * A measure's curve of both sides in matched time: every phase between common moments is stretched to the same number
 * of samples, so that a sample is the same place of the movement in all of them.
 * @returns null for a measure that is no curve, or without two common moments in order
 */
export function matchedSeries(
  movement: Movement,
  measure: Measure,
  athlete: Side,
  reference: Side,
  errors: MeasuredErrors = {},
): MatchedSeries | null {
  const kind = seriesOf(measure);
  if (!kind || athlete.length === 0 || reference.length === 0) return null;
  const [own, others] = [athlete, reference].map((side) => side.map((views) => viewOf(measure, views)));
  // Still pictures are no movement.
  if ([...own!, ...others!].some(({ clip }) => clip.pictures)) return null;
  const through = commonEvents(movement, [...own!, ...others!]);
  if (through.length < 2 || ![...own!, ...others!].every((p) => inOrder(p, through))) return null;
  const seriesThrough = (trial: Trial): Float64Array => {
    const values = kind.values(measure, trial);
    return Float64Array.from(sampleTimes(trial, through), (t) => interpolateLinear(trial.times, values, t));
  };
  const mean = (allSeries: readonly Float64Array[]): Float64Array =>
    allSeries[0]!.map((_, i) => allSeries.reduce((sum, c) => sum + c[i]!, 0) / allSeries.length);
  const first = seriesThrough(others![0]!);
  const members = others!.map((p, k) => (k === 0 ? first : besideByTurns(measure, seriesThrough(p), first)));
  const ref = mean(members);
  const ath = mean(own!.map((p) => besideByTurns(measure, seriesThrough(p), first)));
  const performers = new Set(others!.map((p) => performerKey(p.clip.performer))).size;
  const spread = performers >= LEAST_FOR_SPREAD ? simultaneousHalf(members, ref) : null;
  // A target in another unit than the curve's (a time, say) says nothing of the curve.
  const sameUnit = unitOf(measure) === seriesUnitOf(measure);
  const tolerance =
    sameUnit && measure.target && 'tolerance' in measure.target
      ? toSi(measure.target.tolerance, seriesUnitOf(measure))
      : null;
  const half = spread
    ? spread.map((h) => Math.max(h, tolerance ?? 0))
    : tolerance === null
      ? null
      : ref.map(() => tolerance);
  const difference = ath.map((v, i) => v - ref[i]!);
  const plusMinus = errorAlong(measure, athlete, reference, through, errors);
  const axis = mean(
    others!.map((p) => sampleTimes(p, through).map((t, _i, all) => (t - all[0]!) / (all.at(-1)! - all[0]!))),
  );
  const length = (s: Pick<Stretch, 'from' | 'to'>): number => axis[s.to]! - axis[s.from]!;
  const errorFactor = spread ? 1 : ALONG_A_CURVE;
  const stretches: Stretch[] = [];
  if (half && plusMinus !== null) {
    let start = -1;
    for (let i = 0; i <= difference.length; i++) {
      const out = i < difference.length && Math.abs(difference[i]!) > half[i]! + errorFactor * plusMinus[i]!;
      if (out && start < 0) start = i;
      if (!out && start >= 0) {
        let worst = start;
        const beyond = (k: number): number => Math.abs(difference[k]!) - half[k]!;
        for (let k = start; k < i; k++) if (beyond(k) > beyond(worst)) worst = k;
        if (length({ from: start, to: i - 1 }) >= LEAST_STRETCH)
          stretches.push({ from: start, to: i - 1, worst, excess: Math.sign(difference[worst]!) * beyond(worst) });
        start = -1;
      }
    }
  }
  return {
    through,
    at: axis,
    athlete: ath,
    reference: ref,
    members,
    half,
    bandOf: spread ? 'performers' : half ? 'tolerance' : null,
    difference,
    plusMinus,
    stretches,
    longest: stretches.reduce<Stretch | null>((best, s) => (best && length(best) >= length(s) ? best : s), null),
  };
}

/** The frame of a trial at a sample of matched time. */
export function frameAtSample(trial: Trial, through: readonly string[], sample: number): number {
  const phase = Math.min(through.length - 2, Math.floor(sample / SAMPLES));
  const [a, b] = [trial.marks[through[phase]!]!, trial.marks[through[phase + 1]!]!];
  return a + ((b - a) * (sample - phase * SAMPLES)) / SAMPLES;
}

/** Whether anything is known of a measure's curve in a trial whose view shows its plane. */
export const hasSeries = (measure: Measure, trial: Trial): boolean =>
  viewRefusal(trial.clip, measure.plane) === null &&
  !trial.clip.pictures &&
  !isTooSmall(trial) &&
  (seriesOfMeasure(measure, trial)?.some((v) => !Number.isNaN(v)) ?? false);

/** Measures that are curves, the ones of the same series only once. */
export function seriesMeasures(movement: Movement): readonly Measure[] {
  const seen = new Set<string>();
  return movement.measures.filter((measure) => {
    const series = seriesOf(measure);
    if (!series) return false;
    const key = JSON.stringify(series.of(measure));
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
