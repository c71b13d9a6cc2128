import { readMeasure } from '../fixtures/measure';
import { judge, type State } from '../../src/core/judgement/state';
import { compareMeasure } from '../../src/core/comparison/compare';
import type { Measure } from '../../src/core/model/movement';
import type { PointId } from '../../src/core/anatomy/body-points';
import { stickPerformance } from '../fixtures/stick-performance';

/**
 * Facts of the trade (common practice; no source): each is written as a measure of a movement, is given points that have the stated value, and must be judged as
 * practitioners judge it. Values one-sided, in a range, held constant, in line, in order and about a number all occur.
 */
type Points = Readonly<Partial<Record<PointId, readonly [number, number]>>>;
const radians = (degrees: number): number => (degrees * Math.PI) / 180;
/** Standing height 1000 pixels, so that per cent of it are tens of pixels; placed by hand, with errors of a pixel or two. */
const BODY: Points = { 'left-shoulder': [500, 700 - 779], 'left-hip': [500, 700 - 491], 'left-knee': [500, 700 - 246], 'left-ankle': [500, 700], 'left-heel': [480, 700], 'left-foot-index': [560, 700], 'right-heel': [480, 700], 'right-foot-index': [560, 700] };
const marks = { start: 4, here: 20, end: 36 };

const make = (fragment: object): Measure =>
  readMeasure({ id: 'case', name: 'Case', region: 'trunk', plane: 'any', importance: 0.6, cost: 'weeks', at: 'here', from: 'start', to: 'end', ...fragment });
/** The state of a measure for an athlete with these points; the reference has others, or the same. */
function stateOf(fragment: object, athlete: (frame: number) => Points, reference = athlete): State {
  const at = (points: (frame: number) => Points) => stickPerformance((f) => ({ ...BODY, ...points(f) }), marks, { view: { kind: 'side', offPlaneDegrees: 0 } });
  return judge(compareMeasure(make(fragment), [[at(athlete)]], [[at(reference)]]), undefined).state;
}
const practice = (target: object): object => ({ ...target, source: 'common practice' });

/** Three points whose middle one has an interior angle. */
const bent = (ids: readonly [PointId, PointId, PointId], degrees: number): Points =>
  ({
  [ids[0]]: [300, 100],
  [ids[1]]: [300, 300],
  [ids[2]]: [300 + 200 * Math.sin(radians(180 - degrees)), 300 + 200 * Math.cos(radians(180 - degrees))],
}) as unknown as Points;
/** A segment against the upward vertical, leaning forward. */
const leaning = (ids: readonly [PointId, PointId], degrees: number): Points => ({ [ids[0]]: [300, 500] as const, [ids[1]]: [300 + 300 * Math.sin(radians(degrees)), 500 - 300 * Math.cos(radians(degrees))] as const }) as unknown as Points;

const KNEE = ['right-hip', 'right-knee', 'right-ankle'] as const;
const ELBOW = ['right-shoulder', 'right-elbow', 'right-wrist'] as const;
const kneeAngle = { kind: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] };

describe('seated pull stroke', () => {
  it('full compression: 51 degrees for the better crew, 58 and 68 for the other', () => {
    const measure = { ...kneeAngle, target: practice({ type: 'same-as-reference', tolerance: 4 }), margin: 1 };
    const states = [51, 58, 68].map((v) => stateOf(measure, () => bent(KNEE, v), () => bent(KNEE, 51)));
    expect(states).toEqual(['on-target', 'gap', 'gap']);
  });
  it('the trunk is held within about ten degrees over the first half of the drive, or opens at once', () => {
    const held = (opened: number) => (f: number): Points => leaning(['left-hip', 'left-shoulder'], -30 + (opened * (f - 4)) / 32);
    const measure = { kind: 'range', of: { q: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' }, target: practice({ type: 'constant', within: 10 }) };
    expect([stateOf(measure, held(6)), stateOf(measure, held(24))]).toEqual(['on-target', 'gap']);
  });
  it('legs, then trunk, then arms: in order; any two the wrong way round are a fault', () => {
    const opened = (f: number, at: number): number => 60 / (1 + Math.exp(-(f - at) / 2));
    const pull = (legs: number, trunk: number, arms: number) => (f: number): Points => ({ ...bent(KNEE, 60 + opened(f, legs)), ...leaning(['left-hip', 'left-shoulder'], -30 + opened(f, trunk)), ...bent(ELBOW, 150 - opened(f, arms)) });
    const step = (name: string, of: object) => ({ name, of, event: 'peak-rate' });
    const measure = {
      kind: 'order', target: practice({ type: 'in-order' }),
      steps: [
        step('legs', { q: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] }),
        step('trunk', { q: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' }),
        step('arms', { q: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] }),
      ],
    };
    expect([pull(10, 19, 28), pull(19, 10, 28), pull(10, 28, 19), pull(28, 19, 10)].map((points) => stateOf(measure, points))).toEqual(['on-target', 'gap', 'gap', 'gap']);
  });
  it('lay-back about 125 to 130', () => {
    const measure = { ...kneeAngle, target: practice({ type: 'between', low: 122, high: 133 }) };
    expect([128, 112, 150].map((v) => stateOf(measure, () => bent(KNEE, v)))).toEqual(['on-target', 'gap', 'gap']);
  });
});

describe('two-handed strike', () => {
  it('shoulder line against hip line: 30 to 38 for powerful performers, 18 too small, 33 good', () => {
    const turned = (degrees: number): Points => ({ 'left-hip': [400, 500], 'right-hip': [600, 500], 'left-shoulder': [400, 300], 'right-shoulder': [400 + 200 * Math.cos(radians(degrees)), 300 - 200 * Math.sin(radians(degrees))] });
    const measure = { kind: 'value', of: { q: 'line-separation', points: ['opposite-shoulder', 'dominant-shoulder'], from: ['opposite-hip', 'dominant-hip'] }, target: practice({ type: 'between', low: 28, high: 40 }) };
    expect([33, 18].map((v) => stateOf(measure, () => turned(v)))).toEqual(['on-target', 'gap']);
  });
  it('forearms apart: over 100, typically near 120; 53 is too small and more is none the worse', () => {
    const measure = { kind: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'], target: practice({ type: 'at-least', value: 100 }) };
    expect([120, 53, 150].map((v) => stateOf(measure, () => bent(ELBOW, v)))).toEqual(['on-target', 'gap', 'on-target']);
  });
  it('implement at landing: 90, where 80 is slightly short', () => {
    const measure = { kind: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'], margin: 6, target: practice({ type: 'about', value: 90, tolerance: 5 }) };
    expect([90, 80].map((v) => stateOf(measure, () => bent(ELBOW, v)))).toEqual(['on-target', 'borderline']);
  });
  it('the front foot is at most 45 degrees open', () => {
    const open = (degrees: number): Points => ({ 'left-heel': [300, 600], 'left-foot-index': [300 + 300 * Math.cos(radians(degrees)), 600 - 300 * Math.sin(radians(degrees))] });
    const measure = { kind: 'segment-angle', points: ['opposite-heel', 'opposite-foot-index'], against: 'forward', target: practice({ type: 'at-most', value: 45 }) };
    expect([30, 62].map((v) => stateOf(measure, () => open(v)))).toEqual(['on-target', 'gap']);
  });
});

describe('aimed one-hand delivery', () => {
  it('shoulder tilt 105 to 116: less is a fault, more is not', () => {
    const measure = { kind: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'], target: practice({ type: 'at-least', value: 105 }) };
    expect([110, 92, 124].map((v) => stateOf(measure, () => bent(ELBOW, v)))).toEqual(['on-target', 'gap', 'on-target']);
  });
  it('the head stays in its circle', () => {
    const swaying = (reach: number) => (f: number): Points => ({ nose: [500 + reach * Math.sin(f / 4), -200] });
    const measure = { kind: 'steadiness', point: 'nose', target: practice({ type: 'at-most', value: 3 }) };
    expect([stateOf(measure, swaying(12)), stateOf(measure, swaying(70))]).toEqual(['on-target', 'gap']);
  });
});

describe('drag shot', () => {
  it('carry of 2.5 heights against 1.5', () => {
    const carry = (heights: number) => (f: number): Points => ({ 'own-ball': [100 + (heights * 1000 * (f - 4)) / 32, 650] });
    const measure = { kind: 'path', point: 'own-ball', what: 'length', target: practice({ type: 'same-as-reference', tolerance: 20 }) };
    expect([stateOf(measure, carry(2.5), carry(2.5)), stateOf(measure, carry(1.5), carry(2.5))]).toEqual(['on-target', 'gap']);
  });
  it('hips turn 180; 90 is half the power', () => {
    const turn = (degrees: number) => (f: number): Points => {
      const a = radians((degrees * (f - 4)) / 32);
      return { 'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)], 'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)] };
    };
    const measure = { kind: 'turn', of: { q: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' }, target: practice({ type: 'about', value: 180, tolerance: 20 }) };
    expect([stateOf(measure, turn(180)), stateOf(measure, turn(90))]).toEqual(['on-target', 'gap']);
  });
});

describe('jump with turn', () => {
  const turned = (quarters: number) => (f: number): Points => {
    const a = radians((quarters * 90 * (f - 4)) / 32);
    return { 'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)], 'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)] };
  };
  it('under half a turn before leaving the ground is normal, three quarters is excessive', () => {
    const measure = { kind: 'turn', of: { q: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' }, target: practice({ type: 'at-most', value: 180 }) };
    expect([1, 3].map((quarters) => stateOf(measure, turned(quarters)))).toEqual(['on-target', 'gap']);
  });
});

describe('bar lifts', () => {
  it('the trunk angle is constant from the floor to the knee', () => {
    const held = (change: number) => (f: number): Points => leaning(['left-hip', 'left-shoulder'], 40 + (change * (f - 4)) / 32);
    const measure = { kind: 'range', of: { q: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' }, target: practice({ type: 'constant', within: 6 }) };
    expect([stateOf(measure, held(1)), stateOf(measure, held(20))]).toEqual(['on-target', 'gap']);
  });
  it('ankle, knee and hip all extend: in one line at the top', () => {
    const line = (off: number): Points => ({ 'right-shoulder': [300, 100], 'right-hip': [300 + off, 300], 'right-knee': [300, 500], 'right-ankle': [300, 700] });
    const measure = { kind: 'value', of: { q: 'alignment', points: ['dominant-shoulder', 'dominant-hip', 'dominant-knee', 'dominant-ankle'] }, target: practice({ type: 'at-most', value: 4 }) };
    expect([0, 90].map((off) => stateOf(measure, () => line(off)))).toEqual(['on-target', 'gap']);
  });
  it('the plumb line from the bar splits the base in half', () => {
    const bar = (share: number): Points => ({ 'own-bar': [480 + share * 80, 200], 'own-middle-foot': [520, 700] });
    const measure = { kind: 'value', of: { q: 'offset', points: ['own-bar', 'own-middle-foot'], axis: 'forward' }, target: practice({ type: 'about', value: 0, tolerance: 1 }) };
    expect([0.5, 0.95].map((share) => stateOf(measure, () => bar(share)))).toEqual(['on-target', 'gap']);
  });
});

test('an overhead serve: the leg drive comes before the implement drops', () => {
  const serve = (legs: number, drop: number) => (f: number): Points => ({ ...bent(KNEE, 120 + 50 / (1 + Math.exp(-(f - legs) / 2))), 'own-tip': [400, 200 + 100 / (1 + Math.exp(-(f - drop) / 2))] });
  const measure = { kind: 'lag', event: 'peak-rate', first: { q: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] }, second: { q: 'height', point: 'own-tip' }, target: practice({ type: 'at-least', value: 0 }) };
  expect([stateOf(measure, serve(12, 28)), stateOf(measure, serve(28, 12))]).toEqual(['on-target', 'gap']);
});

test('what only an eye can tell: yes is on target, no and partly are not, not visible is not judged', () => {
  const measure = make({ kind: 'checkpoint', question: 'Do the heels stay down?', target: practice({ type: 'yes' }) });
  const stated = (answer: 'yes' | 'partly' | 'no' | 'not-visible'): State => {
    const performance = { ...stickPerformance(() => BODY, marks), checks: { case: answer } };
    return judge(compareMeasure(measure, [[performance]], [[performance]]), undefined).state;
  };
  expect((['yes', 'partly', 'no', 'not-visible'] as const).map(stated)).toEqual(['on-target', 'gap', 'gap', 'not-measurable']);
  const silent = stickPerformance(() => BODY, marks);
  expect(compareMeasure(measure, [[silent]], [[silent]]).athlete).toMatchObject({ measurable: false, reason: 'not-answered', message: 'Do the heels stay down?' });
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
  const turn = (degrees: number) => (f: number): Points => {
    const a = radians((degrees * (f - 4)) / 32);
    return { 'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)], 'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)] };
  };
  const technique = (about: number): object => ({ kind: 'turn', of: { q: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' }, target: practice({ type: 'about', value: about, tolerance: 25 }) });
  expect([stateOf(technique(90), turn(95)), stateOf(technique(180), turn(95)), stateOf(technique(180), turn(175))]).toEqual(['on-target', 'gap', 'on-target']);
});
