import { radians, stateOf, practice, bent, leaning, KNEE, ELBOW, kneeAngle } from '../fixtures/common-practice';
import { type Points } from '../fixtures/stick-trial';

/**
 * Rules of thumb and tolerances of the trade (common practice; no source): each is written as a measure of the quantity
 * that is meant, a made-up athlete and reference stand on either side of the rule, and must be judged as practitioners
 * judge it. Values one-sided, in a range, held constant, in line, in order and about a number all occur.
 */

describe('seated pull stroke', () => {
  it('the trunk is held within about ten degrees over the first half of the drive, or opens at once', () => {
    const held =
      (opened: number) =>
      (f: number): Points =>
        leaning(['left-hip', 'left-shoulder'], -30 + (opened * (f - 4)) / 32);
    const measure = {
      kind: 'range',
      of: { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' },
      target: practice({ type: 'constant', within: 10 }),
    };
    expect([stateOf(measure, held(6)), stateOf(measure, held(24))]).toEqual(['on-target', 'gap']);
  });
  it('legs, then trunk, then arms: in order; any two the wrong way round are a fault', () => {
    const opened = (f: number, at: number): number => 60 / (1 + Math.exp(-(f - at) / 2));
    const pull =
      (legs: number, trunk: number, arms: number) =>
      (f: number): Points => ({
        ...bent(KNEE, 60 + opened(f, legs)),
        ...leaning(['left-hip', 'left-shoulder'], -30 + opened(f, trunk)),
        ...bent(ELBOW, 150 - opened(f, arms)),
      });
    const step = (name: string, of: object) => ({ name, of, event: 'peak-rate' });
    const measure = {
      kind: 'order',
      target: practice({ type: 'in-order' }),
      steps: [
        step('legs', { type: 'joint-angle', points: ['dominant-hip', 'dominant-knee', 'dominant-ankle'] }),
        step('trunk', { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'up' }),
        step('arms', { type: 'joint-angle', points: ['dominant-shoulder', 'dominant-elbow', 'dominant-wrist'] }),
      ],
    };
    expect(
      [pull(10, 19, 28), pull(19, 10, 28), pull(10, 28, 19), pull(28, 19, 10)].map((points) =>
        stateOf(measure, points),
      ),
    ).toEqual(['on-target', 'gap', 'gap', 'gap']);
  });
  it('lay-back about 125 to 130', () => {
    // The trunk's direction from the hip, counted from forward: beyond 90 it leans back.
    const measure = {
      kind: 'value',
      of: { type: 'segment-angle', points: ['opposite-hip', 'opposite-shoulder'], against: 'forward' },
      target: practice({ type: 'between', low: 122, high: 133 }),
    };
    expect([127, 110, 146].map((v) => stateOf(measure, () => leaning(['left-hip', 'left-shoulder'], 90 - v)))).toEqual([
      'on-target',
      'gap',
      'gap',
    ]);
  });
});

describe('two-handed strike', () => {
  it('shoulder line against hip line at foot down: 30 to 38', () => {
    const turned = (degrees: number): Points => ({
      'left-hip': [400, 500],
      'right-hip': [600, 500],
      'left-shoulder': [400, 300],
      'right-shoulder': [400 + 200 * Math.cos(radians(degrees)), 300 - 200 * Math.sin(radians(degrees))],
    });
    const measure = {
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['opposite-shoulder', 'dominant-shoulder'],
        from: ['opposite-hip', 'dominant-hip'],
      },
      target: practice({ type: 'between', low: 28, high: 40 }),
    };
    expect([35, 21, 52].map((v) => stateOf(measure, () => turned(v)))).toEqual(['on-target', 'gap', 'gap']);
  });
  it('forearms apart: over 100, and more is none the worse', () => {
    const measure = {
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['dominant-elbow', 'dominant-wrist'],
        from: ['opposite-elbow', 'opposite-wrist'],
      },
      target: practice({ type: 'at-least', value: 100 }),
    };
    const apart = (degrees: number): Points => ({
      'left-elbow': [300, 400],
      'left-wrist': [480, 400],
      'right-elbow': [700, 400],
      'right-wrist': [700 + 180 * Math.cos(radians(degrees)), 400 - 180 * Math.sin(radians(degrees))],
    });
    expect([118, 70, 145].map((v) => stateOf(measure, () => apart(v)))).toEqual(['on-target', 'gap', 'on-target']);
  });
  it('the implement is upright at landing, about 90; a little short is borderline', () => {
    const measure = {
      kind: 'value',
      of: { type: 'segment-angle', points: ['own-grip', 'own-tip'], against: 'forward' },
      margin: 6,
      target: practice({ type: 'about', value: 90, tolerance: 5 }),
    };
    const upright = (degrees: number): Points => ({
      'own-grip': [500, 400],
      'own-tip': [500 + 350 * Math.cos(radians(degrees)), 400 - 350 * Math.sin(radians(degrees))],
    });
    expect([91, 81, 70].map((v) => stateOf(measure, () => upright(v)))).toEqual(['on-target', 'borderline', 'gap']);
  });
  it('the front foot is at most 45 degrees open', () => {
    const open = (degrees: number): Points => ({
      'left-heel': [300, 600],
      'left-foot-index': [300 + 300 * Math.cos(radians(degrees)), 600 - 300 * Math.sin(radians(degrees))],
    });
    const measure = {
      kind: 'segment-angle',
      points: ['opposite-heel', 'opposite-foot-index'],
      against: 'forward',
      target: practice({ type: 'at-most', value: 45 }),
    };
    expect([28, 58].map((v) => stateOf(measure, () => open(v)))).toEqual(['on-target', 'gap']);
  });
});

describe('aimed one-hand delivery', () => {
  it('shoulder tilt at least about 105: less is a fault, more is not', () => {
    // The line of the shoulders against the upward vertical: level is 90.
    const measure = {
      kind: 'segment-angle',
      points: ['dominant-shoulder', 'opposite-shoulder'],
      against: 'up',
      target: practice({ type: 'at-least', value: 105 }),
    };
    expect([112, 94, 128].map((v) => stateOf(measure, () => leaning(['right-shoulder', 'left-shoulder'], v)))).toEqual([
      'on-target',
      'gap',
      'on-target',
    ]);
  });
  it('feet parallel to the line of the target', () => {
    const feet = (degrees: number): Points => ({
      'right-heel': [300, 600],
      'right-foot-index': [300 + 200 * Math.cos(radians(degrees)), 600 - 200 * Math.sin(radians(degrees))],
      'own-line': [100, 650],
      'own-target': [900, 650],
    });
    const measure = {
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['dominant-heel', 'dominant-foot-index'],
        from: ['own-line', 'own-target'],
      },
      target: practice({ type: 'about', value: 0, tolerance: 6 }),
    };
    expect([2, 24].map((v) => stateOf(measure, () => feet(v)))).toEqual(['on-target', 'gap']);
  });
  it('the head stays in its circle', () => {
    const swaying =
      (reach: number) =>
      (f: number): Points => ({ nose: [500 + reach * Math.sin(f / 4), -200] });
    const measure = { kind: 'dispersion', point: 'nose', target: practice({ type: 'at-most', value: 3 }) };
    expect([stateOf(measure, swaying(10)), stateOf(measure, swaying(80))]).toEqual(['on-target', 'gap']);
  });
});

describe('drag shot', () => {
  it('a longer carry than the reference is better, a shorter one a fault', () => {
    const carry =
      (heights: number) =>
      (f: number): Points => ({ 'own-ball': [100 + (heights * 1000 * (f - 4)) / 32, 650] });
    const measure = {
      kind: 'path',
      point: 'own-ball',
      what: 'length',
      better: 'higher',
      target: practice({ type: 'same-as-reference', tolerance: 20 }),
    };
    expect([carry(2), carry(1.2), carry(2.8)].map((own) => stateOf(measure, own, carry(2)))).toEqual([
      'on-target',
      'gap',
      'on-target',
    ]);
  });
  it('the face is held at one angle, the implement 80 to 85 upright, the lead knee about 90', () => {
    const face =
      (change: number) =>
      (f: number): Points => ({
        'own-heel': [300, 500],
        'own-toe': [
          300 + 250 * Math.cos(radians(40 + (change * (f - 4)) / 32)),
          500 - 250 * Math.sin(radians(40 + (change * (f - 4)) / 32)),
        ],
      });
    const held = {
      kind: 'range',
      of: { type: 'segment-angle', points: ['own-heel', 'own-toe'], against: 'forward' },
      target: practice({ type: 'constant', within: 8 }),
    };
    expect([stateOf(held, face(2)), stateOf(held, face(25))]).toEqual(['on-target', 'gap']);
    const shaft = (degrees: number): Points => ({
      'own-grip': [500, 300],
      'own-head': [500 + 400 * Math.cos(radians(degrees)), 300 - 400 * Math.sin(radians(degrees))],
    });
    const upright = {
      kind: 'value',
      of: { type: 'segment-angle', points: ['own-grip', 'own-head'], against: 'forward' },
      target: practice({ type: 'between', low: 79, high: 86 }),
    };
    expect([82, 66].map((v) => stateOf(upright, () => shaft(v)))).toEqual(['on-target', 'gap']);
    const knee = { ...kneeAngle, target: practice({ type: 'about', value: 90, tolerance: 8 }) };
    expect([93, 121].map((v) => stateOf(knee, () => bent(KNEE, v)))).toEqual(['on-target', 'gap']);
  });
  it('hips and shoulders turn about 180', () => {
    const turn =
      (degrees: number) =>
      (f: number): Points => {
        const a = radians((degrees * (f - 4)) / 32);
        return {
          'right-hip': [500 + 100 * Math.cos(a), 300 - 100 * Math.sin(a)],
          'left-hip': [500 - 100 * Math.cos(a), 300 + 100 * Math.sin(a)],
        };
      };
    const measure = {
      kind: 'rotation',
      of: { type: 'segment-angle', points: ['dominant-hip', 'opposite-hip'], against: 'forward' },
      target: practice({ type: 'about', value: 180, tolerance: 20 }),
    };
    expect([stateOf(measure, turn(176)), stateOf(measure, turn(118))]).toEqual(['on-target', 'gap']);
  });
});
