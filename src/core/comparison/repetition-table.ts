import { kindOf } from '../measures';
import type { Measure, Movement } from '../model/movement';
import type { Measured } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { quadrature } from '../statistics/propagate';
import { meanReading, readEach, type MeasuredErrors, type Side, type SideReading } from './side';

/** One measure through the repetitions of a clip. */
export interface RepetitionRow {
  readonly measure: Measure;
  /** In time order. */
  readonly readings: readonly SideReading['reading'][];
  readonly side: SideReading;
  /** Second half minus first half (the middle one of an odd number counts in neither), and half its 95 % interval; null where a half is unknown. */
  readonly lateMinusEarly: number | null;
  readonly plusMinus: number | null;
}

const meanOf = (list: readonly Measured[], subtract: (a: number, b: number) => number): number => list[0]!.value + list.reduce((sum, r) => sum + subtract(r.value, list[0]!.value), 0) / list.length;
const randomVariance = (r: Measured): number => Math.max(0, r.sd ** 2 - r.alikeSd ** 2);

/** Every measure of every repetition, their mean and spread, and whether it drifts from early to late ones. */
export function repetitionTable(movement: Movement, repetitions: Side, errors: MeasuredErrors = {}): readonly RepetitionRow[] {
  return movement.measures.map((measure) => {
    const readings = readEach(measure, repetitions, errors);
    const half = Math.floor(readings.length / 2);
    const [early, late] = [readings.slice(0, half), readings.slice(readings.length - half)].map((list) => list.filter((r): r is Measured => r.measurable)) as [Measured[], Measured[]];
    const { subtract } = kindOf(measure);
    const known = early.length > 0 && late.length > 0;
    return {
      measure,
      readings,
      side: meanReading(measure, readings),
      lateMinusEarly: known ? subtract(meanOf(late, subtract), meanOf(early, subtract)) : null,
      plusMinus: known ? COVERAGE_95 * quadrature(...[early, late].map((list) => Math.sqrt(list.reduce((sum, r) => sum + randomVariance(r), 0)) / list.length)) : null,
    };
  });
}
