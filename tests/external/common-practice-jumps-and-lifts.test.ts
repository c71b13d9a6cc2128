import { judge, type State } from '../../src/core/judgement/state';
import { compareMeasure } from '../../src/core/comparison/compare';
import { stickTrial, type Points, BODY } from '../fixtures/stick-trial';
import { radians, marks, make, stateOf, practice, bent, leaning, KNEE } from '../fixtures/common-practice';

describe('jump with turn', () => {
  const turned =
    (quarters: number) =>
    (f: number): Points => {
      const a = radians((quarters * 90 * (f - 4)) / 32);
      return {
        'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)],
        'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)],
      };
    };
  it('under half a turn before leaving the ground is normal, three quarters is excessive', () => {
    const measure = {
      kind: 'rotation',
      of: { type: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' },
      target: practice({ type: 'at-most', value: 180 }),
    };
    expect([1.4, 3].map((quarters) => stateOf(measure, turned(quarters)))).toEqual(['on-target', 'gap']);
    const excellent = { ...measure, target: practice({ type: 'at-most', value: 90 }) };
    expect([0.7, 1.6].map((quarters) => stateOf(excellent, turned(quarters)))).toEqual(['on-target', 'gap']);
  });
});

describe('bar lifts', () => {
  it('the trunk angle is constant from the floor to the knee', () => {
    const held =
      (change: number) =>
      (f: number): Points =>
        leaning(['left-hip', 'left-shoulder'], 40 + (change * (f - 4)) / 32);
    const measure = {
      kind: 'range',
      of: { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' },
      target: practice({ type: 'constant', within: 6 }),
    };
    expect([stateOf(measure, held(1)), stateOf(measure, held(20))]).toEqual(['on-target', 'gap']);
  });
  it('ankle, knee and hip all extend: in one line at the top', () => {
    const line = (off: number): Points => ({
      'right-shoulder': [300, 100],
      'right-hip': [300 + off, 300],
      'right-knee': [300, 500],
      'right-ankle': [300, 700],
    });
    const measure = {
      kind: 'value',
      of: { type: 'alignment', points: ['dominant-shoulder', 'dominant-hip', 'dominant-knee', 'dominant-ankle'] },
      target: practice({ type: 'at-most', value: 4 }),
    };
    expect([0, 90].map((off) => stateOf(measure, () => line(off)))).toEqual(['on-target', 'gap']);
  });
  it('the plumb line from the bar splits the base in half', () => {
    const bar = (share: number): Points => ({ 'own-bar': [480 + share * 80, 200], 'own-middle-foot': [520, 700] });
    const measure = {
      kind: 'value',
      of: { type: 'offset', points: ['own-bar', 'own-middle-foot'], axis: 'forward' },
      target: practice({ type: 'about', value: 0, tolerance: 1 }),
    };
    expect([0.5, 0.95].map((share) => stateOf(measure, () => bar(share)))).toEqual(['on-target', 'gap']);
  });
});

test('an overhead serve: side tilt of the trunk about 20, implement about 20 inside at leg drive', () => {
  const tilt = {
    kind: 'value',
    of: { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' },
    target: practice({ type: 'about', value: 20, tolerance: 6 }),
  };
  const trunk = (degrees: number): Points => ({
    'left-hip': [480, 500],
    'right-hip': [520, 500],
    'left-shoulder': [480 + 300 * Math.sin(radians(degrees)), 500 - 300 * Math.cos(radians(degrees))],
    'right-shoulder': [520 + 300 * Math.sin(radians(degrees)), 500 - 300 * Math.cos(radians(degrees))],
  });
  expect([22, 4].map((v) => stateOf(tilt, () => trunk(v)))).toEqual(['on-target', 'gap']);
  const inside = {
    kind: 'value',
    of: { type: 'segment-angle', points: ['own-grip', 'own-tip'], against: 'up' },
    target: practice({ type: 'about', value: 20, tolerance: 6 }),
  };
  expect(
    [18, 41].map((v) =>
      stateOf(inside, () => ({
        'own-grip': [500, 400],
        'own-tip': [500 + 300 * Math.sin(radians(v)), 400 - 300 * Math.cos(radians(v))],
      })),
    ),
  ).toEqual(['on-target', 'gap']);
});

test('an overhead serve: the leg drive comes before the implement drops', () => {
  const serve =
    (legs: number, drop: number) =>
    (f: number): Points => ({
      ...bent(KNEE, 120 + 50 / (1 + Math.exp(-(f - legs) / 2))),
      'own-tip': [400, 200 + 100 / (1 + Math.exp(-(f - drop) / 2))],
    });
  const measure = {
    kind: 'lag',
    event: 'peak-rate',
    first: { type: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] },
    second: { type: 'height', point: 'own-tip' },
    target: practice({ type: 'at-least', value: 0 }),
  };
  expect([stateOf(measure, serve(12, 28)), stateOf(measure, serve(28, 12))]).toEqual(['on-target', 'gap']);
});

test('what only an eye can tell: yes is on target, no and partly are not, not visible is not judged', () => {
  const measure = make({ kind: 'checkpoint', question: 'Do the heels stay down?', target: practice({ type: 'yes' }) });
  const stated = (answer: 'yes' | 'partly' | 'no' | 'not-visible'): State => {
    const trial = { ...stickTrial(() => BODY, marks), checks: { case: answer } };
    return judge(compareMeasure(measure, [[trial]], [[trial]]), undefined).state;
  };
  expect((['yes', 'partly', 'no', 'not-visible'] as const).map(stated)).toEqual([
    'on-target',
    'gap',
    'gap',
    'not-measurable',
  ]);
  const silent = stickTrial(() => BODY, marks);
  expect(compareMeasure(measure, [[silent]], [[silent]]).athlete).toMatchObject({
    measurable: false,
    reason: 'not-answered',
    message: 'Do the heels stay down?',
  });
});

test('a racing craft in a sprint: 42 to 45 strokes a minute', () => {
  const rate = (perMinute: number): State => {
    // 32 frames of 10 ms lie between the moments: so many strokes that the rate comes out.
    const count = (perMinute * 0.32) / 60;
    return stateOf({ kind: 'rate', count, target: practice({ type: 'between', low: 41, high: 46 }) }, () => ({}));
  };
  expect([43, 36].map(rate)).toEqual(['on-target', 'gap']);
});

test('entry of a throw with a partner: 90 degrees is one technique, 180 another', () => {
  const turn =
    (degrees: number) =>
    (f: number): Points => {
      const a = radians((degrees * (f - 4)) / 32);
      return {
        'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)],
        'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)],
      };
    };
  const technique = (about: number): object => ({
    kind: 'rotation',
    of: { type: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' },
    target: practice({ type: 'about', value: about, tolerance: 25 }),
  });
  expect([
    stateOf(technique(90), turn(95)),
    stateOf(technique(180), turn(95)),
    stateOf(technique(180), turn(175)),
  ]).toEqual(['on-target', 'gap', 'on-target']);
});
