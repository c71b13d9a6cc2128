import { kindOf, evaluateMeasure } from '../measures';
import type { Measure, Movement } from '../model/movement';
import type { Performance } from '../performance/performance';
import type { Reading } from '../reading';
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

export function compareMeasure(measure: Measure, athlete: Performance, reference: Performance): Comparison {
  const a = evaluateMeasure(measure, athlete);
  const r = evaluateMeasure(measure, reference);
  const both = a.measurable && r.measurable;
  return {
    measure,
    athlete: a,
    reference: r,
    difference: both ? kindOf(measure).subtract(a.value, r.value) : null,
    plusMinus: both ? COVERAGE_95 * quadrature(a.sd, r.sd) : null,
  };
}

export const compareAll = (movement: Movement, athlete: Performance, reference: Performance): readonly Comparison[] =>
  movement.measures.map((measure) => compareMeasure(measure, athlete, reference));
