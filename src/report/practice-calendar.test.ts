import ICAL from 'ical.js';
import { practised } from '../../tests/fixtures/practised';
import { ladderOf } from '../core/coaching/ladder';
import { practicePlan } from '../core/coaching/practice-plan';
import type { SessionPractice } from '../core/coaching/session-practice';
import { practiceCalendar } from './practice-calendar';

const long =
  'Run in, land tall; hold, \u201cproud\u201d: caf\u00e9 \\ slash, and so on until the line is longer than RFC 5545 lets a line be';
const practice: SessionPractice = {
  corrections: [
    practised({
      cue: 'Long leg.',
      ladder: ladderOf(['Hold it', 'Slowly', long], { target: null, risk: false, minor: false }),
      selfCheck: 'Side camera at hip height.',
    }),
  ],
  plan: practicePlan([{ id: 'knee', stages: 3, passed: 0, cost: 'minutes', begins: null }], {
    perWeek: 3,
    daysToCompetition: 30,
  }),
};
const of = { id: 's1', name: 'Nets, early season', on: '2026-02-26', practice };

/** Read by ical.js, which shares nothing with the writer. */
const eventsOf = (text: string): ICAL.Event[] =>
  new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));

test('another library reads every practice on its day, over the end of a month', () => {
  const events = eventsOf(practiceCalendar(of));
  expect(events.map((e) => [e.startDate.toString(), e.endDate.toString(), e.startDate.isDate])).toEqual([
    ['2026-02-27', '2026-02-28', true],
    ['2026-03-01', '2026-03-02', true],
    ['2026-03-03', '2026-03-04', true],
    ['2026-03-14', '2026-03-15', true],
    ['2026-03-28', '2026-03-29', true],
  ]);
  expect(events[2]!.summary).toBe('Practice: Front knee, stage 3 (check)');
  expect(events[2]!.description.split('\n')).toEqual([
    `Front knee, stage 3 of 3: ${long}, 3\u00a0\u00d7\u00a04 at full speed.`,
    'Cue: Long leg.',
    'Passed? Does it look as in the second picture, 3 times of 4?',
    'If not: Go back one stage for two practices, then try again.',
    'Side camera at hip height.',
  ]);
  expect(events.at(-1)!.summary).toBe('Competition');
  expect(new Set(events.map((e) => e.uid)).size).toBe(5);
});

test('lines are folded as RFC 5545 (3.1) wants, and the same plan gives the same bytes', () => {
  const text = practiceCalendar(of);
  expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true);
  expect(practiceCalendar(of)).toBe(text);
});
