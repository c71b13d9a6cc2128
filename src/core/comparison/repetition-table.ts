import { differenceOf } from '../measures';
import type { Measure } from '../model/measure';
import type { Movement } from '../model/movement';
import { ownSd, type Measured } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { meanAndSd } from '../statistics/mean';
import { studentQuantile } from '../statistics/student';
import { quadrature } from '../statistics/propagate';
import { LEAST_ATTEMPTS, usualTrialSd } from './trial-to-trial';
import { meanReading, readEach, type MeasuredErrors, type Side, type SideReading } from './side';

/** One measure through the repetitions of a clip. */
export interface RepetitionRow {
  readonly measure: Measure;
  /** In time order. */
  readonly readings: readonly SideReading['reading'][];
  readonly side: SideReading;
  /**
   * Second half minus first half (the middle one of an odd number counts in neither), and half its 95 % interval; null
   * where a half is unknown.
   */
  readonly lateMinusEarly: number | null;
  readonly plusMinus: number | null;
}

type Subtract = (a: number, b: number) => number;

const randomVariance = (r: Measured): number => ownSd(r) ** 2;

/**
 * Half of the 95 % interval of late minus early: what the attempts of a performer differ by anyway, from those of both
 * halves where there are three degrees of freedom or more, else as is usual; and no less than the error of measuring.
 * Camera and scale are those of the same clip and fall out.
 */
function plusMinusOf(early: readonly Measured[], late: readonly Measured[], subtract: Subtract): number {
  const measuring =
    COVERAGE_95 *
    quadrature(
      ...[early, late].map((list) => Math.sqrt(list.reduce((sum, r) => sum + randomVariance(r), 0)) / list.length),
    );
  const halves = [early, late].map((list) => ({
    n: list.length,
    ...meanAndSd(
      list.map((r) => r.value),
      subtract,
    ),
  }));
  const freedom = early.length + late.length - 2;
  const per = Math.sqrt(1 / early.length + 1 / late.length);
  if (freedom < LEAST_ATTEMPTS - 1) return Math.hypot(measuring, COVERAGE_95 * usualTrialSd(early[0]!) * per);
  const within = Math.sqrt(halves.reduce((sum, half) => sum + (half.n - 1) * half.sd ** 2, 0) / freedom);
  return Math.max(measuring, studentQuantile(0.975, freedom) * within * per);
}

/** Every measure of every repetition, their mean and spread, and whether it drifts from early to late ones. */
export function repetitionTable(
  movement: Movement,
  repetitions: Side,
  errors: MeasuredErrors = {},
): readonly RepetitionRow[] {
  return movement.measures.map((measure) => {
    const each = readEach(measure, repetitions, errors);
    const readings = each.map((r) => r.reading);
    const half = Math.floor(readings.length / 2);
    const [early, late] = [readings.slice(0, half), readings.slice(readings.length - half)].map((list) =>
      list.filter((r): r is Measured => r.measurable),
    ) as [Measured[], Measured[]];
    const subtract: Subtract = (a, b) => differenceOf(measure, a, b);
    const known = early.length > 0 && late.length > 0;
    return {
      measure,
      readings,
      side: meanReading(measure, each),
      lateMinusEarly: known
        ? subtract(
            meanAndSd(
              late.map((r) => r.value),
              subtract,
            ).mean,
            meanAndSd(
              early.map((r) => r.value),
              subtract,
            ).mean,
          )
        : null,
      plusMinus: known ? plusMinusOf(early, late, subtract) : null,
    };
  });
}
