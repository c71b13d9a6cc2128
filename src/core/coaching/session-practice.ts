import type { Movement } from '../model/movement';
import type { Practice } from '../model/practice';
import type { Session } from '../model/session';
import { correctionOf, type Correction } from './correction';
import type { PlanItem } from './plan';
import { practicePlan, type PracticePlan } from './practice-plan';

/** The corrections of a session with their ladders, and when each is practised. */
export interface SessionPractice {
  readonly corrections: readonly (Correction & { readonly id: string; readonly passed: readonly string[] })[];
  readonly plan: PracticePlan;
}

/** What the next session takes over: the stages as they were given out, and which of them are passed. */
export const practiceNext = ({ corrections }: SessionPractice, { perWeek }: Practice): Practice => {
  const given = corrections.filter(({ ladder }) => ladder.length > 0);
  return {
    perWeek,
    begins: {},
    ladders: Object.fromEntries(given.map(({ id, ladder }) => [id, [...ladder]])),
    passed: Object.fromEntries(given.map(({ id, passed }) => [id, [...passed]])),
  };
};

/** What a correction of the analyst's own needs; nobody said more of it. */
const OWN_COST = 'weeks';

export function sessionPractice(
  movement: Movement,
  items: readonly PlanItem[],
  session: Pick<Session, 'notes' | 'practice' | 'daysToCompetition'>,
  minor: boolean,
): SessionPractice {
  const { practice, notes, daysToCompetition } = session;
  const corrections = items.map((item) => {
    const correction = correctionOf(movement, item, minor, notes);
    const ladder = practice.ladders[item.id] ?? correction.ladder;
    return { ...correction, id: item.id, ladder, passed: (practice.passed[item.id] ?? []).slice(0, ladder.length) };
  });
  const costOf = (id: string) => items.find((item) => item.id === id)?.gap?.judged.measure.cost ?? OWN_COST;
  const plan = practicePlan(
    corrections
      .filter(({ ladder }) => ladder.length > 0)
      .map(({ id, ladder, passed }) => ({
        id,
        stages: ladder.length,
        passed: passed.length,
        cost: costOf(id),
        begins: practice.begins[id] ?? null,
      })),
    { perWeek: practice.perWeek, daysToCompetition },
  );
  return { corrections, plan };
}
