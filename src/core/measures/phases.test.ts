import type { Measure } from '../model/measure';
import type { Measured } from '../reading';
import { evaluateMeasure, refsOfMeasure } from './index';
import { orderOf } from './order';
import { make, value, METRES, on, ball, during } from '../../../tests/fixtures/catalogue';

describe('kinds over a phase', () => {
  const height = { type: 'height', point: 'own-ball' } as const;

  it('extreme and range: a ball thrown up, its highest point between two frames and when', () => {
    // Highest at frame 17.4: 400 pixels above the ground.
    const thrown = on(ball((f) => [300 + 5 * f, 300 + 0.5 * (f - 17.4) ** 2]));
    const top = make({ kind: 'extreme', of: height, ...during, which: 'largest' });
    expect(value(evaluateMeasure(top, thrown))).toBeCloseTo(40, 1);
    expect(value(evaluateMeasure({ ...top, output: 'time' } as Measure, thrown))).toBeCloseTo(124, 0);
    // Lowest at the end of the phase: 0.5 * 17.6 squared below the top.
    expect(value(evaluateMeasure(make({ kind: 'range', of: height, ...during }), thrown))).toBeCloseTo(15.49, 1);
  });

  describe('between moments that lie between two frames', () => {
    const rising = on(ball((f) => [300, 700 - 10 * f]));
    const at = (start: number, end: number) => ({ ...rising, marks: { ...rising.marks, start, end } });
    const of = (start: number, end: number, measure: object): number =>
      value(evaluateMeasure(make({ ...during, ...measure }), at(start, end)));

    it.each([
      ['the highest', { kind: 'extreme', of: height, which: 'largest' }, 25.6],
      ['the lowest', { kind: 'extreme', of: height, which: 'smallest' }, 10.4],
      ['the range', { kind: 'range', of: height }, 15.2],
      ['the way', { kind: 'path', point: 'own-ball', what: 'length' }, 15.2],
      ['the circle', { kind: 'dispersion', point: 'own-ball' }, 7.6],
    ])('%s is that of the whole phase, not of the frames inside it', (_, measure, expected) => {
      expect(of(10.4, 25.6, measure)).toBeCloseTo(expected, 1);
    });

    it('what is highest just before the phase is no part of it', () => {
      const thrown = on(ball((f) => [300, 300 + 5 * (f - 10) ** 2]));
      const marked = { ...thrown, marks: { ...thrown.marks, start: 10.6, end: 25 } };
      // 0.18 below the top; at the next frame it is 0.5 below.
      const top = value(evaluateMeasure(make({ kind: 'extreme', of: height, ...during, which: 'largest' }), marked));
      expect(top).toBeGreaterThan(39.65);
      expect(top).toBeLessThan(39.85);
    });
  });

  it('value at a share of the way between two moments', () => {
    const measure = make({ kind: 'value', of: height, at: 'start', towards: { moment: 'end', share: 0.25 } });
    expect(value(evaluateMeasure(measure, on(ball((f) => [300, 700 - 10 * f]))))).toBeCloseTo(12.5, 4);
  });

  it('speed: along an axis, straight, in heights and in metres a second, and as seen from another point', () => {
    // 3 and 4 pixels a frame at 100 frames a second: 300, 400 and 500 pixels a second.
    const flying = on(
      ball((f) => [100 + 3 * f, 600 - 4 * f]),
      METRES,
    );
    const speed = (more: object): number =>
      value(evaluateMeasure(make({ kind: 'speed', point: 'own-ball', ...during, ...more }), flying));
    expect(speed({ along: 'forward' })).toBeCloseTo(0.3, 3);
    expect(speed({ along: 'up' })).toBeCloseTo(0.4, 3);
    expect(speed({ along: 'straight', lengthIn: 'm' })).toBeCloseTo(1, 2);
    expect(speed({ along: 'straight', relativeTo: 'opposite-hip' })).toBeCloseTo(0.5, 2);
  });

  describe('on a craft that rolls along, pitches and turns', () => {
    // The craft's middle runs 4 pixels a frame and rises; its line pitches by up to 30 degrees; the hand goes back
    // along it, 2 pixels a frame.
    const tilt = (f: number): number => 0.5 * Math.sin(f / 9);
    const place = (f: number, ahead: number, above: number): [number, number] => {
      const [c, s] = [Math.cos(tilt(f)), Math.sin(tilt(f))];
      return [200 + 4 * f + ahead * c - above * s, 500 - 3 * Math.sin(f / 20) - (ahead * s + above * c)];
    };
    const hand = (f: number): [number, number] => [150 - 2 * f, 60];
    const craft = on(
      (f) => ({ 'left-elbow': place(f, -100, 0), 'left-wrist': place(f, 100, 0), 'own-ball': place(f, ...hand(f)) }),
      METRES,
    );
    const line = ['opposite-elbow', 'opposite-wrist'];
    const seen = { point: 'own-ball', relativeTo: 'opposite-elbow', line, ...during };

    it('speed is that along the craft, whatever the craft does', () => {
      // 2 pixels a frame at 100 frames a second against 1000 pixels of height.
      expect(value(evaluateMeasure(make({ kind: 'speed', along: 'up', ...seen }), craft))).toBeCloseTo(0, 2);
      expect(value(evaluateMeasure(make({ kind: 'speed', along: 'straight', ...seen }), craft))).toBeCloseTo(0.2, 2);
      expect(
        value(evaluateMeasure(make({ kind: 'speed', along: 'straight', ...seen, line: null }), craft)),
      ).toBeGreaterThan(0.25);
    });

    it('the way is straight along the craft, and is not in the picture', () => {
      const straight = make({ kind: 'path', what: 'straightness', ...seen });
      expect(value(evaluateMeasure(straight, craft))).toBeCloseTo(100, 1);
      expect(value(evaluateMeasure({ ...straight, line: null } as Measure, craft))).toBeLessThan(95);
    });

    it('without a point it is seen from where the line begins', () => {
      const speed = (more: object): number =>
        value(evaluateMeasure(make({ kind: 'speed', along: 'straight', ...seen, ...more }), craft));
      expect(speed({ relativeTo: null })).toBeCloseTo(speed({}), 9);
    });

    it('an offset on its axes: 60 pixels above the line at every frame', () => {
      for (const at of ['start', 'mid', 'end'])
        expect(
          value(
            evaluateMeasure(
              make({
                kind: 'value',
                of: { type: 'offset', points: ['own-ball', 'opposite-elbow'], axis: 'up', line },
                at,
              }),
              craft,
            ),
          ),
        ).toBeCloseTo(6, 1);
    });

    it('a line of no length, and one that is not placed, say so', () => {
      const still = make({ kind: 'speed', along: 'straight', ...seen, line: ['opposite-elbow', 'opposite-elbow'] });
      expect(evaluateMeasure(still, craft)).toMatchObject({ measurable: false, reason: 'point-missing' });
      expect(evaluateMeasure({ ...still, line: ['opposite-elbow', 'own-mast'] } as Measure, craft)).toMatchObject({
        measurable: false,
        reason: 'point-missing',
      });
      expect(refsOfMeasure(make({ kind: 'speed', along: 'straight', ...seen }))).toEqual([
        'own-ball',
        'opposite-elbow',
        'opposite-wrist',
      ]);
    });
  });

  it('peak rate: a rod that turns at 300 degrees a second', () => {
    const rod = on((f) => ({
      'left-elbow': [300, 300],
      'left-wrist': [300 + 200 * Math.sin((3 * f * Math.PI) / 180), 300 - 200 * Math.cos((3 * f * Math.PI) / 180)],
    }));
    const measure = make({
      kind: 'peak-rate',
      of: { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' },
      ...during,
      direction: 'rising',
    });
    expect(value(evaluateMeasure(measure, rod))).toBeCloseTo(300, 0);
  });

  it('turn: whole turns are counted', () => {
    const wheel = on((f) => ({
      'left-elbow': [300, 300],
      'left-wrist': [300 + 100 * Math.sin((15 * f * Math.PI) / 180), 300 - 100 * Math.cos((15 * f * Math.PI) / 180)],
    }));
    const measure = make({
      kind: 'rotation',
      of: { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' },
      ...during,
    });
    // 30 frames of 15 degrees.
    expect(value(evaluateMeasure(measure, wheel))).toBeCloseTo(450, 0);
  });

  it('path: arc, straightness and bulge of a half circle', () => {
    const radius = 150;
    const arc = on(
      ball((f) => [
        400 - radius * Math.cos(((f - 5) / 30) * Math.PI),
        300 - radius * Math.sin(((f - 5) / 30) * Math.PI),
      ]),
    );
    const path = (what: string): number =>
      value(evaluateMeasure(make({ kind: 'path', point: 'own-ball', what, ...during }), arc));
    expect(path('length')).toBeCloseTo((Math.PI * radius) / 10, 0);
    expect(path('straightness')).toBeCloseTo(200 / Math.PI, 0);
    expect(path('sideways')).toBeCloseTo(15, 0);
  });

  it('steadiness: the circle round a swaying head', () => {
    const swaying = on((f) => ({ nose: [500 + 20 * Math.sin((f * Math.PI) / 15), 100] }));
    expect(value(evaluateMeasure(make({ kind: 'dispersion', point: 'nose', ...during }), swaying))).toBeCloseTo(2, 1);
  });

  it('stop: the longest rest of a foot', () => {
    const foot = on(ball((f) => [f < 12 ? 10 * f : f < 24 ? 120 : 120 + 10 * (f - 24), 600]));
    const rest = value(evaluateMeasure(make({ kind: 'dwell', point: 'own-ball', slower: 0.3, ...during }), foot));
    expect(Math.abs(rest - 120)).toBeLessThanOrEqual(40);
  });

  it('evenness: the other side is found by itself', () => {
    const arms = on(() => ({
      'left-elbow': [300, 400],
      'left-wrist': [300, 600],
      'left-shoulder': [300, 200],
      'right-shoulder': [600, 200],
      'right-elbow': [600, 400],
      'right-wrist': [800, 400],
    }));
    const of = { type: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] };
    expect(value(evaluateMeasure(make({ kind: 'symmetry', of, at: 'mid' }), arms))).toBeCloseTo(-90, 6);
  });

  it('lag: which of two comes first, and by how much', () => {
    const bump = (f: number, at: number): number => 300 - 80 * Math.exp(-(((f - at) / 4) ** 2));
    const two = on((f) => ({ 'left-wrist': [300, bump(f, 15)], 'own-ball': [400, bump(f, 21)] }));
    const measure = make({
      kind: 'lag',
      first: { type: 'height', point: 'opposite-wrist' },
      second: height,
      event: 'largest',
      ...during,
    });
    expect(value(evaluateMeasure(measure, two))).toBeCloseTo(60, 0);
  });

  it('facing is the same for a left-hander who does the mirror image, and for one who goes to the left', () => {
    const of = { type: 'facing', points: ['opposite-shoulder', 'dominant-shoulder'] };
    const measure = make({ kind: 'value', plane: 'transverse', of, at: 'mid' });
    const above = { view: { kind: 'overhead', offPlaneDegrees: 0 } } as const;
    // Chest 30 degrees away from the dominant side, whichever that is.
    const [dx, dy] = [100 * Math.sin(Math.PI / 6), 100 * Math.cos(Math.PI / 6)];
    const right = on(() => ({ 'left-shoulder': [500 - dx, 400 - dy], 'right-shoulder': [500 + dx, 400 + dy] }), above);
    const left = on(() => ({ 'right-shoulder': [500 - dx, 400 + dy], 'left-shoulder': [500 + dx, 400 - dy] }), {
      ...above,
      performer: { ...right.clip.performer, dominantSide: 'left' },
    });
    const back = on(() => ({ 'left-shoulder': [500 + dx, 400 + dy], 'right-shoulder': [500 - dx, 400 - dy] }), {
      ...above,
      travel: 'left',
    });
    for (const trial of [right, left, back]) expect(value(evaluateMeasure(measure, trial))).toBeCloseTo(30, 9);
  });

  it('order: the smallest lag from one peak to the next, in their stated order', () => {
    const bump = (f: number, at: number): number => 300 - 80 * Math.exp(-(((f - at) / 4) ** 2));
    const three = on((f) => ({
      'left-wrist': [300, bump(f, 12)],
      'own-ball': [400, bump(f, 20)],
      'right-wrist': [500, bump(f, 25)],
    }));
    const step = (name: string, point: string) => ({ name, of: { type: 'height', point }, event: 'largest' });
    const steps = [step('first', 'opposite-wrist'), step('second', 'own-ball'), step('third', 'dominant-wrist')];
    const measure = make({ kind: 'order', steps, ...during });
    expect(value(evaluateMeasure(measure, three))).toBeCloseTo(50, 0);
    expect(value(evaluateMeasure(make({ kind: 'order', steps: [...steps].reverse(), ...during }), three))).toBeCloseTo(
      -80,
      0,
    );
    expect(orderOf(measure as never, three)!.map(({ name, after }) => [name, Math.round(100 * after)])).toEqual([
      ['first', 0],
      ['second', 8],
      ['third', 13],
    ]);
    // Each is as sure as its lag behind the first, in which the phase's beginning falls out; the first is where it is.
    const [first, second] = orderOf(measure as never, three)!;
    expect(first!.sd).toBe(0);
    const lag = make({ kind: 'lag', first: steps[0]!.of, second: steps[1]!.of, event: 'largest', ...during });
    expect(second!.sd).toBeCloseTo((evaluateMeasure(lag, three) as Measured).sd, 9);
    const reversed = orderOf(make({ kind: 'order', steps: [...steps].reverse(), ...during }) as never, three)!;
    expect(reversed.map(({ name, early }) => [name, early])).toEqual([
      ['first', true],
      ['second', true],
      ['third', false],
    ]);
  });

  it('count: how often a level is passed, and which way', () => {
    const waves = on(ball((f) => [300, 400 + 100 * Math.cos((f * Math.PI) / 5)]));
    const occurrence = { type: 'crossing', of: height, level: 30, direction: 'rising' };
    expect(value(evaluateMeasure(make({ kind: 'count', occurrence, ...during }), waves))).toBe(3);
    expect(
      value(evaluateMeasure(make({ kind: 'count', occurrence: { ...occurrence, level: 60 }, ...during }), waves)),
    ).toBe(0);
  });

  it('split: seconds from the start to a gate', () => {
    const measure = make({ kind: 'split', ...during });
    expect(
      evaluateMeasure(
        measure,
        on(() => ({})),
      ),
    ).toMatchObject({ value: expect.closeTo(0.3, 9), unit: 's', sd: expect.closeTo(0.01 / Math.sqrt(6), 9) });
  });

  it('says why: moments out of order, a phase half unseen', () => {
    const top = make({ kind: 'extreme', of: height, from: 'end', to: 'start', which: 'largest' });
    expect(evaluateMeasure(top, on(ball(() => [300, 300])))).toMatchObject({ measurable: false, reason: 'order' });
    const hidden = on((f) => (f < 20 ? { 'own-ball': [300, 300] } : {}));
    const seen = evaluateMeasure(make({ kind: 'extreme', of: height, ...during, which: 'largest' }), hidden);
    expect(seen).toMatchObject({ measurable: false, reason: 'point-missing' });
    expect(!seen.measurable && seen.message).toMatch(/is known on \d+ % of the phase/);
  });
});

test('a measure names the points it needs', () => {
  expect(
    refsOfMeasure(make({ kind: 'speed', point: 'own-ball', relativeTo: 'mid-hip', along: 'straight', ...during })),
  ).toEqual(['own-ball', 'mid-hip']);
  expect(refsOfMeasure(make({ kind: 'value', of: { type: 'height', point: 'centre-of-mass' }, at: 'mid' }))).toEqual([
    'centre-of-mass',
  ]);
});
