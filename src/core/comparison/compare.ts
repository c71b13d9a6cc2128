import { offPlane, viewRefusal } from '../calibration/view';
import { kindOf, evaluateMeasure } from '../measures';
import { farSide } from '../model/clip';
import type { Measure, Movement } from '../model/movement';
import type { Performance } from '../performance/performance';
import type { Measured, Reading } from '../reading';
import { COVERAGE_95 } from '../uncertainty/normal';
import { quadrature } from '../uncertainty/propagate';

/** One measure read in both clips. Values in SI. */
export interface Comparison {
  readonly measure: Measure;
  readonly athlete: Reading;
  readonly reference: Reading;
  /** Athlete minus reference; null where one of them is not measurable. */
  readonly difference: number | null;
  /** Half width of the 95 % interval of the difference. */
  readonly plusMinus: number | null;
}

/** Cameras farther apart than this (radians) see a joint differently, and the finder's errors are no longer alike. */
const SAME_VIEW = Math.PI / 12;

/** Whether the far side is the dominant one; null where the view has no far side. */
const dominantFar = ({ clip }: Performance): boolean | null => {
  const far = farSide(clip);
  return far && far === clip.performer.dominantSide;
};

const seenAlike = (a: Performance, b: Performance): boolean =>
  a.clip.view.kind === b.clip.view.kind &&
  dominantFar(a) === dominantFar(b) && Math.abs(offPlane(a.clip).angle - offPlane(b.clip).angle) <= SAME_VIEW;

/**
 * Standard deviation of the difference of two readings. What the finder does alike in both clips falls out of the
 * difference: the alike parts are taken as fully correlated when the cameras stand alike, as independent otherwise
 * (law of propagation with correlated inputs, JCGM 100:2008, 5.2.2).
 */
export function differenceSd(a: Measured, b: Measured, alike: boolean): number {
  const total = quadrature(a.sd, b.sd);
  return alike ? Math.sqrt(Math.max(0, total ** 2 - 2 * a.alikeSd * b.alikeSd)) : total;
}

/** Standard errors of measurement that were found by digitising twice: measure id -> SI. */
export type MeasuredErrors = Readonly<Record<string, number>>;

/** A reading whose error is the one that was measured rather than the one reckoned from the points. */
const withError = (reading: Reading, sem: number | undefined): Reading => (reading.measurable && sem !== undefined ? { ...reading, sd: sem, alikeSd: 0 } : reading);

export function compareMeasure(measure: Measure, athlete: Performance, reference: Performance, errors: MeasuredErrors = {}): Comparison {
  const a = withError(evaluateMeasure(measure, athlete), errors[measure.id]);
  const r = withError(evaluateMeasure(measure, reference), errors[measure.id]);
  const both = a.measurable && r.measurable;
  return {
    measure,
    athlete: a,
    reference: r,
    difference: both ? kindOf(measure).subtract(a.value, r.value) : null,
    plusMinus: both ? COVERAGE_95 * differenceSd(a, r, seenAlike(athlete, reference)) : null,
  };
}

/** The camera from which a measure is read: the first whose view shows its plane and that has points; else the first. */
export function viewOf(measure: Measure, views: readonly Performance[]): Performance {
  const sees = (view: Performance): boolean => viewRefusal(view.clip, measure.plane) === null && Object.keys(view.raw).length > 0;
  return views.find(sees) ?? views[0]!;
}

/**
 * Every measure of a movement, athlete against reference.
 * @param athlete,reference one performance each, or all cameras of it, the main one first
 */
export function compareAll(movement: Movement, athlete: Performance | readonly Performance[], reference: Performance | readonly Performance[], errors: MeasuredErrors = {}): readonly Comparison[] {
  const athleteViews = [athlete].flat() as Performance[];
  const referenceViews = [reference].flat() as Performance[];
  return movement.measures.map((measure) => compareMeasure(measure, viewOf(measure, athleteViews), viewOf(measure, referenceViews), errors));
}
