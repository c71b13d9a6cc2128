import { cautionsFor } from '../judgement/cautions';
import { filmingRequests, type FilmingRequest } from '../judgement/filming';
import type { Priorities } from '../judgement/priority';
import { judgedCount, type Judged } from '../judgement/state';
import { judgedSummary } from '../judgement/summary';
import type { Movement } from '../model/movement';
import type { Note } from '../model/session';
import type { Trial } from '../trial/trial';
import { correctionOf, type Correction } from './correction';
import type { Plan } from './plan';
import { TEXT } from '../../text/core/coaching';

export interface ReportOf {
  readonly movement: Movement;
  readonly judged: readonly Judged[];
  readonly priorities: Priorities;
  readonly plan: Plan;
  /** Findings by eye, in the analyst's order. */
  readonly notes: readonly Note[];
  readonly athlete: Trial | null;
  readonly reference: Trial | null;
  /** The performer is under age: other loads, other words of caution. */
  readonly minor: boolean;
}

/** What a report says, whoever writes it: on the screen, on paper or as text. */
export interface Report {
  /** What the verdict rests on, in sentences. */
  readonly summary: readonly string[];
  readonly corrections: readonly (Correction & { readonly id: string })[];
  /** What is said where something was judged and nothing is to be worked on; null otherwise. */
  readonly nothing: string | null;
  /** Gaps that the analyst does not work on, and why. */
  readonly dropped: readonly { readonly id: string; readonly name: string; readonly reason: string }[];
  /** Gaps that wait, and why. */
  readonly parked: readonly { readonly id: string; readonly name: string; readonly why: string }[];
  readonly strengths: readonly Judged[];
  readonly onTarget: readonly Judged[];
  /** What the eye found good, in words. */
  readonly seenGood: readonly Note[];
  /** What is said where no measure is good; null otherwise. */
  readonly withoutGood: string | null;
  readonly filming: readonly FilmingRequest[];
  readonly cautions: readonly string[];
  readonly notMeasured: readonly { readonly name: string; readonly message: string; readonly remedy: string }[];
}

/** Sentences about what was measured point to what the eye found, where it found something. */
const withEye = (text: string, eye: string | false): string => (eye ? `${text} ${eye}` : text);

export function reportOf({ movement, judged, priorities, plan, notes, athlete, reference, minor }: ReportOf): Report {
  const counted = judgedCount(judged);
  const nameOf = ({ measure }: Judged): string => measure.name.toLowerCase();
  const strengths = judged.filter((j) => j.state === 'strength');
  const onTarget = judged.filter((j) => j.state === 'on-target');
  return {
    summary: judgedSummary(judged),
    corrections: plan.items.map((item) => ({ id: item.id, ...correctionOf(movement, item, minor, notes) })),
    nothing:
      plan.items.length === 0 && counted.judged > 0
        ? withEye(
            TEXT.noMeasuredDifferenceLiesBeyond,
            notes.some((n) => n.kind === 'work-on') && TEXT.whatEyeFoundStandsAbove,
          )
        : null,
    dropped: priorities.dropped.map(({ gap, reason }) => ({
      id: gap.judged.measure.id,
      name: nameOf(gap.judged),
      reason,
    })),
    parked: priorities.parked.map(({ gap, why }) => ({ id: gap.judged.measure.id, name: nameOf(gap.judged), why })),
    strengths,
    onTarget,
    seenGood: notes.filter((n) => n.kind === 'good' && n.text),
    withoutGood:
      strengths.length + onTarget.length === 0
        ? withEye(
            counted.judged === 0 ? TEXT.nothingWasMeasured : TEXT.noMeasureStandsClear,
            notes.some((n) => n.kind === 'good') && TEXT.whatEyeFoundGoodStands,
          )
        : null,
    filming: filmingRequests(judged, athlete, reference),
    cautions: cautionsFor(movement, priorities.proposed, minor),
    notMeasured: judged.flatMap((j) => {
      const blocked = !j.athlete.measurable ? j.athlete : !j.reference.measurable ? j.reference : null;
      return blocked ? [{ name: j.measure.name, message: blocked.message, remedy: blocked.remedy }] : [];
    }),
  };
}
