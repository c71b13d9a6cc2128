import type { AttemptResult, SetUpFact } from '../model/conditions';
import { differenceSd, ownPart, seenAlike, type SeenBy } from '../comparison/compare';
import { LEAST_ATTEMPTS, usualTrialSd } from '../comparison/trial-to-trial';
import { outside, type Band, type Judged, type State } from '../judgement/state';
import { differenceOf } from '../measures';
import type { Measure } from '../model/measure';
import type { CorrectionVerdict } from '../model/session';
import type { Measured } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { TEXT } from '../../text/core/coaching';

/** One measure as one session read it of the athlete, SI. */
export interface ReadOnce {
  readonly measureId: string;
  readonly reading: Measured;
  readonly state: State;
  /** The range in that session; null where there was none. */
  readonly band: Band | null;
  /** How far outside that range, signed. */
  readonly excess: number;
  /** The camera that it was read from. */
  readonly seenBy: SeenBy;
  /** How much one attempt of the athlete differs from their own mean. */
  readonly trials: Trials;
}

/** What attempts of one performer differ by. */
export interface Trials {
  /** Attempts that the reading is the mean of. */
  readonly n: number;
  /** Standard deviation of one attempt, SI: of these attempts where there are three or more, else what is usual. */
  readonly sd: number;
  readonly from: 'attempts' | 'usual';
}

/** What one session asked the athlete to work on. */
export interface Asked {
  readonly id: string;
  readonly title: string;
  /** Written by the analyst, without a number behind it. */
  readonly own: boolean;
}

/** What one session found of an athlete: all that a look back needs of it. */
export interface SessionResult {
  readonly sessionId: string;
  readonly name: string;
  /** The day it was filmed, or else made, as an ISO date. */
  readonly on: string;
  readonly readings: readonly ReadOnce[];
  /** Measures that could not be read, and why. */
  readonly missing: Readonly<Record<string, string>>;
  readonly asked: readonly Asked[];
  /** Equipment and conditions of the attempt that was measured, and what came of it. */
  readonly setUp: readonly SetUpFact[];
  readonly result: AttemptResult | null;
  /** What the analyst says of a correction, whatever the numbers say. */
  readonly correctionVerdicts: Readonly<Record<string, CorrectionVerdict>>;
}

/** The readings of a comparison as a look back needs them. */
export function readOnce(
  { measure, athlete, spread, state, band, excess }: Judged,
  clips: readonly (SeenBy & { readonly id: string })[],
): ReadOnce | null {
  if (!athlete.measurable) return null;
  const clip = clips.find((c) => c.id === athlete.provenance.clipId);
  const attempts = spread.athlete?.readings.length ?? 1;
  const within = spread.athlete?.within ?? null;
  const trials: Trials =
    attempts >= LEAST_ATTEMPTS && within !== null
      ? { n: attempts, sd: within, from: 'attempts' }
      : { n: attempts, sd: usualTrialSd(athlete), from: 'usual' };
  return clip
    ? {
        measureId: measure.id,
        reading: athlete,
        state,
        band,
        excess,
        trials,
        seenBy: { view: clip.view, travel: clip.travel, performer: clip.performer },
      }
    : null;
}

type Direction = 'better' | 'worse' | 'changed' | 'same';

/** How one measure moved from one session to another. */
export interface Change {
  /** Later minus earlier, SI. */
  readonly change: number;
  /**
   * Half of its 95 % interval, measuring and the athlete's own attempts together: what the detector does systematically
   * in both falls out where the cameras stood alike.
   */
  readonly plusMinus: number;
  /** Where the spread of the attempts comes from. */
  readonly trialsFrom: Trials['from'];
  /** Towards the later session's range, away from it, changed where there is none, or no more than the error. */
  readonly direction: Direction;
}

/**
 * What the mean of a session's attempts differs by; where there were three or more their own spread is in the reading's
 * error already.
 */
const trialVariance = ({ trials }: ReadOnce, sd: number): number =>
  trials.from === 'attempts' ? 0 : sd ** 2 / trials.n;

/**
 * What was chosen because it was far off comes nearer by itself: of those beyond a limit the mean lies so many
 * deviations nearer to their own (regression to the mean; at the limit itself the mean of a normal's outer half, 0.8).
 */
const REGRESSION = 0.8;

/**
 * The smallest change that counts is the error of the difference (minimal detectable change, 95 %), in which an
 * athlete's attempts differ among themselves too.
 * @param chosen the earlier one was worked on because it was off: it must come nearer by more than it would by itself
 */
export function changeBetween(measure: Measure, earlier: ReadOnce, later: ReadOnce, chosen = false): Change {
  const subtract = (a: number, b: number): number => differenceOf(measure, a, b);
  const change = subtract(later.reading.value, earlier.reading.value);
  // One session with several attempts tells how much this athlete differs in the others too.
  const own = [earlier, later].find((r) => r.trials.from === 'attempts')?.trials;
  const trialSd = own?.sd ?? Math.max(earlier.trials.sd, later.trials.sd);
  const systematic = seenAlike(earlier.seenBy, later.seenBy);
  const measuring = differenceSd(earlier.reading, later.reading, systematic);
  // What the detector does systematically in both comes again: it does not regress.
  const regression = chosen
    ? REGRESSION *
      Math.hypot(ownPart(earlier.reading, later.reading, systematic), Math.sqrt(trialVariance(earlier, trialSd)))
    : 0;
  const plusMinus =
    COVERAGE_95 * Math.sqrt(measuring ** 2 + trialVariance(earlier, trialSd) + trialVariance(later, trialSd)) +
    regression;
  const direction = ((): Direction => {
    if (Math.abs(change) <= plusMinus) return 'same';
    if (!later.band) return 'changed';
    const [before, now] = [earlier, later].map(({ reading }) => {
      const out = outside(reading.value, later.band!, subtract);
      // Beyond the range on its good side is as good as inside.
      return measure.better === (out > 0 ? 'higher' : 'lower') ? 0 : out;
    }) as [number, number];
    const nearer = Math.abs(before) - Math.abs(now);
    const across = before * now < 0;
    if (nearer === 0 || (across && Math.abs(nearer) <= plusMinus)) return 'changed';
    return nearer > 0 ? 'better' : 'worse';
  })();
  return { change, plusMinus, direction, trialsFrom: own?.from ?? 'usual' };
}

/** Inside its range, or beyond it on the good side; an unsure value inside counts, an unsure one outside does not. */
export const onTarget = ({ state, excess, band }: ReadOnce): boolean =>
  state === 'on-target' || state === 'strength' || (state === 'within-error' && band !== null && excess === 0);

export type Standing = 'new' | 'open' | 'improving' | 'worse' | 'on-target-once' | 'closed' | 'came-back' | 'by-eye';

/** One correction from the session that first asked for it to the latest. */
export interface Followed {
  readonly id: string;
  readonly title: string;
  /** The measure behind it; null for the analyst's own, and for one that the movement no longer has. */
  readonly measure: Measure | null;
  /** Places in the list of sessions in which it was asked for. */
  readonly askedIn: readonly number[];
  readonly standing: Standing;
  /** From the session that first asked to the latest that could read it; null where fewer than two could. */
  readonly change: Change | null;
  /** Why the latest session has no value; null where it has one. */
  readonly notRead: string | null;
  /** The latest word of the analyst; null where the numbers decide. */
  readonly correctionVerdicts: CorrectionVerdict | null;
}

/** So many sessions in a row on target close a correction. */
const SESSIONS_TO_CLOSE = 2;

/**
 * Whether a correction is closed after each of its readings, in time order: on target so often in a row, and nearer
 * than it was when it was first asked for by more than chance; it stays so until it is a gap or borderline again.
 */
function closedAfter(measure: Measure, readings: readonly ReadOnce[]): readonly boolean[] {
  let inARow = 0;
  let closed = false;
  return readings.map((reading) => {
    inARow = onTarget(reading) ? inARow + 1 : 0;
    const moved = changeBetween(measure, readings[0]!, reading, true).direction === 'better';
    if ((inARow >= SESSIONS_TO_CLOSE && moved) || reading.state === 'style') closed = true;
    if (reading.state === 'gap' || reading.state === 'borderline') closed = false;
    return closed;
  });
}

function standingOf(measure: Measure, readings: readonly ReadOnce[], change: Change | null): Standing {
  const latest = readings.at(-1)!;
  const closed = closedAfter(measure, readings);
  if (closed.at(-1)) return 'closed';
  if (closed.includes(true)) return 'came-back';
  if (!change) return 'open';
  if (onTarget(latest)) return 'on-target-once';
  return change.direction === 'better' ? 'improving' : change.direction === 'worse' ? 'worse' : 'open';
}

/**
 * Every correction that was ever asked for, the latest asked first. *Closed* is on target in two sessions in a row
 * after a change that is sure, *improving* a change towards the range that is larger than its error, *came back* a gap
 * after it was closed; the analyst's word stands above the numbers.
 * @param results of one athlete and movement, in time order
 * @param measures of the movement as the latest session has it
 */
export function followCorrections(
  measures: readonly Measure[],
  results: readonly SessionResult[],
): readonly Followed[] {
  const last = results.length - 1;
  const titles = new Map(results.flatMap((r) => r.asked.map((a) => [a.id, a] as const)));
  return [...titles.values()]
    .map(({ id, title, own }): Followed => {
      const askedIn = results.flatMap((r, i) => (r.asked.some((a) => a.id === id) ? [i] : []));
      const measure = own ? null : (measures.find((m) => m.id === id) ?? null);
      const since = results.slice(askedIn[0]);
      const readings = since.flatMap((r) => r.readings.filter((x) => x.measureId === id));
      const correctionVerdicts = results.reduce<CorrectionVerdict | null>(
        (word, r) => r.correctionVerdicts[id] ?? word,
        null,
      );
      const change =
        measure && readings.length > 1 ? changeBetween(measure, readings[0]!, readings.at(-1)!, true) : null;
      const byNumbers: Standing =
        !measure || readings.length === 0
          ? 'by-eye'
          : askedIn[0] === last
            ? 'new'
            : standingOf(measure, readings, change);
      const standing = correctionVerdicts
        ? correctionVerdicts.verdict === 'closed'
          ? 'closed'
          : byNumbers === 'closed'
            ? 'open'
            : byNumbers
        : byNumbers;
      return {
        id,
        title,
        measure,
        askedIn,
        standing,
        change,
        notRead:
          measure && results[last]!.readings.every((r) => r.measureId !== id)
            ? (results[last]!.missing[id] ?? TEXT.itWasNotMeasured)
            : null,
        correctionVerdicts,
      };
    })
    .sort((a, b) => b.askedIn.at(-1)! - a.askedIn.at(-1)! || a.askedIn[0]! - b.askedIn[0]!);
}

/** What moved since the session before, besides what was worked on, larger than its error. */
export function alsoMoved(
  measures: readonly Measure[],
  results: readonly SessionResult[],
  followed: readonly Followed[],
): readonly { readonly measure: Measure; readonly since: number; readonly change: Change }[] {
  const latest = results.at(-1);
  if (!latest) return [];
  return measures.flatMap((measure) => {
    if (followed.some((f) => f.id === measure.id)) return [];
    const now = latest.readings.find((r) => r.measureId === measure.id);
    const since = results.slice(0, -1).findLastIndex((r) => r.readings.some((x) => x.measureId === measure.id));
    if (!now || since < 0) return [];
    const change = changeBetween(
      measure,
      results[since]!.readings.find((r) => r.measureId === measure.id)!,
      now,
    );
    return change.direction === 'same' ? [] : [{ measure, since, change }];
  });
}

/** All readings of one measure, in time order. */
export const trendOf = (
  measureId: string,
  results: readonly SessionResult[],
): readonly (ReadOnce & { readonly session: number })[] =>
  results.flatMap((r, session) => r.readings.filter((x) => x.measureId === measureId).map((x) => ({ ...x, session })));
