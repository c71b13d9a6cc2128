import type { Comparison } from '../comparison/compare';
import { BAND_SDS, LEAST_FOR_SPREAD, type Spread } from '../comparison/side';
import type { Decision } from '../model/session';
import type { Target } from '../model/movement';
import { toSi, type DisplayUnit } from '../units';
import { kindOf } from '../measures';
import { COVERAGE_95, normalCdf } from '../statistics/normal';

export type State = 'not-measurable' | 'not-judged' | 'within-error' | 'on-target' | 'borderline' | 'gap' | 'strength' | 'style';

/** On a measure at least this important, on target is a strength. */
export const STRENGTH_IMPORTANCE = 0.7;

/** The range in which the athlete's value is good, SI; infinite where a target is one-sided. */
export interface Band {
  readonly low: number;
  readonly high: number;
}

export interface Judged extends Comparison {
  readonly state: State;
  readonly band: Band | null;
  /** How far the athlete is outside the band, SI, signed: negative is too low. 0 inside. */
  readonly excess: number;
  /** Half of the 95 % interval of the excess, SI. */
  readonly excessPlusMinus: number;
  /** Tolerance that one unit of size is counted in, SI. */
  readonly tolerance: number;
  /** Probability that the athlete truly is outside the band, 0..1. */
  readonly confidence: number;
  /** How the reference itself stands against a target that does not come from it; null where there is none. */
  readonly referenceState: State | null;
}

function bandOf(target: Target, unit: DisplayUnit, reference: number | null, spread: Spread | null): { band: Band; tolerance: number } | null {
  const si = (value: number): number => toSi(value, unit);
  // A one-sided target has no width of its own: a tenth of its value stands in, or one unit where that is nothing.
  const oneSided = (value: number): number => Math.max(Math.abs(si(value)) * 0.1, si(1));
  switch (target.type) {
    case 'same-as-reference': {
      if (reference === null) return null;
      // Three performers or more say how far good ones differ; fewer cannot, and the target's tolerance stands.
      const half = spread && spread.n >= LEAST_FOR_SPREAD ? Math.max(si(target.tolerance), BAND_SDS * spread.sd) : si(target.tolerance);
      return { band: { low: reference - half, high: reference + half }, tolerance: half };
    }
    case 'about':
      return {
        band: { low: si(target.value - target.tolerance), high: si(target.value + target.tolerance) },
        tolerance: si(target.tolerance),
      };
    case 'between':
      return { band: { low: si(target.low), high: si(target.high) }, tolerance: si(target.high - target.low) / 2 };
    case 'yes':
      return { band: { low: 0.75, high: Infinity }, tolerance: 0.25 };
    case 'at-least':
      return { band: { low: si(target.value), high: Infinity }, tolerance: oneSided(target.value) };
    case 'constant':
      return { band: { low: -Infinity, high: si(target.within) }, tolerance: si(target.within) / 2 };
    case 'in-order':
      return { band: { low: 0, high: Infinity }, tolerance: si(10) };
    case 'at-most':
      return { band: { low: -Infinity, high: si(target.value) }, tolerance: oneSided(target.value) };
  }
}

/** Signed distance outside a band; differences are taken by the measure's own rule, since angles go round. */
export function outside(value: number, band: Band, subtract: (a: number, b: number) => number): number {
  if (!Number.isFinite(band.low) || !Number.isFinite(band.high)) {
    if (value < band.low) return value - band.low;
    return value > band.high ? value - band.high : 0;
  }
  const half = (band.high - band.low) / 2;
  const fromMiddle = subtract(value, band.low + half);
  if (fromMiddle < -half) return fromMiddle + half;
  return fromMiddle > half ? fromMiddle - half : 0;
}

/** The reference judged like an athlete, where the target is not the reference itself. */
function referenceStateOf({ measure, reference, spread }: Comparison): State | null {
  if (!measure.target || measure.target.type === 'same-as-reference' || !reference.measurable) return null;
  const nobody = { measurable: false, reason: 'no-reference', message: '', remedy: '' } as const;
  return judge({ measure, athlete: reference, reference: nobody, spread: { athlete: spread.reference, reference: null }, difference: null, plusMinus: null }, undefined).state;
}

/**
 * State of one measure. A gap is claimed only when the excess over the band is larger than both the margin and its own
 * error; inside the band is claimed only when the error is not wider than the tolerance (for a one-sided target: than the room
 * to its limit), or else the state is *within error*.
 */
export function judge(comparison: Comparison, decision: Decision | undefined): Judged {
  const { measure, athlete, reference } = comparison;
  const nothing = { band: null, excess: 0, excessPlusMinus: 0, tolerance: 0, confidence: 0, referenceState: referenceStateOf(comparison) };
  if (!athlete.measurable) return { ...comparison, ...nothing, state: 'not-measurable' };
  if (!measure.target) return { ...comparison, ...nothing, state: 'not-judged' };
  const { subtract } = kindOf(measure);
  const relative = measure.target.type === 'same-as-reference';
  if (relative && !reference.measurable) return { ...comparison, ...nothing, state: reference.reason === 'no-reference' ? 'not-judged' : 'not-measurable' };
  const target = bandOf(measure.target, athlete.unit, reference.measurable ? reference.value : null, comparison.spread.reference);
  if (!target) return { ...comparison, ...nothing, state: 'not-measurable' };

  const excess = outside(athlete.value, target.band, subtract);
  const u = relative ? comparison.plusMinus! : COVERAGE_95 * athlete.sd;
  const margin = toSi(measure.margin, athlete.unit);
  const size = Math.abs(excess);
  const state = ((): State => {
    if (decision?.verdict === 'style') return 'style';
    if (size === 0) {
      const { low, high } = target.band;
      const oneSided = !Number.isFinite(low) || !Number.isFinite(high);
      const room = oneSided ? Math.min(athlete.value - low, high - athlete.value) : target.tolerance;
      if (u > room) return 'within-error';
      return measure.importance >= STRENGTH_IMPORTANCE ? 'strength' : 'on-target';
    }
    if (size <= u) return 'within-error';
    // Beyond the reference on the good side is no fault.
    if (measure.better === (excess > 0 ? 'higher' : 'lower')) return measure.importance >= STRENGTH_IMPORTANCE ? 'strength' : 'on-target';
    return size <= margin ? 'borderline' : 'gap';
  })();
  return {
    ...comparison,
    state,
    band: target.band,
    excess,
    excessPlusMinus: u,
    tolerance: target.tolerance,
    confidence: size === 0 ? 0 : normalCdf(size / (u / COVERAGE_95)),
    referenceState: referenceStateOf(comparison),
  };
}

