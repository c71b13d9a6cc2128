import { stickTrial } from '../../tests/fixtures/stick-trial';
import { MINOR_CAUTION, STANDING_CAUTION } from '../core/judgement/cautions';
import { prioritise } from '../core/judgement/priority';
import { judge } from '../core/judgement/state';
import { compareAll } from '../core/comparison/compare';
import type { Movement } from '../core/model/movement';
import { MOVEMENTS } from '../movements';
import { planOf } from '../core/coaching/plan';
import { reportOf } from '../core/coaching/report';
import { textReport } from './text-report';

const [movement] = MOVEMENTS as [Movement];
const marks = {
  'back-foot-contact': 2,
  'front-foot-contact': 12,
  'arm-horizontal': 14,
  release: 22,
  'follow-through': 40,
};
const leg = (knee: number) => () =>
  ({
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin((knee * Math.PI) / 180), 300 + 200 * Math.cos((knee * Math.PI) / 180)],
  }) as const;
const reference = stickTrial(leg(8), marks);

const report = (own: number, minor = false): string => {
  const judged = compareAll(movement, stickTrial(leg(own), marks), reference).map((c) => judge(c, undefined));
  const priorities = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
  const plan = planOf(priorities, [], []);
  return textReport({
    movement,
    athlete: 'a.csv',
    reference: 'r.csv',
    judged,
    report: reportOf({ movement, judged, priorities, plan, notes: [], athlete: null, reference, minor }),
    warnings: ['The file miscounts its frames.'],
  });
};

test('corrections come first, with reason, drills, load, check and caution; then every reading, then what was not measured', () => {
  const text = report(30);
  expect(text).toMatch(
    /^# Cricket: Pace delivery\n\na\.csv against r\.csv\.\n\n\d+ of 28 measures judged, \d+ read\.[^\n]*\n\n## First: Front knee, /,
  );
  for (const part of [
    'First because it is',
    '- Seen: ',
    '- Should be: ',
    '- Drill 1: ',
    '- Load: ',
    '- Check: ',
    '- Caution: ',
  ])
    expect(text).toContain(part);
  expect(text.indexOf('## Readings')).toBeLessThan(text.indexOf('## Not measured'));
  expect(text).toContain('| Front knee | Release | 150\u00b0 \u00b1 ');
  expect(text).toContain(
    '- Trunk side fall: Not measurable from the side. Film also from straight in front or behind.',
  );
  expect(text).toContain('## About the files\n\n- The file miscounts its frames.');
});

test('cautions stand at its end whatever was found, those of a risk only where it is one', () => {
  const [gap, none] = [report(30), report(8)];
  for (const text of [gap, none]) expect(text).toContain(`- ${STANDING_CAUTION}`);
  expect(gap.slice(gap.indexOf('## Cautions'))).toContain('A braced front leg');
  expect(none.slice(none.indexOf('## Cautions'))).not.toContain('A braced front leg');
  expect(none).toContain('No measured difference lies beyond its range and its measuring error.');
});

test('for one under age load and cautions are worded for a body that still grows', () => {
  const [young, grown] = [report(30, true), report(30)];
  for (const text of ['growth plates', MINOR_CAUTION]) {
    expect(young).toContain(text);
    expect(grown).not.toContain(text);
  }
  const load = (text: string): string => /- Load: (.*)/.exec(text)![1]!;
  expect(load(young)).not.toBe(load(grown));
});
