import { readMeasure } from '../../../tests/fixtures/measure';
import type { Comparison } from '../comparison/compare';
import { movementSchema, type Movement } from '../model/movement';
import type { Target } from '../model/target';
import type { Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { cautionsFor, MINOR_CAUTION, STANDING_CAUTION } from './cautions';
import { prioritise } from './priority';
import { judge, type Judged } from './state';
import { draftCorrection } from '../coaching/correction';

const deg = (v: number): number => (v * Math.PI) / 180;
const reading = (value: number, plusMinus: number): Reading => ({
  measurable: true,
  value: deg(value),
  sd: deg(plusMinus) / COVERAGE_95,
  systematicSd: 0,
  unit: 'deg',
  provenance: { clipId: 'c', frames: [1], points: [] },
});
const hidden: Reading = {
  measurable: false,
  reason: 'wrong-view',
  message: 'Not measurable from the side',
  remedy: 'Film from behind.',
};

const measure = (id: string, change: object = {}) =>
  readMeasure({
    id,
    name: id,
    kind: 'joint-angle',
    points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
    at: 'one',
    region: 'legs',
    plane: 'sagittal',
    importance: 0.5,
    cost: 'weeks',
    margin: 2,
    target: { type: 'same-as-reference', tolerance: 5, source: 'test' },
    ...change,
  });

function compare(athlete: Reading, reference: Reading, change: object = {}, id = 'm'): Comparison {
  const both = athlete.measurable && reference.measurable;
  return {
    measure: measure(id, change),
    athlete,
    reference,
    spread: { athlete: null, reference: null },
    difference: both ? athlete.value - reference.value : null,
    plusMinus: both ? COVERAGE_95 * Math.hypot(athlete.sd, reference.sd) : null,
  };
}
const stateOf = (c: Comparison): string => judge(c, undefined).state;

describe('state of a difference from a reference', () => {
  // Tolerance 5, margin 2; the error of each side is given as half a 95 % interval.
  it.each([
    ['inside the band', 3, 1, 'on-target'],
    ['inside the band, error wider than the tolerance', 3, 6, 'within-error'],
    ['outside by less than the error', 9, 4, 'within-error'],
    ['outside by more than the error, less than the margin', 6.8, 1, 'borderline'],
    ['outside by more than both', 12, 1, 'gap'],
    ['the same on the low side', -12, 1, 'gap'],
  ])('%s', (_, difference, plusMinus, state) => {
    expect(stateOf(compare(reading(150 + difference, plusMinus), reading(150, 0.0001)))).toBe(state);
  });

  it('never is a gap inside the error, however large the difference', () => {
    for (let d = 0; d < 90; d += 3) {
      const judged = judge(compare(reading(90 + d, 60), reading(90, 60)), undefined);
      expect(judged.state).not.toBe('gap');
    }
  });

  it('on target on an important measure is a strength', () => {
    expect(stateOf(compare(reading(151, 1), reading(150, 1), { importance: 0.7 }))).toBe('strength');
  });

  it('what cannot be seen, in either clip, is not measurable and never zero', () => {
    for (const c of [compare(hidden, reading(150, 1)), compare(reading(150, 1), hidden)]) {
      const judged = judge(c, undefined);
      expect(judged.state).toBe('not-measurable');
      expect(judged.difference).toBeNull();
    }
  });

  it('a measure without a target is shown and not judged', () => {
    expect(stateOf(compare(reading(90, 1), reading(150, 1), { target: undefined }))).toBe('not-judged');
  });

  it('a personal style is left alone', () => {
    expect(
      judge(compare(reading(120, 1), reading(150, 1)), { measureId: 'm', verdict: 'style', reason: 'his own' }).state,
    ).toBe('style');
  });

  it('counts an angle that goes round the short way', () => {
    const change = { kind: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'down' };
    expect(stateOf(compare(reading(-179, 0.5), reading(179, 0.5), change))).toBe('on-target');
  });
});

describe('targets that stand by themselves', () => {
  const judgeAgainst = (target: Target, value: number, plusMinus = 1): Judged =>
    judge(compare(reading(value, plusMinus), hidden, { target }), undefined);
  const source = 'test';
  it.each<[string, Target, number, string, number]>([
    ['between, inside', { type: 'between', low: 30, high: 38, source }, 33, 'on-target', 0],
    ['between, too small', { type: 'between', low: 30, high: 38, source }, 18, 'gap', -12],
    ['about, inside', { type: 'about', value: 70, tolerance: 5, source }, 67, 'on-target', 0],
    ['about, outside', { type: 'about', value: 120, tolerance: 15, source }, 53, 'gap', -52],
    ['at most, inside', { type: 'at-most', value: 15, source }, 8, 'on-target', 0],
    ['at most, outside', { type: 'at-most', value: 15, source }, 24, 'gap', 9],
    ['at most, too near to say', { type: 'at-most', value: 15, source }, 14.5, 'within-error', 0],
    ['at least, much more is no fault', { type: 'at-least', value: 105, source }, 170, 'on-target', 0],
    ['at least, less is', { type: 'at-least', value: 105, source }, 90, 'gap', -15],
  ])('%s', (_, target, value, state, excess) => {
    const judged = judgeAgainst(target, value);
    expect(judged.state).toBe(state);
    expect((judged.excess * 180) / Math.PI).toBeCloseTo(excess, 6);
  });
});

const movement: Movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'x',
  name: 'X',
  sport: 'X',
  moments: [
    { id: 'one', name: 'One', key: '1', hint: '' },
    { id: 'two', name: 'Two', key: '2', hint: '' },
  ],
  phases: [],
  measures: ['root', 'effect', 'other', 'season', 'risky', 'fifth'].map((id) => ({ ...measure(id) })),
  causes: [{ cause: 'root', effect: 'effect', share: 0.5, because: 'it follows' }],
  cautions: [
    { id: 'always', text: 'Always said.', always: true },
    { id: 'knee', text: 'Mind the knee.', always: false },
  ],
});
const gap = (id: string, difference: number, change: object = {}): Judged =>
  judge(compare(reading(150 + difference, 1), reading(150, 1), change, id), undefined);
const plain = { decisions: [], order: [], daysToCompetition: null };
const ids = (list: readonly { judged: Judged }[]): string[] => list.map((g) => g.judged.measure.id);

describe('priority', () => {
  it('has nothing to propose where there is no gap', () => {
    expect(prioritise(movement, [gap('root', 1)], plain).proposed).toEqual([]);
  });

  it('hangs a consequence under its root, which gains from it', () => {
    const with_ = prioritise(movement, [gap('root', -14), gap('effect', 30)], plain);
    expect(ids(with_.proposed)).toEqual(['root']);
    expect(with_.proposed[0]!.willFollow[0]!.judged.measure.id).toBe('effect');
    const alone = prioritise(movement, [gap('root', -14)], plain);
    expect(with_.proposed[0]!.score).toBeGreaterThan(alone.proposed[0]!.score);
  });

  it('treats a consequence as a root where its cause is no gap', () => {
    expect(ids(prioritise(movement, [gap('root', 1), gap('effect', 30)], plain).proposed)).toEqual(['effect']);
  });

  it('orders by score, and puts a risk first whatever its score', () => {
    expect(ids(prioritise(movement, [gap('other', 12), gap('root', 40)], plain).proposed)).toEqual(['root', 'other']);
    expect(ids(prioritise(movement, [gap('root', 40), gap('risky', 12, { risk: 'knee' })], plain).proposed)).toEqual([
      'risky',
      'root',
    ]);
  });

  it('parks what cannot be changed before the competition, but never a risk', () => {
    const near = { ...plain, daysToCompetition: 10 };
    const judged = [
      gap('season', 30, { cost: 'season' }),
      gap('other', 12, { cost: 'minutes' }),
      gap('risky', 12, { cost: 'season', risk: 'knee' }),
    ];
    const result = prioritise(movement, judged, near);
    expect(ids(result.proposed)).toEqual(['risky', 'other']);
    expect(result.parked[0]!.why).toContain('10 days');
  });

  it('proposes three at most and keeps the rest', () => {
    const result = prioritise(
      movement,
      ['root', 'other', 'season', 'fifth'].map((id) => gap(id, 20)),
      plain,
    );
    expect(result.proposed).toHaveLength(3);
    expect(result.parked).toHaveLength(1);
  });

  it('keeps the analyst\u2019s order and drops through any recomputation', () => {
    const decided = {
      ...plain,
      order: ['other', 'root'],
      decisions: [{ measureId: 'season', verdict: 'drop' as const, reason: 'after the tour' }],
    };
    const result = prioritise(movement, [gap('root', 40), gap('other', 12), gap('season', 30)], decided);
    expect(ids(result.proposed)).toEqual(['other', 'root']);
    expect(result.dropped[0]!.reason).toBe('after the tour');
  });

  it('explains itself in words that name size, sureness and what follows', () => {
    const [first] = prioritise(movement, [gap('root', -25), gap('effect', 30)], plain).proposed;
    expect(first!.reason).toContain('20\u00b0 outside its range');
    expect(first!.reason).toContain('measuring error');
    expect(first!.reason).toContain('1 other difference follows');
  });
});

describe('a correction', () => {
  it('says what is seen, what it should be, what follows, and carries the caution of a consequence', () => {
    const [first] = prioritise(movement, [gap('root', -25), gap('effect', 30, { risk: 'knee' })], plain).proposed;
    const correction = draftCorrection(movement, first!);
    expect(correction.seen).toContain('125\u00b0');
    expect(correction.shouldBe).toBe('145\u00b0 to 155\u00b0');
    expect(correction.willFollow).toEqual(['effect (it follows)']);
    expect(correction.caution).toBe('Mind the knee.');
  });
});

describe('cautions', () => {
  it('always stand, once each; those of a risk only where it is a gap; a minor has one more', () => {
    const risky = prioritise(movement, [gap('risky', 20, { risk: 'knee' })], plain).proposed;
    expect(cautionsFor(movement, [], false)).toEqual([STANDING_CAUTION, 'Always said.']);
    expect(cautionsFor(movement, [...risky, ...risky], true)).toEqual([
      STANDING_CAUTION,
      MINOR_CAUTION,
      'Always said.',
      'Mind the knee.',
    ]);
  });
});
