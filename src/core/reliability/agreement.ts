import { fail, ok, type Issue, type Result } from '../result';
import { COVERAGE_95 } from '../statistics/normal';
import { varianceRatioQuantile } from '../statistics/student';
import { TEXT } from '../../text/core/reliability';

/** How well repeated digitisings of the same trials agree. */
export interface Agreement {
  /** Intraclass correlation of a single value, absolute agreement, raters random: ICC(2,1). */
  readonly absolute: number;
  /** Its 95 % confidence interval. */
  readonly interval: readonly [number, number];
  /** Intraclass correlation of a single value, consistency, raters fixed: ICC(3,1). */
  readonly consistency: number;
  /**
   * Standard error of measurement of a single value, unit of the values: what differs between digitisings of one
   * trial.
   */
  readonly sem: number;
  /** Least change between two single values that is more than error in 95 of 100 cases. */
  readonly minimalDetectableChange: number;
}

type TooFew = Issue<'too-few' | 'uneven'>;

const mean = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;
const squares = (values: readonly number[], about: number): number =>
  values.reduce((sum, v) => sum + (v - about) ** 2, 0);

/**
 * Intraclass correlations from the two-way analysis of variance with the confidence interval of ICC(2,1) (Shrout and
 * Fleiss 1979, Psychol Bull 86:420-428; the interval as McGraw and Wong 1996, Psychol Methods 1:30-46), and the error
 * of a single value from the variance within trials, systematic differences between digitisings included.
 * @param values one row per trial (or moment), one column per digitising
 */
export function agreement(values: readonly (readonly number[])[]): Result<Agreement, TooFew> {
  const n = values.length;
  const k = values[0]?.length ?? 0;
  if (n < 3 || k < 2) return fail('too-few', TEXT.agreementNeedsAtLeastPerformances(n, k));
  const uneven = values.findIndex((row) => row.length !== k || row.some((v) => !Number.isFinite(v)));
  if (uneven >= 0) return fail('uneven', TEXT.performanceDoesNotHaveValues(uneven + 1, k));
  const grand = mean(values.map(mean));
  const betweenRows = (k * squares(values.map(mean), grand)) / (n - 1);
  const columns = Array.from({ length: k }, (_, j) => mean(values.map((row) => row[j]!)));
  const betweenColumns = (n * squares(columns, grand)) / (k - 1);
  const within = values.reduce((sum, row) => sum + squares(row, mean(row)), 0);
  const residual = (within - betweenColumns * (k - 1)) / ((n - 1) * (k - 1));
  const sem = Math.sqrt(within / (n * (k - 1)));
  const absolute =
    (betweenRows - residual) / (betweenRows + (k - 1) * residual + (k * (betweenColumns - residual)) / n);
  return ok({
    absolute,
    interval: intervalOf(absolute, { n, k, betweenRows, betweenColumns, residual }),
    consistency: (betweenRows - residual) / (betweenRows + (k - 1) * residual),
    sem,
    minimalDetectableChange: COVERAGE_95 * Math.SQRT2 * sem,
  });
}

interface MeanSquares {
  readonly n: number;
  readonly k: number;
  readonly betweenRows: number;
  readonly betweenColumns: number;
  readonly residual: number;
}

/** Confidence interval of ICC(2,1) by Satterthwaite's freedom of the mean square below. */
function intervalOf(
  icc: number,
  { n, k, betweenRows, betweenColumns, residual }: MeanSquares,
): readonly [number, number] {
  if (!(icc < 1)) return [icc, icc];
  const a = (k * icc) / (n * (1 - icc));
  const b = 1 + (k * icc * (n - 1)) / (n * (1 - icc));
  const freedom =
    (a * betweenColumns + b * residual) ** 2 /
    ((a * betweenColumns) ** 2 / (k - 1) + (b * residual) ** 2 / ((n - 1) * (k - 1)));
  const below = varianceRatioQuantile(0.975, n - 1, freedom);
  const above = varianceRatioQuantile(0.975, freedom, n - 1);
  const rest = k * betweenColumns + (k * n - k - n) * residual;
  return [
    (n * (betweenRows - below * residual)) / (below * rest + n * betweenRows),
    (n * (above * betweenRows - residual)) / (rest + n * above * betweenRows),
  ];
}

/** Differences of two digitisings against their mean. */
export interface LimitsOfAgreement {
  /** Mean difference, first minus second. */
  readonly bias: number;
  readonly sd: number;
  /** 95 of 100 differences lie between these. */
  readonly lower: number;
  readonly upper: number;
  readonly points: readonly { readonly mean: number; readonly difference: number }[];
}

/** Limits of agreement (Bland and Altman 1986, Lancet 327:307-310), with 1.96 where the paper rounds to 2. */
export function limitsOfAgreement(
  first: readonly number[],
  second: readonly number[],
): Result<LimitsOfAgreement, TooFew> {
  if (first.length !== second.length)
    return fail('uneven', TEXT.firstDigitisingHasValuesSecond(first.length, second.length));
  if (first.length < 3) return fail('too-few', TEXT.limitsOfAgreementNeed(first.length));
  const points = first.map((v, i) => ({ mean: (v + second[i]!) / 2, difference: v - second[i]! }));
  const differences = points.map((p) => p.difference);
  const bias = mean(differences);
  const sd = Math.sqrt(squares(differences, bias) / (differences.length - 1));
  return ok({ bias, sd, lower: bias - COVERAGE_95 * sd, upper: bias + COVERAGE_95 * sd, points });
}
