import { doseText, ladderOf } from './ladder';
import { practicePlan, practicesOf, type Practised } from './practice-plan';

const weeks = (id: string, more: Partial<Practised> = {}): Practised => ({
  id,
  stages: 3,
  passed: 0,
  cost: 'weeks',
  begins: null,
  ...more,
});
const at = { perWeek: 3, daysToCompetition: null };
const spans = (corrections: readonly Practised[], when = at as Parameters<typeof practicePlan>[1]) =>
  practicePlan(corrections, when).corrections.map(({ span, done }) => [span?.first ?? null, span?.last ?? null, done]);

describe('a ladder of drills', () => {
  const drills = ['Hold it', 'Slowly', 'At full speed'];

  it('goes from holding to slow to full, the last stage passed by the number', () => {
    const ladder = ladderOf(drills, { target: 'front knee 160 to 170 deg', risk: false, minor: false });
    expect(ladder.map((stage) => doseText(stage).replaceAll('\u00a0', ' '))).toEqual([
      '3 \u00d7 5',
      '3 \u00d7 6 at 50 % of full speed',
      '3 \u00d7 4 at full speed',
    ]);
    expect(ladder[2]!.pass).toBe('Filmed: front knee 160 to 170 deg, 3 times of 4.');
    expect(ladder[0]!.pass).toMatch(/\?$/);
  });

  it('is less for who is under age and for what can injure, and has no full speed there', () => {
    for (const of of [
      { target: null, risk: true, minor: false },
      { target: null, risk: false, minor: true },
    ]) {
      const ladder = ladderOf(drills, of);
      expect(ladder.map(({ sets }) => sets)).toEqual([2, 2, 2]);
      expect(ladder.map(({ load }) => load)).toEqual([null, 0.3, 0.8]);
    }
    expect(ladderOf(drills, { target: null, risk: true, minor: false })[2]!.ifNot).toContain('stop where it hurts');
  });

  it('of one drill is that drill at full speed', () => {
    expect(ladderOf(['All of it'], { target: null, risk: false, minor: false })).toMatchObject([{ load: 1 }]);
  });
});

describe('when what is practised', () => {
  it('a change takes the days that it needs, whatever the number of practices', () => {
    // 28 days are 12 practices at three a week and 20 at five; spread over three stages.
    expect(practicesOf(weeks('a'), 3)).toBe(4);
    expect(practicesOf(weeks('a'), 5)).toBe(7);
    expect(practicesOf(weeks('a', { cost: 'minutes' }), 3)).toBe(1);
    expect(practicesOf(weeks('a', { cost: 'season' }), 3)).toBe(21);
  });

  it('the next begins with the last stage of the one before, so that two at most run together', () => {
    expect(spans([weeks('a'), weeks('b'), weeks('c')])).toEqual([
      [0, 11, true],
      [8, 19, true],
      [16, 27, true],
    ]);
    const { days } = practicePlan([weeks('a'), weeks('b'), weeks('c')], at);
    expect(Math.max(...days.map(({ turns }) => turns.length))).toBe(2);
    expect(days.map(({ day }) => day).slice(0, 7)).toEqual([1, 3, 5, 8, 10, 12, 15]);
  });

  it('each stage is checked in its last practice', () => {
    const { days } = practicePlan([weeks('a')], at);
    expect(days.flatMap(({ turns }, i) => (turns[0]!.check ? [[i, turns[0]!.stage]] : []))).toEqual([
      [3, 0],
      [7, 1],
      [11, 2],
    ]);
  });

  it('stages that are passed are not practised again, and free the way for the next', () => {
    expect(spans([weeks('a', { passed: 2 }), weeks('b')])).toEqual([
      [0, 3, true],
      [4, 15, true],
    ]);
    expect(spans([weeks('a', { passed: 3 }), weeks('b')])).toEqual([
      [null, null, true],
      [0, 11, true],
    ]);
  });

  it('nothing new within two weeks of a competition, nothing after it; what is begun goes on', () => {
    // 40 days: practices of the days 1 to 38, the freeze at day 26.
    const soon = { perWeek: 3, daysToCompetition: 40 };
    const plan = practicePlan([weeks('a'), weeks('b'), weeks('c')], soon);
    expect([plan.freeze, plan.competition]).toEqual([26, 40]);
    expect(spans([weeks('a'), weeks('b'), weeks('c')], soon)).toEqual([
      [0, 11, true],
      [8, 16, false],
      [null, null, false],
    ]);
    expect(plan.days.every(({ day }) => day < 40)).toBe(true);
    expect(spans([weeks('a')], { perWeek: 3, daysToCompetition: 10 })).toEqual([[null, null, false]]);
    expect(spans([weeks('a', { passed: 1 })], { perWeek: 3, daysToCompetition: 10 })).toEqual([[0, 3, false]]);
    expect(spans([weeks('a', { cost: 'minutes' })], { perWeek: 3, daysToCompetition: 10 })).toEqual([[0, 2, true]]);
    expect(spans([weeks('a')], { perWeek: 3, daysToCompetition: 0 })).toEqual([[null, null, false]]);
  });

  it('what the analyst moves begins there', () => {
    expect(spans([weeks('a', { begins: 5 }), weeks('b')])).toEqual([
      [5, 16, true],
      [13, 24, true],
    ]);
    expect(spans([weeks('a'), weeks('b', { begins: 0 })])).toEqual([
      [0, 11, true],
      [0, 11, true],
    ]);
  });
});
