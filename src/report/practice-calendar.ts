import ical, { ICalCalendarMethod, type ICalCalendar } from 'ical-generator';
import { doseText } from '../core/coaching/ladder';
import type { SessionPractice } from '../core/coaching/session-practice';
import { dayAfter } from '../core/model/day';
import { TEXT } from '../text/report';

interface CalendarOf {
  /** The session's id and name, and the day from which the plan counts, as an ISO date. */
  readonly id: string;
  readonly name: string;
  readonly on: string;
  readonly practice: SessionPractice;
}

/**
 * The plan of practice as a calendar of whole days (RFC 5545): each practice with its stages, doses and pass marks, the
 * day from which nothing new is begun, the competition. The same plan gives the same bytes.
 */
export function practiceCalendar({ id, name, on, practice: { corrections, plan } }: CalendarOf): string {
  const calendar: ICalCalendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: TEXT.proudFalcon, product: 'practice' },
  });
  const add = (uid: string, day: number, summary: string, description: string): void => {
    calendar.createEvent({
      id: `${uid}-${id}@proud-falcon.invalid`,
      start: dayAfter(on, day),
      end: dayAfter(on, day + 1),
      allDay: true,
      stamp: `${on}T00:00:00Z`,
      summary,
      description,
    });
  };
  plan.days.forEach(({ day, turns }, i) => {
    if (turns.length === 0) return;
    const said = turns.map(({ id: correctionId, stage, check }) => {
      const { title, cue, ladder, selfCheck } = corrections.find((c) => c.id === correctionId)!;
      const step = ladder[stage]!;
      return {
        short: TEXT.stageTitleStageRest(title, stage + 1, check ? ' (check)' : ''),
        long: [
          TEXT.stage(title, stage + 1, ladder.length, step.drill, doseText(step)),
          ...(cue ? [TEXT.cueCue(cue)] : []),
          ...(check ? [`Passed? ${step.pass}`, TEXT.ifNot(step.ifNot), ...(selfCheck ? [selfCheck] : [])] : []),
        ].join('\n'),
      };
    });
    const text = said.map(({ long }) => long).join('\n\n');
    add(`practice-${i}`, day, TEXT.practiceSaid(said.map(({ short }) => short).join('; ')), text);
  });
  if (plan.competition !== null) {
    if (plan.freeze! > 0) add('freeze', plan.freeze!, TEXT.nothingNewIsBegun, TEXT.whatIsBegunGoes);
    add('competition', plan.competition, 'Competition', name);
  }
  return calendar.toString();
}
