import { dayAfter } from '../model/day';
import type { Measure } from '../model/measure';
import { COVERAGE_95 } from '../statistics/normal';
import type { DisplayUnit } from '../units';
import type { PracticePlan } from './practice-plan';
import { followCorrections, trendOf, type SessionResult, type Standing } from './progress';

/** A correction that is not closed. */
export interface OpenCorrection {
  readonly id: string;
  readonly title: string;
  readonly standing: Standing;
  /** The day on which its stage is to be checked, ISO; null where no practice is planned of it. */
  readonly due: string | null;
}

/** One value of a trend, SI, with half of its 95 % interval. */
export interface TrendValue {
  readonly on: string;
  readonly value: number;
  readonly plusMinus: number;
}

/** The measure behind the first open correction, session by session. */
export interface StandingTrend {
  readonly measure: string;
  readonly unit: DisplayUnit;
  readonly values: readonly TrendValue[];
  /** The range by which the latest session judged; an end is null where there is none. */
  readonly low: number | null;
  readonly high: number | null;
}

/** How an athlete stands in one movement: what a list of athletes shows. */
export interface AthleteStanding {
  /** Who it is, and what they are measured by. */
  readonly athlete: string;
  readonly measuredBy: string;
  /** The sessions it is made of, as they were stored, in order of their days. */
  readonly sessions: readonly { readonly id: string; readonly updatedAt: string }[];
  readonly open: readonly OpenCorrection[];
  readonly trend: StandingTrend | null;
}

const finite = (value: number | undefined): number | null =>
  value !== undefined && Number.isFinite(value) ? value : null;

/**
 * What is open, the latest session's first correction first, and how the first of them went.
 * @param results of one athlete and movement, in time order, at least one
 * @param measures of the movement as the latest session has it
 * @param practice as the latest session planned it
 */
export function standingOf(
  measures: readonly Measure[],
  results: readonly SessionResult[],
  practice: PracticePlan,
): Pick<AthleteStanding, 'open' | 'trend'> {
  const latest = results.at(-1)!;
  const place = (id: string): number => {
    const at = latest.asked.findIndex((asked) => asked.id === id);
    return at < 0 ? latest.asked.length : at;
  };
  const dueOf = (id: string): string | null => {
    const check = practice.days.find(({ turns }) => turns.some((turn) => turn.id === id && turn.check));
    return check && latest.on !== '' ? dayAfter(latest.on, check.day) : null;
  };
  const followed = followCorrections(measures, results)
    .filter(({ standing }) => standing !== 'closed')
    .sort((a, b) => place(a.id) - place(b.id));
  const first = followed[0]?.measure;
  const read = first ? trendOf(first.id, results) : [];
  const last = read.at(-1);
  return {
    open: followed.map(({ id, title, standing }) => ({ id, title, standing, due: dueOf(id) })),
    trend:
      first && last
        ? {
            measure: first.name,
            unit: last.reading.unit,
            values: read.map(({ reading, session }) => ({
              on: results[session]!.on,
              value: reading.value,
              plusMinus: COVERAGE_95 * reading.sd,
            })),
            low: finite(last.band?.low),
            high: finite(last.band?.high),
          }
        : null,
  };
}
