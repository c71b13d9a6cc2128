import { curveOfMeasure, curveUnitOf, kindOf, unitOf } from '../measures';
import { unwrap } from '../geometry/angle';
import { momentsOf, type Measure, type Movement } from '../model/movement';
import { interpolateLinear } from '../signal/resample';
import { timeAtFrame } from '../timing/clip-time';
import type { Performance } from '../performance/performance';
import { toSi } from '../units';
import { compareMeasure } from './compare';
import { BAND_SDS, LEAST_FOR_SPREAD, viewOf, type MeasuredErrors, type Side } from './side';

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
export interface MatchedCurves {
  /** Moments that both sides have, in order; sample k * SAMPLES lies on the k-th. */
  readonly through: readonly string[];
  /** Place on the time axis of every sample, 0..1: the reference's own durations (their mean). */
  readonly at: Float64Array;
  readonly athlete: Float64Array;
  /** Mean of the reference, and every performance of it. */
  readonly reference: Float64Array;
  readonly members: readonly Float64Array[];
  /** Half width of the band round the reference at every sample, or null where nothing gives one. */
  readonly half: Float64Array | null;
  /** Where the band comes from. */
  readonly bandOf: 'performers' | 'tolerance' | null;
  readonly difference: Float64Array;
  /**
   * Half of the 95 % interval that a difference must exceed beside the band, at every sample: as the points are there, or where the curve
   * is no value of points alone (speeds, turns) as the measure is where it is read. NaN where it is not measurable; null where it is so
   * everywhere. No stretch is named without it.
   */
  readonly plusMinus: Float64Array | null;
  readonly stretches: readonly Stretch[];
  readonly longest: Stretch | null;
}

const commonMoments = (movement: Movement, performances: readonly Performance[]): readonly string[] =>
  movement.moments.map((m) => m.id).filter((id) => performances.every((p) => p.marks[id] !== undefined));

/** Real times at which a performance is at each sample of matched time. */
function sampleTimes(performance: Performance, through: readonly string[]): Float64Array {
  const times = through.map((id) => timeAtFrame(performance.times, performance.marks[id]!) as number);
  return Float64Array.from({ length: (through.length - 1) * SAMPLES + 1 }, (_, i) => {
    const phase = Math.min(through.length - 2, Math.floor(i / SAMPLES));
    return times[phase]! + ((times[phase + 1]! - times[phase]!) * (i - phase * SAMPLES)) / SAMPLES;
  });
}

const inOrder = (performance: Performance, through: readonly string[]): boolean => through.every((id, i) => i === 0 || performance.marks[id]! > performance.marks[through[i - 1]!]!);

/** Samples from one at which the error is reckoned to the next; it is taken linear between. */
const ERROR_EVERY = SAMPLES / 2;

/** The measure that reads a curve's value at a moment; null where the curve is no value of points at one frame. */
function readerOf(measure: Measure): Extract<Measure, { at: string }> | null {
  const { id, name, region, plane, importance, cost, margin } = measure;
  const plain = { id, name, region, plane, importance, cost, margin };
  switch (measure.kind) {
    case 'joint-angle':
    case 'segment-angle':
      return measure;
    case 'value':
      return { ...measure, towards: null };
    case 'joint-change':
      return { ...plain, kind: 'joint-angle', points: measure.points, at: measure.to };
    case 'lead':
      return { ...plain, kind: 'segment-angle', points: measure.points, against: measure.against, at: measure.moment };
    case 'extreme':
    case 'range':
      return { ...plain, kind: 'value', of: measure.of, lengthIn: measure.lengthIn, at: measure.from, towards: null };
    default:
      return null;
  }
}

/** Half of the 95 % interval of the difference at every sample, NaN where it is not measurable. */
function errorAlong(measure: Measure, athlete: Side, reference: Side, through: readonly string[], errors: MeasuredErrors): Float64Array | null {
  const samples = (through.length - 1) * SAMPLES + 1;
  const reader = readerOf(measure);
  if (!reader) {
    const all = unitOf(measure) === curveUnitOf(measure) ? compareMeasure(measure, athlete, reference, errors).plusMinus : null;
    return all === null ? null : new Float64Array(samples).fill(all);
  }
  // An error found by digitising twice is that of the measure itself.
  const measured = reader.kind === measure.kind ? errors : {};
  const known = Float64Array.from({ length: (samples - 1) / ERROR_EVERY + 1 }, (_, k) => {
    const there = (side: Side): Side => side.map((views) => [viewOf(measure, views)].map((p) => ({ ...p, marks: { ...p.marks, [reader.at]: frameAtSample(p, through, k * ERROR_EVERY) } })));
    return compareMeasure(reader, there(athlete), there(reference), measured).plusMinus ?? NaN;
  });
  if (known.every(Number.isNaN)) return null;
  return Float64Array.from({ length: samples }, (_, i) => {
    const [k, rest] = [Math.floor(i / ERROR_EVERY), (i % ERROR_EVERY) / ERROR_EVERY];
    return rest === 0 ? known[k]! : known[k]! * (1 - rest) + known[k + 1]! * rest;
  });
}

/**
 * A measure's curve of both sides in matched time: every phase between common moments is stretched to the same number of samples, so
 * that a sample is the same place of the movement in all of them.
 * @returns null for a measure that is no curve, or without two common moments in order
 */
export function matchedCurves(movement: Movement, measure: Measure, athlete: Side, reference: Side, errors: MeasuredErrors = {}): MatchedCurves | null {
  if (!kindOf(measure).curve || athlete.length === 0 || reference.length === 0) return null;
  const [own, others] = [athlete, reference].map((side) => side.map((views) => viewOf(measure, views)));
  const through = commonMoments(movement, [...own!, ...others!]);
  if (through.length < 2 || ![...own!, ...others!].every((p) => inOrder(p, through))) return null;
  const { subtract } = kindOf(measure);
  const curve = (performance: Performance): Float64Array => {
    const raw = curveOfMeasure(measure, performance)!;
    const round = Math.abs(subtract(2 * Math.PI, 0)) < 1e-6;
    const smooth = round ? unwrap(raw) : raw;
    return Float64Array.from(sampleTimes(performance, through), (t) => interpolateLinear(performance.times, smooth, t));
  };
  /** Curves of angles that go round are brought beside the first by whole turns. */
  const beside = (values: Float64Array, first: Float64Array): Float64Array => {
    const i = values.findIndex((v, k) => !Number.isNaN(v - first[k]!));
    const turns = i < 0 ? 0 : values[i]! - first[i]! - subtract(values[i]!, first[i]!);
    return values.map((v) => v - turns);
  };
  const mean = (curves: readonly Float64Array[]): Float64Array => curves[0]!.map((_, i) => curves.reduce((sum, c) => sum + c[i]!, 0) / curves.length);
  const first = curve(others![0]!);
  const members = others!.map((p, k) => (k === 0 ? first : beside(curve(p), first)));
  const ref = mean(members);
  const ath = mean(own!.map((p) => beside(curve(p), first)));
  const spread = members.length >= LEAST_FOR_SPREAD ? ref.map((m, i) => Math.sqrt(members.reduce((sum, c) => sum + (c[i]! - m) ** 2, 0) / (members.length - 1))) : null;
  // A target in another unit than the curve's (a time, say) says nothing of the curve.
  const sameUnit = unitOf(measure) === curveUnitOf(measure);
  const tolerance = sameUnit && measure.target && 'tolerance' in measure.target ? toSi(measure.target.tolerance, curveUnitOf(measure)) : null;
  const half = spread ? spread.map((sd) => Math.max(BAND_SDS * sd, tolerance ?? 0)) : tolerance === null ? null : ref.map(() => tolerance);
  const difference = ath.map((v, i) => v - ref[i]!);
  const plusMinus = errorAlong(measure, athlete, reference, through, errors);
  const stretches: Stretch[] = [];
  if (half && plusMinus !== null) {
    let start = -1;
    for (let i = 0; i <= difference.length; i++) {
      const out = i < difference.length && Math.abs(difference[i]!) > half[i]! + plusMinus[i]!;
      if (out && start < 0) start = i;
      if (!out && start >= 0) {
        let worst = start;
        const beyond = (k: number): number => Math.abs(difference[k]!) - half[k]!;
        for (let k = start; k < i; k++) if (beyond(k) > beyond(worst)) worst = k;
        stretches.push({ from: start, to: i - 1, worst, excess: Math.sign(difference[worst]!) * beyond(worst) });
        start = -1;
      }
    }
  }
  const axis = mean(others!.map((p) => sampleTimes(p, through).map((t, _i, all) => (t - all[0]!) / (all.at(-1)! - all[0]!))));
  const length = (s: Stretch): number => axis[s.to]! - axis[s.from]!;
  return {
    through, at: axis, athlete: ath, reference: ref, members, half, bandOf: spread ? 'performers' : half ? 'tolerance' : null, difference, plusMinus, stretches,
    longest: stretches.reduce<Stretch | null>((best, s) => (best && length(best) >= length(s) ? best : s), null),
  };
}

/** The frame of a performance at a sample of matched time. */
export function frameAtSample(performance: Performance, through: readonly string[], sample: number): number {
  const phase = Math.min(through.length - 2, Math.floor(sample / SAMPLES));
  const [a, b] = [performance.marks[through[phase]!]!, performance.marks[through[phase + 1]!]!];
  return a + ((b - a) * (sample - phase * SAMPLES)) / SAMPLES;
}

/** Whether anything is known of a measure's curve. */
export const hasCurve = (measure: Measure, performance: Performance): boolean => curveOfMeasure(measure, performance)?.some((v) => !Number.isNaN(v)) ?? false;

/** Measures that are curves, the ones of the same quantity only once. */
export function curveMeasures(movement: Movement): readonly Measure[] {
  const seen = new Set<string>();
  return movement.measures.filter((measure) => {
    if (!kindOf(measure).curve) return false;
    // A curve follows from what is measured, and for speeds and turns from where; not from the moment, the target or the name.
    const of = measure.kind === 'joint-angle' || measure.kind === 'joint-change' ? { q: 'joint-angle', points: measure.points } : measure.kind === 'segment-angle' || measure.kind === 'lead' ? { q: 'segment-angle', points: measure.points, against: measure.against } : null;
    const what = of ?? ('of' in measure ? measure.of : 'point' in measure ? { point: measure.point, from: measure.relativeTo, line: measure.line } : null);
    const own = measure.kind === 'speed' || measure.kind === 'turn' || measure.kind === 'peak-rate' ? [measure.kind, momentsOf(measure)] : [];
    const key = JSON.stringify([what, own]);
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
