/** A correction as it is planned. */
export interface Practised {
  readonly id: string;
  /** Stages of its ladder, and how many of them are passed already. */
  readonly stages: number;
  readonly passed: number;
  readonly cost: 'minutes' | 'weeks' | 'season';
  /** The practice, from 0, with which it begins; null lets it follow the one before. */
  readonly begins: number | null;
}

/** One correction's turn in a practice. */
export interface Turn {
  readonly id: string;
  /** Stage of its ladder, from 0. */
  readonly stage: number;
  /** The last practice of a stage: it is looked whether it is passed. */
  readonly check: boolean;
}

export interface PracticeDay {
  /** Days from the session on which it was planned. */
  readonly day: number;
  readonly turns: readonly Turn[];
}

export interface Planned {
  readonly id: string;
  /** First and last practice, from 0; null where it is not begun any more. */
  readonly span: { readonly first: number; readonly last: number } | null;
  /** Practices of one stage. */
  readonly each: number;
  /** Whether its ladder ends before the competition. */
  readonly done: boolean;
}

export interface PracticePlan {
  readonly days: readonly PracticeDay[];
  readonly corrections: readonly Planned[];
  /** The day from which on nothing new is begun; null without a competition. */
  readonly freeze: number | null;
  readonly competition: number | null;
}

/** Days that a change needs (common practice), as for the priorities. */
const DAYS: Readonly<Record<Practised['cost'], number>> = { minutes: 0, weeks: 28, season: 150 };
/** Days before a competition in which nothing new is begun, and in which a matter of minutes still is (common practice). */
const FREEZE = 14;
const FREEZE_MINUTES = 2;
/** Practices that are planned at most: about a year at three a week. */
const MOST = 160;

/** The day of a practice: spread evenly over each week, beginning the day after the session. */
const dayOf = (practice: number, perWeek: number): number => 1 + Math.floor((practice * 7) / perWeek);

/** Practices that one stage takes, so that all stages together take the days that the change needs. */
export const practicesOf = ({ stages, cost }: Pick<Practised, 'stages' | 'cost'>, perWeek: number): number =>
  Math.max(1, Math.round((DAYS[cost] / 7) * (perWeek / stages)));

/**
 * When each correction is practised, checked and done: one after the other, the next from the last stage of the one
 * before, so that never more than two are on an athlete's mind unless the analyst moves them together. Nothing new is
 * begun shortly before a competition, and nothing is practised after it.
 */
export function practicePlan(
  corrections: readonly Practised[],
  { perWeek, daysToCompetition }: { readonly perWeek: number; readonly daysToCompetition: number | null },
): PracticePlan {
  const competition = daysToCompetition;
  const freeze = competition === null ? null : Math.max(0, competition - FREEZE);
  const last = ((): number => {
    let practice = 0;
    while (practice < MOST && (competition === null || dayOf(practice, perWeek) < competition)) practice++;
    return practice - 1;
  })();
  let next = 0;
  const planned = corrections.map((correction): Planned & { readonly passed: number } => {
    const { id, stages, passed, cost, begins } = correction;
    const each = practicesOf(correction, perWeek);
    const left = Math.max(0, stages - passed);
    const first = begins ?? next;
    const day = dayOf(first, perWeek);
    const latest = competition === null ? Infinity : competition - (cost === 'minutes' ? FREEZE_MINUTES : FREEZE);
    // What was begun before goes on; only what is new waits until after the competition.
    const begun = first <= last && (passed > 0 || day <= latest);
    if (left === 0) return { id, span: null, each, done: true, passed };
    if (!begun) return { id, span: null, each, done: false, passed };
    const end = first + left * each - 1;
    if (begins === null || begins >= next) next = first + Math.max(1, left - 1) * each;
    return { id, span: { first, last: Math.min(end, last) }, each, done: end <= last, passed };
  });
  const until = Math.max(-1, ...planned.map(({ span }) => span?.last ?? -1));
  const days = Array.from({ length: until + 1 }, (_, practice): PracticeDay => {
    const turns = planned.flatMap(({ id, span, each, passed }): readonly Turn[] => {
      if (!span || practice < span.first || practice > span.last) return [];
      const n = practice - span.first;
      return [{ id, stage: passed + Math.floor(n / each), check: n % each === each - 1 }];
    });
    return { day: dayOf(practice, perWeek), turns };
  });
  return {
    days,
    corrections: planned.map(({ id, span, each, done }) => ({ id, span, each, done })),
    freeze,
    competition,
  };
}
