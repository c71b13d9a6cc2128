import { cameraAhead, cameraDown } from '../calibration/view';
import { differenceOf } from '../measures';
import { farSide, type Clip } from '../model/clip';
import type { Measure } from '../model/measure';
import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import type { Measured, Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { quadrature } from '../statistics/propagate';
import { withoutExchangedEnds } from './exchanged-ends';
import { meanReading, readEach, viewOf, type MeasuredErrors, type Side, type Spread, type Views } from './side';

/** One measure read in both clips. Values in SI. */
export interface Comparison {
  readonly measure: Measure;
  readonly athlete: Reading;
  readonly reference: Reading;
  /** How several trials of a side differ among themselves; null where a side has a single one. */
  readonly spread: { readonly athlete: Spread | null; readonly reference: Spread | null };
  /** Athlete minus reference; null where one of them is not measurable. */
  readonly difference: number | null;
  /** Half width of the 95 % interval of the difference. */
  readonly plusMinus: number | null;
  /**
   * The athlete's part of it alone, without what is alike on both sides: beside a range that holds the references' own
   * errors already.
   */
  readonly ownPlusMinus?: number | null;
}

/**
 * Cameras farther apart than this (radians) see a joint differently, and the detector's systematic errors are no longer
 * the same.
 */
const SAME_VIEW = Math.PI / 12;

/** What of a clip decides from where a performer is seen. */
export type SeenBy = Pick<Clip, 'view' | 'travel' | 'performer'>;

/** Whether the far side is the dominant one; null where the view has no far side. */
const dominantFar = (clip: SeenBy): boolean | null => {
  const far = farSide(clip);
  return far && far === clip.performer.dominantSide;
};

/** Whether two cameras see their performers alike, so that the detector errs in the same way. */
export const seenAlike = (a: SeenBy, b: SeenBy): boolean =>
  a.view.kind === b.view.kind &&
  dominantFar(a) === dominantFar(b) &&
  Math.abs(cameraAhead(a) - cameraAhead(b)) <= SAME_VIEW &&
  Math.abs(cameraDown(a).angle - cameraDown(b).angle) <= SAME_VIEW;

/**
 * Standard deviation of the difference of two readings. What the detector does systematically in both clips falls out
 * of the difference: the alike parts are taken as fully correlated when the cameras stand alike, as independent
 * otherwise (law of propagation with correlated inputs, JCGM 100:2008, 5.2.2).
 */
export function differenceSd(a: Measured, b: Measured, systematic: boolean): number {
  const total = quadrature(a.sd, b.sd);
  return systematic ? Math.sqrt(Math.max(0, total ** 2 - 2 * a.systematicSd * b.systematicSd)) : total;
}

/** Deviation of the first of two readings without what falls out of their difference. */
export const ownPart = (a: Measured, r: Measured, systematic: boolean): number =>
  Math.sqrt(Math.max(0, a.sd ** 2 - (systematic ? Math.min(a.systematicSd, r.systematicSd) ** 2 : 0)));

/** One measure of two sides, each one trial or several. */
export function compareMeasure(
  measure: Measure,
  athlete: Side,
  reference: Side,
  errors: MeasuredErrors = {},
): Comparison {
  const all = [...athlete, ...reference];
  const told = withoutExchangedEnds(
    measure,
    all.map((views) => viewOf(measure, views)),
    readEach(measure, all, errors),
  );
  const a = meanReading(measure, told.slice(0, athlete.length));
  const r = meanReading(measure, told.slice(athlete.length));
  const both = a.reading.measurable && r.reading.measurable;
  const systematic =
    both && athlete.every((x) => reference.every((y) => seenAlike(viewOf(measure, x).clip, viewOf(measure, y).clip)));
  return {
    measure,
    athlete: a.reading,
    reference: r.reading,
    spread: { athlete: a.spread, reference: r.spread },
    difference: both ? differenceOf(measure, (a.reading as Measured).value, (r.reading as Measured).value) : null,
    plusMinus: both ? COVERAGE_95 * differenceSd(a.reading as Measured, r.reading as Measured, systematic) : null,
    ownPlusMinus: both ? COVERAGE_95 * ownPart(a.reading as Measured, r.reading as Measured, systematic) : null,
  };
}

/**
 * Which trials a measure's reference is read from: the same for all measures, or by the phase that it belongs to.
 */
export type ReferenceOf = Side | ((measure: Measure) => Side);

/** Every measure of a movement, athlete against reference. */
export function compareSides(
  movement: Movement,
  athlete: Side,
  reference: ReferenceOf,
  errors: MeasuredErrors = {},
): readonly Comparison[] {
  return movement.measures.map((measure) =>
    compareMeasure(measure, athlete, typeof reference === 'function' ? reference(measure) : reference, errors),
  );
}

/**
 * Every measure of a movement, one athlete's trial against one reference's.
 * @param athlete,reference one trial each, or all cameras of it, the main one first
 */
export function compareAll(
  movement: Movement,
  athlete: Trial | Views,
  reference: Trial | Views,
  errors: MeasuredErrors = {},
): readonly Comparison[] {
  return compareSides(movement, [[athlete].flat() as Trial[]], [[reference].flat() as Trial[]], errors);
}
