import type { Movement } from '../model/movement';
import type { Decision, Session } from '../model/session';
import { type Judged } from './state';
import { inUnit } from '../units';
import { TEXT } from '../../text/core/judgement';

/** The parts of a score, each 0..1 unless said otherwise, so that it can be explained in one sentence. */
export interface ScoreParts {
  /** Excess in tolerances, saturating at about three. */
  readonly size: number;
  readonly confidence: number;
  readonly importance: number;
  /** Score received from consequences that follow from this gap. */
  readonly fromConsequences: number;
  /** 1 where there is time to change it, 0 where the competition is too close. */
  readonly affordable: number;
  readonly risk: boolean;
}

/** A gap that follows from another one, which is a gap too. */
export interface Follower {
  readonly judged: Judged;
  /** The measure that it hangs under: the root, or another follower. */
  readonly cause: string;
  readonly because: string;
  /** Score that it passes up to the root. */
  readonly passes: number;
}

export interface RankedGap {
  readonly judged: Judged;
  readonly parts: ScoreParts;
  readonly score: number;
  /** Gaps that follow from this one and are not worked on. */
  readonly willFollow: readonly Follower[];
  readonly reason: string;
}

export interface Priorities {
  /** One to three gaps to correct, first the first; empty where there is no gap. */
  readonly proposed: readonly RankedGap[];
  /** Roots beyond the first three, and what there is no time for before the competition. */
  readonly parked: readonly { readonly gap: RankedGap; readonly why: string }[];
  readonly dropped: readonly { readonly gap: RankedGap; readonly reason: string }[];
}

export const MOST_CORRECTIONS = 3;

/** Days that a change needs before it holds under pressure (common practice). */
const DAYS_TO_CHANGE = { minutes: 0, weeks: 28, season: 150 } as const;

/** Size of an excess in tolerances, saturating: 1 tolerance is 0.39, 3 are 0.78. */
const saturate = (tolerances: number): number => 1 - Math.exp(-tolerances / 2);

const COST_WORDS = { minutes: 'minutes', weeks: 'weeks', season: TEXT.season } as const;

function ownScore(judged: Judged): number {
  return saturate(Math.abs(judged.excess) / judged.tolerance) * judged.confidence * judged.measure.importance;
}

const liesOn = (side: 'low' | 'high' | undefined, gap: Judged): boolean =>
  side === undefined || (side === 'low') === gap.excess < 0;

/**
 * The gap that a gap hangs under: its strongest cause that is itself a gap, both on the sides that the link names, or
 * null where it is a root.
 */
function strongestCause(
  movement: Movement,
  effect: Judged,
  gaps: ReadonlyMap<string, Judged>,
): Movement['causes'][number] | null {
  const links = movement.causes.filter((link) => {
    const cause = gaps.get(link.cause);
    return (
      cause !== undefined &&
      link.effect === effect.measure.id &&
      liesOn(link.causeSide, cause) &&
      liesOn(link.effectSide, effect)
    );
  });
  return links.reduce<Movement['causes'][number] | null>(
    (best, link) => (best && best.share >= link.share ? best : link),
    null,
  );
}

function sentence(judged: Judged, parts: ScoreParts, followers: number): string {
  const { measure, athlete } = judged;
  const unit = athlete.measurable ? athlete.unit : 'deg';
  const reasons = [
    unit === 'answer'
      ? TEXT.eyeDidNotSayYes
      : TEXT.itIsOutsideItsRange(
          inUnit(Math.abs(judged.excess), unit),
          (Math.abs(judged.excess) / judged.tolerance).toFixed(1),
        ),
    judged.confidence > 0.995
      ? TEXT.wellBeyondMeasuringError
      : TEXT.beyondMeasuringErrorSure(Math.round(judged.confidence * 100)),
  ];
  if (measure.importance >= 0.7) reasons.push(TEXT.itMattersMuchForResult);
  if (followers > 0)
    reasons.push(TEXT.otherFrom(followers, followers === 1 ? TEXT.differenceFollows : TEXT.differencesFollow));
  if (parts.risk) reasons.push(TEXT.itCarriesRisk);
  reasons.push(TEXT.itTakesToChange(COST_WORDS[measure.cost]));
  return TEXT.andReasonsReason(reasons.slice(0, -1).join(', '), reasons.at(-1)!);
}

/**
 * Orders the gaps. A consequence hangs under its root and passes part of its score up; risk comes first; what cannot
 * be changed before the competition is parked; the analyst's own order and drops are kept.
 */
export function prioritise(
  movement: Movement,
  judged: readonly Judged[],
  session: Pick<Session, 'order' | 'daysToCompetition'> & { readonly decisions: readonly Decision[] },
): Priorities {
  const gaps = new Map(judged.filter((j) => j.state === 'gap').map((j) => [j.measure.id, j]));
  const parentOf = new Map([...gaps].map(([id, gap]) => [id, strongestCause(movement, gap, gaps)]));
  const mainOf = (id: string, seen = new Set<string>()): string => {
    const parent = parentOf.get(id);
    return !parent || seen.has(id) ? id : mainOf(parent.cause, seen.add(id));
  };

  /** What of a gap's score reaches its root: the shares of all links on the way, multiplied. */
  const reaches = (id: string, seen = new Set<string>()): number => {
    const parent = parentOf.get(id);
    return !parent || seen.has(id) ? 1 : parent.share * reaches(parent.cause, seen.add(id));
  };

  const ranked = [...gaps.values()]
    .filter((gap) => mainOf(gap.measure.id) === gap.measure.id)
    .map((gap): RankedGap => {
      const followers = [...gaps.values()].filter(
        (other) => other !== gap && mainOf(other.measure.id) === gap.measure.id,
      );
      const fromConsequences = followers.reduce((sum, f) => sum + reaches(f.measure.id) * ownScore(f), 0);
      const days = session.daysToCompetition;
      const parts: ScoreParts = {
        size: saturate(Math.abs(gap.excess) / gap.tolerance),
        confidence: gap.confidence,
        importance: gap.measure.importance,
        fromConsequences,
        affordable: days === null || days >= DAYS_TO_CHANGE[gap.measure.cost] ? 1 : 0,
        risk: gap.measure.risk !== undefined || followers.some((f) => f.measure.risk !== undefined),
      };
      return {
        judged: gap,
        parts,
        score: ownScore(gap) + fromConsequences,
        willFollow: followers.map((f) => {
          const link = parentOf.get(f.measure.id);
          return {
            judged: f,
            cause: link?.cause ?? gap.measure.id,
            because: link?.because ?? '',
            passes: reaches(f.measure.id) * ownScore(f),
          };
        }),
        reason: sentence(gap, parts, followers.length),
      };
    });

  const place = (gap: RankedGap): number => {
    const own = session.order.indexOf(gap.judged.measure.id);
    return own < 0 ? Infinity : own;
  };
  ranked.sort((a, b) => {
    const [pa, pb] = [place(a), place(b)];
    if (pa !== pb) return pa - pb;
    return Number(b.parts.risk) - Number(a.parts.risk) || b.score - a.score;
  });
  const decisionOf = (gap: RankedGap): Decision | undefined =>
    session.decisions.find((d) => d.measureId === gap.judged.measure.id);
  const dropped = ranked
    .filter((gap) => decisionOf(gap)?.verdict === 'drop')
    .map((gap) => ({ gap, reason: decisionOf(gap)!.reason }));
  const open = ranked.filter((gap) => decisionOf(gap)?.verdict !== 'drop');
  // A risk is never parked for lack of time, and neither is what the analyst insists on.
  const now = open.filter((gap) => gap.parts.affordable > 0 || gap.parts.risk || decisionOf(gap)?.verdict === 'keep');
  const later = open.filter((gap) => !now.includes(gap));
  return {
    proposed: now.slice(0, MOST_CORRECTIONS),
    parked: [
      ...now.slice(MOST_CORRECTIONS).map((gap) => ({ gap, why: TEXT.threeCorrectionsAreMostThis })),
      ...later.map((gap) => ({
        gap,
        why: TEXT.itTakesToChangeAndCompetition(COST_WORDS[gap.judged.measure.cost], session.daysToCompetition!),
      })),
    ],
    dropped,
  };
}
