import { kindOf, evaluateMeasure } from '../measures';
import type { Measure } from '../model/movement';
import { viewRefusal } from '../calibration/view';
import type { Performance } from '../performance/performance';
import { notMeasurable, type Measured, type Reading } from '../reading';
import { quadrature } from '../statistics/propagate';

/** One performance as all its cameras see it, the main one first. */
export type Views = readonly Performance[];

/** What one side of a comparison is read from: one performance, several repetitions of one, or several performers. */
export type Side = readonly Views[];

/** How the performances of a side differ among themselves, SI. */
export interface Spread {
  readonly n: number;
  readonly sd: number;
  /** Each performance's own value. */
  readonly readings: readonly Measured[];
}

export interface SideReading {
  readonly reading: Reading;
  /** Null where the side has a single performance. */
  readonly spread: Spread | null;
}

/** The camera from which a measure is read: the first whose view shows its plane and that has points; else the first. */
export function viewOf(measure: Measure, views: Views): Performance {
  const sees = (view: Performance): boolean => viewRefusal(view.clip, measure.plane) === null && Object.keys(view.raw).length > 0;
  return views.find(sees) ?? views[0]!;
}

/** Standard errors of measurement that were found by digitising twice: measure id -> SI. */
export type MeasuredErrors = Readonly<Record<string, number>>;

/** A reading whose error is the one that was measured rather than the one reckoned from the points. */
const withError = (reading: Reading, sem: number | undefined): Reading => (reading.measurable && sem !== undefined ? { ...reading, sd: sem, alikeSd: 0 } : reading);

/** One measure of every performance of a side. */
export const readEach = (measure: Measure, side: Side, errors: MeasuredErrors = {}): readonly Reading[] => side.map((views) => withError(evaluateMeasure(measure, viewOf(measure, views)), errors[measure.id]));

/**
 * Readings of several performances as one. Of several it is the mean: its random error shrinks with their number and is no smaller than what
 * their own spread says of a mean (s / sqrt(n), where there are three or more); what the finder does alike in all of them stays.
 */
export function meanReading(measure: Measure, all: readonly Reading[]): SideReading {
  if (all.length === 0) return { reading: notMeasurable('no-reference', 'There is nothing to compare with', 'Add a reference clip at Intake, or choose another reference at Compare.'), spread: null };
  const known = all.filter((reading) => reading.measurable);
  if (all.length === 1 || known.length === 0) return { reading: all[0]!, spread: null };
  const { subtract } = kindOf(measure);
  const [first] = known as [Measured];
  const n = known.length;
  // Angles go round: the mean is taken of differences from the first.
  const away = known.map((reading) => subtract(reading.value, first.value));
  const mean = away.reduce((sum, d) => sum + d, 0) / n;
  const sd = n > 1 ? Math.sqrt(away.reduce((sum, d) => sum + (d - mean) ** 2, 0) / (n - 1)) : 0;
  const random = Math.sqrt(known.reduce((sum, r) => sum + Math.max(0, r.sd ** 2 - r.alikeSd ** 2), 0)) / n;
  const alikeSd = Math.sqrt(known.reduce((sum, r) => sum + r.alikeSd ** 2, 0) / n);
  const ofMean = n >= LEAST_FOR_SPREAD ? Math.max(random, sd / Math.sqrt(n)) : random;
  return {
    reading: { ...first, value: first.value + mean, sd: quadrature(ofMean, alikeSd), alikeSd },
    spread: { n, sd, readings: known },
  };
}

/** One measure of a side: of its one performance, or the mean of several. */
export const readSide = (measure: Measure, side: Side, errors: MeasuredErrors = {}): SideReading => meanReading(measure, readEach(measure, side, errors));

/** Only the main camera of every performance: times are read where moments are marked. */
export const mainViews = (side: Side): Side => side.map((views) => views.slice(0, 1));

/** Fewer performances than this cannot claim a spread. */
export const LEAST_FOR_SPREAD = 3;
/** A range of reference performers reaches so many of their standard deviations to either side of their mean. */
export const BAND_SDS = 2;
