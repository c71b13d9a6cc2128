import { dice } from '../../../tests/fixtures/random';
import { stickTrial, type Points } from '../../../tests/fixtures/stick-trial';
import type { Measure } from '../model/measure';
import type { Measured, Reading } from '../reading';
import { fromSi } from '../units';
import { differenceOf, evaluateMeasure } from './';
import { make, measured, value, sdOf, radians, rod, ROD, FACING, at, upTo } from '../../../tests/fixtures/conditions';

/**
 * Measures under conditions that are not those of a textbook: wraps, dropped frames, cameras beside the plane, points
 * on each other.
 */

describe('directions go round', () => {
  it('178 against -178 degrees is -4', () => {
    const measure = make({ kind: 'value', of: FACING, at: 'one', plane: 'any' });
    expect(fromSi(differenceOf(measure, radians(178), radians(-178)), 'deg')).toBeCloseTo(-4, 9);
    // A joint does not go round: 178 is almost straight and -178 is nothing.
    const joint = make({ kind: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], at: 'one' });
    expect(fromSi(differenceOf(joint, radians(170), radians(10)), 'deg')).toBeCloseTo(160, 9);
  });

  it('the largest of a direction that runs from 140 to 200 is 200', () => {
    const running = at((f) => rod(140 + 2 * f), upTo(41), { start: 0, end: 30 });
    const measure = make({ kind: 'extreme', of: ROD, from: 'start', to: 'end', which: 'largest' });
    expect(value(evaluateMeasure(measure, running))).toBeCloseTo(200, 6);
  });

  it('a turn between two frame positions counts its whole turns on the same curve', () => {
    const turning = at((f) => rod(9 * f), upTo(41), { start: 5.4, end: 25.6 });
    expect(value(evaluateMeasure(make({ kind: 'rotation', of: ROD, from: 'start', to: 'end' }), turning))).toBeCloseTo(
      181.8,
      6,
    );
    const longer = at((f) => rod(-19 * f), upTo(41), { start: 1.5, end: 38.5 });
    expect(value(evaluateMeasure(make({ kind: 'rotation', of: ROD, from: 'start', to: 'end' }), longer))).toBeCloseTo(
      -19 * 37,
      6,
    );
  });

  it('a passing is found in the turn in which it comes', () => {
    const turning = at((f) => rod(300 + 9 * f), upTo(41), { moment: 20 });
    const measure = make({
      kind: 'event-offset',
      of: ROD,
      crossing: 90,
      direction: 'rising',
      moment: 'moment',
      within: 250,
    });
    // 450 degrees, which is 90 once more, at frame 16.67.
    expect(value(evaluateMeasure(measure, turning))).toBeCloseTo(-33.3, 0);
  });
});

describe('a peak that is all noise', () => {
  const roll = dice(31);
  const shaky = (x: number, y: number): readonly [number, number] => [x + 12 * (roll() - 0.5), y + 12 * (roll() - 0.5)];
  const still = (): Points => ({ 'left-elbow': shaky(500, 400), 'left-wrist': shaky(560, 400) });
  const phase = { from: 'start', to: 'end' } as const;
  const METRES = { scale: { pixels: 100, metres: 1 } };
  const readings = (measure: Measure): Reading[] =>
    upTo(60).map(() => evaluateMeasure(measure, at(still, upTo(60), { start: 5, end: 55 }, METRES)));

  it('of a rate is not measurable, nor is its time', () => {
    const rate = make({ kind: 'peak-rate', of: ROD, direction: 'either', ...phase });
    const when = make({ kind: 'peak-rate', of: ROD, direction: 'either', output: 'time', ...phase });
    const [rates, times] = [readings(rate), readings(when)];
    expect(rates.filter((r) => !r.measurable && r.reason === 'too-uncertain').length).toBeGreaterThan(0);
    expect(times.filter((r) => !r.measurable && r.reason === 'too-uncertain').length).toBeGreaterThan(0);
  });

  it('of a speed is never below zero', () => {
    const speed = make({ kind: 'speed', point: 'opposite-wrist', along: 'straight', lengthIn: 'm', ...phase });
    const all = readings(speed);
    expect(all.filter((r) => r.measurable && r.value <= 0)).toEqual([]);
    expect(all.filter((r) => !r.measurable && r.reason === 'too-uncertain').length).toBeGreaterThan(0);
  });
});

describe('rates go by the frames\u2019 own times', () => {
  const without = (...gone: readonly number[]): readonly number[] => upTo(41).filter((f) => !gone.includes(f));
  const METRES = { scale: { pixels: 100, metres: 1 } };
  const speed = make({ kind: 'speed', point: 'own-ball', along: 'straight', lengthIn: 'm', from: 'start', to: 'end' });
  const ball = (f: number): Points => ({ 'own-ball': [100 + f, 300] });

  it.each([[[]], [[20]], [[20, 21]]])('a constant speed of 1 is 1 with frames %p dropped', (gone) => {
    expect(value(evaluateMeasure(speed, at(ball, without(...gone), { start: 5, end: 35 }, METRES)))).toBeCloseTo(1, 9);
  });

  it('and so is a rate of turning, and the time for which a point rests', () => {
    const frames = without(18, 25);
    const peak = make({ kind: 'peak-rate', of: ROD, from: 'start', to: 'end', direction: 'either' });
    expect(
      value(
        evaluateMeasure(
          peak,
          at((f) => rod(3.6 * f), frames, { start: 5, end: 35 }),
        ),
      ),
    ).toBeCloseTo(360, 6);
    const rest = make({ kind: 'dwell', point: 'own-ball', slower: 0.5, lengthIn: 'm', from: 'start', to: 'end' });
    // Goes, stands from frame 10 to 30, goes on.
    const stands = (f: number): Points => ({ 'own-ball': [100 + (f < 10 ? f : f > 30 ? f - 20 : 10) * 2, 300] });
    const time = value(evaluateMeasure(rest, at(stands, without(15, 16, 22), { start: 2, end: 36 }, METRES)));
    expect(Math.abs(time - 200)).toBeLessThanOrEqual(10);
  });
});

describe('knowing less never looks surer', () => {
  const leg = (bend: number): Points => ({
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin(radians(bend)), 300 + 200 * Math.cos(radians(bend))],
  });
  const knee = make({
    kind: 'joint-angle',
    points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
    at: 'one',
    plane: 'any',
  });

  it('a straight joint is no surer than one that is nearly straight', () => {
    const [straight, nearly] = [0, 2].map((bend) =>
      sdOf(
        evaluateMeasure(
          knee,
          at(() => leg(bend), upTo(41), { one: 20 }),
        ),
      ),
    );
    expect(straight).toBeGreaterThan(0.6);
    expect(straight).toBeLessThan(1.2 * nearly!);
  });

  it('a single frame with points has a rate that nobody knows, which is not nought', () => {
    const one = stickTrial((f) => (f === 20 ? leg(30) : {}), { one: 20 });
    const many = stickTrial(() => leg(30), { one: 20 });
    expect(sdOf(evaluateMeasure(knee, one))).toBeGreaterThan(sdOf(evaluateMeasure(knee, many)));
    const clip = stickTrial(() => leg(30), { one: 0 }, { frameTimes: Float64Array.from([0]) });
    expect(sdOf(evaluateMeasure(knee, clip))).toBeGreaterThan(0.6);
  });

  it('points on each other, or all but, are refused', () => {
    const on = (apart: number): Reading =>
      evaluateMeasure(
        knee,
        at(() => ({ ...leg(30), 'left-knee': [500, 100 + apart] }), upTo(41), { one: 20 }),
      );
    expect(on(0)).toMatchObject({ measurable: false, reason: 'point-missing' });
    // Where the interval goes all round, no number is said of it.
    expect(on(0.5)).toMatchObject({ reason: 'too-uncertain', message: expect.stringContaining('(it may be any)') });
  });
});

describe('what errors share', () => {
  /** Standing height 1000 pixels. */
  const BODY: Points = {
    'left-shoulder': [500, -79],
    'left-hip': [500, 209],
    'left-knee': [500, 454],
    'left-ankle': [500, 700],
    'left-heel': [480, 700],
    'right-heel': [480, 700],
    'left-foot-index': [560, 700],
    'right-foot-index': [560, 700],
  };

  it('lines that share a joint count it once', () => {
    // The angle between two lines through one joint is a joint angle, and as sure.
    const arm: Points = { 'left-shoulder': [300, 200], 'left-elbow': [500, 300], 'left-wrist': [650, 150] };
    const between = make({
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['opposite-elbow', 'opposite-shoulder'],
        from: ['opposite-elbow', 'opposite-wrist'],
      },
      at: 'one',
      plane: 'any',
    });
    const joint = make({
      kind: 'joint-angle',
      points: ['opposite-shoulder', 'opposite-elbow', 'opposite-wrist'],
      at: 'one',
      plane: 'any',
    });
    const trial = at(() => arm, upTo(41), { one: 20 });
    expect(sdOf(evaluateMeasure(between, trial))).toBeCloseTo(sdOf(evaluateMeasure(joint, trial)), 9);
    expect(Math.abs(value(evaluateMeasure(between, trial)))).toBeCloseTo(value(evaluateMeasure(joint, trial)), 9);
  });

  it('the middle of the hips against one of them: half of each, not one and a half', () => {
    const hips: Points = { 'left-hip': [400, 400], 'right-hip': [600, 400] };
    const offset = make({
      kind: 'value',
      of: { type: 'offset', points: ['mid-hip', 'opposite-hip'], axis: 'up' },
      at: 'one',
      lengthIn: 'm',
      plane: 'any',
    });
    const trial = at(() => hips, upTo(41), { one: 20 }, { scale: { pixels: 1000, metres: 1 } });
    // (r - l) / 2 of two points placed by hand to 1.5 pixels each.
    expect(sdOf(evaluateMeasure(offset, trial)) * 1000).toBeCloseTo(1.5 / Math.SQRT2, 6);
  });

  it.each([
    ['low down', 600],
    ['overhead', -300],
  ])('a drop of a tenth of the height reads with about one per cent %s', (_, top) => {
    const drop = make({
      kind: 'range',
      of: { type: 'height', point: 'opposite-wrist' },
      from: 'start',
      to: 'end',
      plane: 'any',
    });
    const reading = evaluateMeasure(
      drop,
      at((f) => ({ ...BODY, 'left-wrist': [500, top + 50 - 50 * Math.cos((f / 40) * Math.PI)] }), upTo(41), {
        start: 0,
        end: 40,
      }),
    );
    expect(value(reading)).toBeCloseTo(10, 6);
    expect(1.96 * sdOf(reading)).toBeLessThan(1.2);
    expect(1.96 * sdOf(reading)).toBeGreaterThan(0.3);
  });

  it('a path is no longer for the noise on it: a point that stands still goes nowhere, one that goes keeps its length', () => {
    const roll = dice(7);
    const noise = (): number => (roll() - 0.5) * 7;
    const path = make({ kind: 'path', point: 'own-ball', what: 'length', from: 'start', to: 'end', plane: 'any' });
    const length = (ball: (f: number) => readonly [number, number]): Measured =>
      measured(
        evaluateMeasure(
          path,
          stickTrial((f) => ({ ...BODY, 'own-ball': ball(f) }), { start: 0, end: 40 }),
        ),
      );
    const still = length(() => [500 + noise(), 300 + noise()]);
    expect(still.value).toBeLessThan(0.02 + 1.96 * still.sd);
    const gone = length((f) => [100 + 20 * f + noise(), 300 + noise()]);
    expect(Math.abs(gone.value - 0.8)).toBeLessThan(1.96 * gone.sd);
  });
});
