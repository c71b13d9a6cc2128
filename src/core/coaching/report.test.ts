import { stickTrial } from '../../../tests/fixtures/stick-trial';
import { compareAll } from '../comparison/compare';
import { judge } from '../judgement/state';
import { prioritise } from '../judgement/priority';
import { movementSchema, type Movement } from '../model/movement';
import type { Note } from '../model/session';
import { planOf } from './plan';
import { reportOf } from './report';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'x',
  name: 'X',
  sport: 'S',
  moments: ['plant', 'top'].map((id, i) => ({ id, name: id, key: String(i), hint: '' })),
  phases: [],
  measures: ['plant', 'top'].map((at) => ({
    id: `knee-at-${at}`,
    name: 'Knee',
    kind: 'value',
    region: 'legs',
    plane: 'sagittal',
    of: { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] },
    at,
    target: { type: 'same-as-reference', tolerance: 5, source: 'x' },
    importance: 0.5,
    cost: 'weeks',
  })),
  causes: [],
  cautions: [{ id: 'aid', text: 'Stop on pain.', always: true }],
}) as Movement;

const bent = (degrees: number) => () =>
  ({
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin((degrees * Math.PI) / 180), 300 + 200 * Math.cos((degrees * Math.PI) / 180)],
  }) as const;
const note = (kind: Note['kind'], text: string): Note =>
  ({ id: text, kind, text, clipId: 'c', frame: 0, region: null, measureId: null, panes: {} }) as unknown as Note;

function report(own: number, marks: Readonly<Record<string, number>>, notes: readonly Note[] = []) {
  const [athlete, reference] = [stickTrial(bent(own), marks), stickTrial(bent(10), marks)];
  const judged = compareAll(movement, athlete, reference).map((c) => judge(c, undefined));
  const priorities = prioritise(movement, judged, { decisions: [], order: [], daysToCompetition: null });
  const plan = planOf(priorities, [], []);
  return reportOf({ movement, judged, priorities, plan, notes, athlete, reference, minor: false });
}
const BOTH = { plant: 10, top: 20 };

describe('what a report says', () => {
  it('of gaps is corrections, and no sentence that nothing differs', () => {
    const said = report(60, BOTH);
    expect(said.corrections.map((c) => c.title)).toContain('Knee');
    expect([said.nothing, said.withoutGood]).toEqual([null, 'No measure stands clear of the measuring error.']);
    expect(said.cautions).toContain('Stop on pain.');
  });

  it('of none is that nothing differs, and points to what the eye found', () => {
    expect(report(10, BOTH).nothing).toBe('No measured difference lies beyond its range and its measuring error.');
    expect(report(10, BOTH, [note('work-on', 'leans back')]).nothing).toMatch(/What the eye found stands above\.$/);
  });

  it('of a session in which nothing was measured is no word about measured differences', () => {
    const said = report(10, {}, [note('good', 'tall')]);
    expect(said.nothing).toBeNull();
    expect(said.withoutGood).toBe('Nothing was measured. What the eye found good stands above.');
    expect(said.seenGood.map((n) => n.text)).toEqual(['tall']);
    expect(said.notMeasured.map((m) => m.message)).toEqual([
      'The moment \u201cplant\u201d is not marked',
      'The moment \u201ctop\u201d is not marked',
    ]);
  });
});
