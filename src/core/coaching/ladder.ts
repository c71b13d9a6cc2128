import type { Stage } from '../model/practice';
import { TEXT } from '../../text/core/coaching';

/** What decides how much is done, and when a stage is passed. */
export interface LadderOf {
  /** The number that the last stage must show, in words; null where only the eye can tell. */
  readonly target: string | null;
  readonly risk: boolean;
  readonly minor: boolean;
}

type Dose = Pick<Stage, 'sets' | 'repetitions' | 'load'>;
type Kind = 'hold' | 'slow' | 'full';

/**
 * From the part to the whole and from slow to fast, in few fresh repetitions (common practice): a position is held, then
 * passed through slowly, then at full speed.
 */
const DOSES: Readonly<Record<Kind, Dose>> = {
  hold: { sets: 3, repetitions: 5, load: null },
  slow: { sets: 3, repetitions: 6, load: 0.5 },
  full: { sets: 3, repetitions: 4, load: 1 },
};
/** A growing body, and what can injure, take less (common practice). */
const LESS = { sets: 1, load: 0.2 } as const;

function doseOf(kind: Kind, { risk, minor }: LadderOf): Dose {
  const { sets, repetitions, load } = DOSES[kind];
  const less = risk || minor;
  // Halves and tenths add up to what no paper shows.
  const eased = (share: number): number => Math.round(100 * Math.max(0, share - LESS.load)) / 100;
  return { sets: less ? sets - LESS.sets : sets, repetitions, load: load === null || !less ? load : eased(load) };
}

const kindOf = (i: number, count: number): Kind => (i === count - 1 ? 'full' : i === 0 ? 'hold' : 'slow');

/** Tries of which most must be right before the next stage (common practice). */
const PASS: Readonly<Record<Kind, (target: string | null) => string>> = {
  hold: () => TEXT.isPositionRightAndStill,
  slow: () => TEXT.isItSamePositionWhen,
  full: (target) => (target === null ? TEXT.doesItLookAs : TEXT.filmedTimes(target)),
};

const IF_NOT: Readonly<Record<Kind, (risk: boolean) => string>> = {
  hold: () => TEXT.makeItEasierHold,
  slow: () => TEXT.goBackOneStage,
  full: (risk) => TEXT.goBackOneStageForTwo(risk ? TEXT.coachBesideItStopWhere : ''),
};

/** Drills as a ladder of stages: how much of each, when it is passed, and what is done where it is not. */
export const ladderOf = (drills: readonly string[], of: LadderOf): readonly Stage[] =>
  drills.map((drill, i) => {
    const kind = kindOf(i, drills.length);
    return { drill, ...doseOf(kind, of), pass: PASS[kind](of.target), ifNot: IF_NOT[kind](of.risk) };
  });

/** A dose as it stands on paper: "3 x 6 at half speed". */
export function doseText({ sets, repetitions, load }: Stage): string {
  // Numbers of one dose stay on one line.
  const many = `${sets}\u00a0\u00d7\u00a0${repetitions}`;
  if (load === null) return many;
  return TEXT.atManyRest(many, load === 1 ? TEXT.fullSpeed : TEXT.ofFullSpeed(Math.round(100 * load)));
}
