import type { Comparison } from '../comparison/compare';
import { LEAST_FOR_SPREAD, type Spread } from '../comparison/side';
import { predictionFactor } from '../statistics/student';
import type { Decision } from '../model/session';
import type { Target } from '../model/target';
import { toSi, usualTolerance, type DisplayUnit } from '../units';
import { differenceOf } from '../measures';
import { COVERAGE_95, normalCdf } from '../statistics/normal';

export type State =
  'not-measurable' | 'not-judged' | 'within-error' | 'on-target' | 'borderline' | 'gap' | 'strength' | 'style';

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
  /** What the range rests on; null where there is none. */
  readonly basis: BandBasis | null;
  /** Tolerance that one unit of size is counted in, SI. */
  readonly tolerance: number;
  /** Probability that the athlete truly is outside the band, 0..1. */
  readonly confidence: number;
  /** How the reference itself stands against a target that does not come from it; null where there is none. */
  readonly referenceState: State | null;
}

/** What a range rests on. */
export type BandBasis = 'target' | 'one-performer' | 'attempts-of-one' | 'two-performers' | 'performers';

const basisOf = (spread: Spread | null): BandBasis =>
  !spread
    ? 'one-performer'
    : spread.n >= LEAST_FOR_SPREAD
      ? 'performers'
      : spread.n === 2
        ? 'two-performers'
        : 'attempts-of-one';

/**
 * Half of a range round reference performers: where there are three or more, that in which the next performer of the
 * same population lies in 95 of 100 cases (t quantile with n - 1, times s sqrt(1 + 1/n)), and no narrower than the
 * tolerance. Fewer cannot say how much good performers differ, and the target's tolerance stands.
 */
const halfOfReference = (tolerance: number, spread: Spread | null): number =>
  spread && spread.n >= LEAST_FOR_SPREAD ? Math.max(tolerance, predictionFactor(spread.n) * spread.sd) : tolerance;

function bandOf(
  target: Target,
  unit: DisplayUnit,
  reference: number | null,
  spread: Spread | null,
): { band: Band; tolerance: number } | null {
  const si = (value: number): number => toSi(value, unit);
  // A one-sided target has no width of its own, and its value depends on where a convention counts from: what is usual
  // for the unit stands in.
  const oneSided = usualTolerance(unit);
  switch (target.type) {
    case 'same-as-reference': {
      if (reference === null) return null;
      const half = halfOfReference(si(target.tolerance), spread);
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
      return { band: { low: si(target.value), high: Infinity }, tolerance: oneSided };
    case 'constant':
      return { band: { low: -Infinity, high: si(target.within) }, tolerance: si(target.within) / 2 };
    case 'in-order':
      return { band: { low: 0, high: Infinity }, tolerance: oneSided };
    case 'at-most':
      return { band: { low: -Infinity, high: si(target.value) }, tolerance: oneSided };
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
  return judge(
    {
      measure,
      athlete: reference,
      reference: nobody,
      spread: { athlete: spread.reference, reference: null },
      difference: null,
      plusMinus: null,
    },
    undefined,
  ).state;
}

/**
 * State of one measure. A gap is claimed only when the excess over the band is larger than both the margin and its own
 * error; inside the band is claimed only when the error is not wider than the tolerance (for a one-sided target, and
 * for a strength: than the room to its nearest limit), or else the state is *within error*.
 */
/** Every comparison by what was decided about its measure. */
export const judgeAll = (comparisons: readonly Comparison[], decisions: readonly Decision[]): readonly Judged[] =>
  comparisons.map((c) =>
    judge(
      c,
      decisions.find((d) => d.measureId === c.measure.id),
    ),
  );

export function judge(comparison: Comparison, decision: Decision | undefined): Judged {
  const { measure, athlete, reference } = comparison;
  const nothing = {
    band: null,
    basis: null,
    excess: 0,
    excessPlusMinus: 0,
    tolerance: 0,
    confidence: 0,
    referenceState: referenceStateOf(comparison),
  };
  if (!athlete.measurable) return { ...comparison, ...nothing, state: 'not-measurable' };
  if (!measure.target) return { ...comparison, ...nothing, state: 'not-judged' };
  const subtract = (a: number, b: number): number => differenceOf(measure, a, b);
  const relative = measure.target.type === 'same-as-reference';
  if (relative && !reference.measurable)
    return { ...comparison, ...nothing, state: reference.reason === 'no-reference' ? 'not-judged' : 'not-measurable' };
  const target = bandOf(
    measure.target,
    athlete.unit,
    reference.measurable ? reference.value : null,
    comparison.spread.reference,
  );
  if (!target) return { ...comparison, ...nothing, state: 'not-measurable' };

  const excess = outside(athlete.value, target.band, subtract);
  const basis = relative ? basisOf(comparison.spread.reference) : 'target';
  // A range of performers holds their own measuring errors and how unsure its middle is; beside it only the athlete's
  // error counts.
  const u =
    basis === 'target'
      ? COVERAGE_95 * athlete.sd
      : basis === 'performers'
        ? (comparison.ownPlusMinus ?? comparison.plusMinus!)
        : comparison.plusMinus!;
  const margin = toSi(measure.margin, athlete.unit);
  const size = Math.abs(excess);
  const state = ((): State => {
    if (decision?.verdict === 'style') return 'style';
    if (size === 0) {
      const { low, high } = target.band;
      const oneSided = !Number.isFinite(low) || !Number.isFinite(high);
      const middle = oneSided ? 0 : Math.abs(subtract(athlete.value, low + (high - low) / 2));
      // From the value to the nearest edge: what the error must not reach for a strength to be sure.
      const room = oneSided ? Math.min(athlete.value - low, high - athlete.value) : (high - low) / 2 - middle;
      if (!(u <= (oneSided ? room : target.tolerance))) return 'within-error';
      return measure.importance >= STRENGTH_IMPORTANCE && u <= room ? 'strength' : 'on-target';
    }
    if (!(size > u)) return 'within-error';
    // Beyond the reference on the good side is no fault.
    if (measure.better === (excess > 0 ? 'higher' : 'lower'))
      return measure.importance >= STRENGTH_IMPORTANCE ? 'strength' : 'on-target';
    return size <= margin ? 'borderline' : 'gap';
  })();
  return {
    ...comparison,
    state,
    band: target.band,
    basis,
    excess,
    excessPlusMinus: u,
    tolerance: target.tolerance,
    confidence: size === 0 || Number.isNaN(u) ? 0 : u === 0 ? 1 : normalCdf(size / (u / COVERAGE_95)),
    referenceState: referenceStateOf(comparison),
  };
}

/** Of measures judged by a prediction range so many lie outside it by chance alone, in every hundred. */
const BY_CHANCE = 0.05;

/**
 * How many measures were judged at all, of how many, and how many of them another member of the same population would
 * be outside of by chance.
 */
export function judgedCount(judged: readonly Judged[]): {
  readonly judged: number;
  readonly measurable: number;
  readonly of: number;
  readonly byChance: number;
} {
  const withBand = judged.filter((j) => j.band !== null);
  return {
    judged: withBand.length,
    measurable: judged.filter((j) => j.athlete.measurable).length,
    of: judged.length,
    byChance: BY_CHANCE * withBand.filter((j) => j.basis === 'performers').length,
  };
}
