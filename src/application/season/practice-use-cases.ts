import { sessionPractice, type SessionPractice } from '../../core/coaching/session-practice';
import type { Stage } from '../../core/model/practice';
import { dayOf } from '../../core/model/session';
import { practiceCalendar } from '../../report/practice-calendar';
import type { Derived } from '../analysis/derived';
import { edit } from '../stores/document-store';

export const practiceOf = ({ movement, plan, session, athlete }: Derived): SessionPractice =>
  sessionPractice(movement, plan.items, session, athlete?.clip.performer.minor ?? false);

export const calendarOf = (derived: Derived): string => {
  const { session } = derived;
  return practiceCalendar({ id: session.id, name: session.name, on: dayOf(session), practice: practiceOf(derived) });
};

export function setPerWeek(perWeek: number): void {
  edit((session) => {
    session.practice.perWeek = perWeek;
  });
}

/** Has a correction begin with a practice, from 0; null lets it follow the one before. */
export function beginAt(correctionId: string, practice: number | null): void {
  edit(({ practice: kept }) => {
    if (practice === null) delete kept.begins[correctionId];
    else kept.begins[correctionId] = Math.max(0, practice);
  });
}

/** Stages of a correction in place of those proposed; null takes the proposed ones again. */
export function setLadder(correctionId: string, ladder: readonly Stage[] | null): void {
  edit(({ practice }) => {
    if (ladder === null) delete practice.ladders[correctionId];
    else practice.ladders[correctionId] = [...ladder];
  });
}

/**
 * Says how many stages of a correction are passed.
 * @param on the day on which the last of them was, as an ISO date
 */
export function passStages(correctionId: string, count: number, on: string): void {
  edit(({ practice }) => {
    const before = (practice.passed[correctionId] ?? []).slice(0, count);
    practice.passed[correctionId] = [...before, ...Array.from({ length: count - before.length }, () => on)];
  });
}
