import { athletePage } from '../../src/core/coaching/athlete-page';
import { planOf } from '../../src/core/coaching/plan';
import { compareAll } from '../../src/core/comparison/compare';
import { prioritise } from '../../src/core/judgement/priority';
import { judge } from '../../src/core/judgement/state';
import { NO_PRACTICE, type Practice } from '../../src/core/model/practice';
import type { Note, OwnCorrection } from '../../src/core/model/session';
import { movementOf } from '../../src/movements';
import { demoPairs } from '../fixtures/demo-pairs';

const note = (text: string, kind: Note['kind']): Note => ({
  id: text,
  kind,
  text,
  clipId: 'a',
  frame: 3,
  region: null,
  panes: {},
  measureId: null,
  voice: null,
});
const own: OwnCorrection = {
  id: 'own',
  title: 'Late hands',
  seen: 'Late hands',
  shouldBe: '',
  why: '',
  cue: '',
  drills: ['One', 'Two', 'Three'],
  selfCheck: '',
  change: 'technique',
  noteId: 'Late hands',
};

const noted = (...notes: Note[]): { notes: Note[]; practice: Practice } => ({ notes, practice: NO_PRACTICE });

describe.each([
  ['pace', 'pace-delivery'],
  ['walk', 'race-walking'],
  ['hurdle', 'sprint-hurdles'],
] as const)('the page of the %s demo', (demo, id) => {
  const movement = movementOf(id)!;
  const [athlete, reference] = demoPairs(demo).map(({ found }) => found);
  const judged = compareAll(movement, athlete!, reference!).map((c) => judge(c, undefined));
  const plan = planOf(
    prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null }),
    [own],
    ['own'],
  );
  const page = athletePage(
    movement,
    plan.items,
    judged,
    noted(note('High arm', 'good'), note('Falls', 'work-on')),
    false,
  );

  it('has one to three corrections with a cue, two drills and no number that only an analyst reads', () => {
    expect(page.corrections.length).toBeGreaterThanOrEqual(1);
    expect(page.corrections.length).toBeLessThanOrEqual(3);
    for (const { cue, stages, goOn } of page.corrections) {
      expect(cue.length).toBeGreaterThan(3);
      expect(stages.length).toBeGreaterThanOrEqual(1);
      expect(stages.length).toBeLessThanOrEqual(2);
      expect(stages[0]!.dose).toMatch(/^\d\s\u00d7\s\d/);
      expect(goOn).toMatch(/\?$/);
    }
    expect(JSON.stringify(page)).not.toMatch(/\u00b1|%ht|deg\b/);
  });

  it('goes on with the stage that is not passed yet', () => {
    const passed = { own: ['2026-02-01', '2026-02-08'] };
    const practice = { ...NO_PRACTICE, passed };
    const [first] = athletePage(movement, plan.items, judged, { notes: [], practice }, false).corrections;
    expect(first!.stages.map(({ drill }) => drill)).toEqual(['Three']);
    expect(page.corrections[0]!.stages.map(({ drill }) => drill)).toEqual(['One', 'Two']);
  });

  it('says what is good first, the eye before the numbers, and shows each by its pictures', () => {
    expect(page.good[0]).toBe('High arm');
    expect(page.good.length).toBeLessThanOrEqual(4);
    expect(page.corrections[0]).toMatchObject({ id: 'own', measureId: null, noteId: 'Late hands', seen: '' });
    expect(page.corrections.slice(1).every((c) => c.measureId === c.id)).toBe(true);
  });
});

test('where nothing was judged the page does not say that nothing is to be changed; what the eye found stands on it', () => {
  const movement = movementOf('pace-delivery')!;
  const page = (notes: readonly Note[]): ReturnType<typeof athletePage> =>
    athletePage(movement, [], [], noted(...notes), false);
  expect(page([]).without).toMatch(/^Nothing was judged yet/);
  expect(page([note('Falls away', 'work-on')])).toMatchObject({ seen: ['Falls away'], without: null });
});
