import { seriesOf, seriesOfMeasure } from '../measures';
import type { Measure } from '../model/measure';
import { COVERAGE_95 } from '../statistics/normal';
import { interpolateLinear } from '../signal/resample';
import { frameAtTime, timeAtFrame } from '../timing/clip-time';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { seenAlike } from './compare';
import { besideByTurns } from './whole-turns';
import { congruenceOf, onsetOf, type Onset } from './congruence';

/** Samples a second on which curves are laid beside each other, and how long before and after the common event. */
const RATE = 200;
const AROUND = 2;
/** Largest lag that is looked for, seconds. */
const MOST_LAG = 0.3;
/** Curves that correlate less have no lag (common practice); another peak has to be lower by so many deviations. */
export const LEAST_ALIKE = 0.7;
const CLEARLY = 2;
/** The error of a curve is taken at so many places along it. */
const ERRORS_AT = 12;

/** Real time of every sample from the common event on, seconds. */
export const SYNCHRONY_TIMES: Float64Array = Float64Array.from(
  { length: 2 * AROUND * RATE + 1 },
  (_, i) => i / RATE - AROUND,
);

/** A number with its standard deviation, in the same unit. */
export interface Told {
  readonly value: number;
  readonly sd: number;
}

/** How two performers go together, by the curves of one measure in real time round a common event. */
export interface Synchrony {
  /**
   * Seconds by which the second is behind the first where their curves are most alike; null where they are not alike, or
   * as much at another lag.
   */
  readonly lag: Told | null;
  /** Correlation there, -1..1. */
  readonly correlation: Told;
  /** Root mean square difference there, unit of the curve. */
  readonly difference: Told;
  /** Seconds by which the second begins later; null where not both rest first. */
  readonly onset: Told | null;
}

/** A measure's curve round an event; and what it is off by, the part that changes along it and the part that does not. */
export interface CurveRound {
  /** At `SYNCHRONY_TIMES`; NaN where it is not known. */
  readonly values: Float64Array;
  readonly random: number;
  readonly systematic: number;
  /** Time over which an error goes on, seconds. */
  readonly goesOn: number;
}

/** People in one picture have one clock. */
const inOnePicture = (a: Trial, b: Trial): boolean => a.clip.mediaId !== null && a.clip.mediaId === b.clip.mediaId;

/**
 * The curve of a measure round an event.
 * @param lead whose clock counts where one picture shows both
 * @param beside a curve that a direction is brought beside by whole turns
 * @returns null where the event is not marked or the measure is no curve
 */
function curveRound(
  measure: Measure,
  trial: Trial,
  lead: Trial,
  event: string,
  beside?: CurveRound | null,
): CurveRound | null {
  const mark = (inOnePicture(trial, lead) ? lead : trial).marks[event];
  const series = seriesOf(measure);
  const along = seriesOfMeasure(measure, trial);
  if (mark === undefined || !series || !along) return null;
  const zero = timeAtFrame(trial.times, mark);
  const own = SYNCHRONY_TIMES.map((t) => interpolateLinear(trial.times, along, zero + t));
  const values = beside ? besideByTurns(measure, own, beside.values) : own;
  const known = Array.from(values.keys()).filter((i) => !Number.isNaN(values[i]!));
  const errors = Array.from({ length: ERRORS_AT }, (_, k) => known[Math.floor(((k + 0.5) * known.length) / ERRORS_AT)])
    .filter((i) => i !== undefined)
    .map((i) => series.read(measure, trial, frameAtTime(trial.times, zero + SYNCHRONY_TIMES[i]!), 0))
    .filter((reading) => reading.measurable);
  const rms = (of: readonly number[]): number => Math.sqrt(of.reduce((sum, v) => sum + v * v, 0) / of.length);
  return {
    values,
    random: rms(errors.map(({ sd, systematicSd }) => Math.sqrt(Math.max(0, sd ** 2 - systematicSd ** 2)))),
    systematic: rms(errors.map(({ systematicSd }) => systematicSd)),
    goesOn: 1 / (2 * Math.min(trial.cutoff, 0.5 / trial.interval)),
  };
}

/** Deviation of a delay that two events fix: none where one picture shows both. */
const alignedSd = (first: Trial, second: Trial, event: string): number =>
  inOnePicture(first, second) ? 0 : Math.hypot(keyEventSd(first, event), keyEventSd(second, event));

const onsetSd = ({ slope }: Onset, { random }: CurveRound): number => (Math.SQRT2 * random) / slope;

/**
 * How two curves go together, each number with what the errors of points and of the common event leave open. An error
 * of a curve goes on for a while, so that a curve has as many independent ones as that fits into it. The lag is where
 * the integral of both curves' product is largest: an error of the one shifts it by that error times the slope of the
 * other, over the integral of the slopes' product (first order; for curves of one shape the bound of time delay
 * estimation: Carter, *Coherence and time delay estimation*, Proc. IEEE 75, 1987, from memory). Slopes are taken as
 * they are read, noise and all, so that errors of both together count, too. Correlation and difference follow by
 * first-order propagation, and by what noise takes from the one and adds to the other.
 * @param aligned standard deviation of the common event, seconds
 * @param alike whether what is systematic is the same in both
 * @returns null where less than half overlaps, a curve does not move, or an error is not known
 */
export function synchronyOfCurves(
  first: CurveRound,
  second: CurveRound,
  { aligned, alike }: { readonly aligned: number; readonly alike: boolean },
): Synchrony | null {
  const found = congruenceOf(first.values, second.values, 1 / RATE, MOST_LAG);
  if (!found || Number.isNaN(first.random + second.random)) return null;
  const { lag, correlation, difference, overlap, rival } = found;
  const goesOn = Math.max(first.goesOn, second.goesOn);
  const noise = first.random ** 2 + second.random ** 2;
  const time = overlap.samples / RATE;
  const shift = first.random ** 2 * overlap.slopes[1] + second.random ** 2 * overlap.slopes[0];
  const lagSd = Math.sqrt(goesOn * RATE * shift) / Math.max(0, overlap.commonSlopes);
  const ratio = first.random ** 2 / overlap.variances[0] + second.random ** 2 / overlap.variances[1];
  const random = (noise * goesOn) / time;
  const [begins, alsoBegins] = [onsetOf(first.values, 1 / RATE), onsetOf(second.values, 1 / RATE)];
  const correlationSd = Math.hypot(
    Math.sqrt((ratio * Math.max(0, 1 - correlation ** 2) * goesOn) / time),
    (correlation * ratio) / 2,
  );
  const isClear =
    correlation >= LEAST_ALIKE &&
    Math.abs(lag) < MOST_LAG - 1 / RATE &&
    (rival === null || correlation - rival >= CLEARLY * correlationSd);
  return {
    lag: isClear ? { value: lag, sd: Math.hypot(aligned, lagSd) } : null,
    // Neither goes beyond what it can be: the one not above 1, the other not below 0.
    correlation: { value: correlation, sd: Math.min(correlationSd, (1 - correlation) / COVERAGE_95) },
    difference: {
      value: difference,
      sd: Math.hypot(
        Math.sqrt(random),
        Math.min(difference - Math.sqrt(Math.max(0, difference ** 2 - noise)), difference / COVERAGE_95),
        alike ? 0 : Math.hypot(first.systematic, second.systematic),
      ),
    },
    onset:
      begins && alsoBegins
        ? {
            value: alsoBegins.time - begins.time,
            sd: Math.hypot(aligned, onsetSd(begins, first), onsetSd(alsoBegins, second)),
          }
        : null,
  };
}

/** A performer beside the one who leads: the curve, and how both go together; null where one of them tells nothing. */
export interface Beside {
  readonly values: Float64Array | null;
  readonly synchrony: Synchrony | null;
}

/** How others go together with one by the curve of a measure, all aligned at an event. */
export function synchronyWith(
  measure: Measure,
  lead: Trial,
  others: readonly Trial[],
  event: string,
): { readonly lead: Float64Array | null; readonly others: readonly Beside[] } {
  const first = curveRound(measure, lead, lead, event);
  return {
    lead: first && first.values,
    others: others.map((other) => {
      const second = curveRound(measure, other, lead, event, first);
      const how = { aligned: alignedSd(lead, other, event), alike: seenAlike(lead.clip, other.clip) };
      return { values: second && second.values, synchrony: first && second && synchronyOfCurves(first, second, how) };
    }),
  };
}
