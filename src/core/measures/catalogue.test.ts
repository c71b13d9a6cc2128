import { readMeasure } from '../../../tests/fixtures/measure';
import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Measure } from '../model/measure';
import type { PointId } from '../anatomy/body-points';
import type { Reading } from '../reading';
import { fromSi } from '../units';
import { QUANTITIES } from '../quantities';
import { evaluateMeasure, refsOfMeasure } from './index';
import { orderOf } from './order';

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks' } as const;
const make = (measure: object): Measure => readMeasure({ id: 'x', ...common, ...measure });
const value = (reading: Reading): number => {
  if (!reading.measurable) throw new Error(reading.message);
  return fromSi(reading.value, reading.unit);
};

type Points = Readonly<Partial<Record<PointId, readonly [number, number]>>>;

/** Standing height 1000 pixels by the chain of trunk, thigh and shank; feet on y = 700, which is the ground. */
const BODY: Points = {
  'left-shoulder': [500, 700 - 779],
  'left-hip': [500, 700 - 491],
  'left-knee': [500, 700 - 246],
  'left-ankle': [500, 700],
  'left-heel': [480, 700],
  'right-heel': [480, 700],
  'left-foot-index': [560, 700],
  'right-foot-index': [560, 700],
};
const marks = { start: 5, mid: 20, end: 35 };
const METRES = { scale: { pixels: 500, metres: 1 } };
const on = (points: (frame: number) => Points, change = {}) =>
  stickTrial((frame) => ({ ...BODY, ...points(frame) }), marks, change);
/** 100 frames a second; a ball that goes its own way. */
const ball =
  (at: (frame: number) => readonly [number, number]) =>
  (frame: number): Points => ({ 'own-ball': at(frame) });
const during = { from: 'start', to: 'end' };

describe('every quantity against a case that can be computed by hand', () => {
  const cases: Readonly<Record<keyof typeof QUANTITIES, readonly [object, Points, number, string]>> = {
    'joint-angle': [
      { type: 'joint-angle', points: ['opposite-elbow', 'own-ball', 'opposite-wrist'] },
      { 'left-elbow': [300, 300], 'own-ball': [300, 400], 'left-wrist': [400, 400] },
      90,
      'deg',
    ],
    'segment-angle': [
      { type: 'segment-angle', points: ['opposite-elbow', 'opposite-wrist'], against: 'up' },
      { 'left-elbow': [300, 400], 'left-wrist': [400, 300] },
      45,
      'deg',
    ],
    'line-separation': [
      { type: 'line-separation', points: ['opposite-elbow', 'opposite-wrist'], from: ['opposite-elbow', 'own-ball'] },
      { 'left-elbow': [300, 400], 'left-wrist': [400, 300], 'own-ball': [400, 400] },
      45,
      'deg',
    ],
    // Seen from above, a right-hander goes to the right; the right shoulder is down and to the right of the left one:
    // turned to the left.
    facing: [
      { type: 'facing', points: ['opposite-elbow', 'opposite-wrist'] },
      { 'left-elbow': [300, 300], 'left-wrist': [400, 400] },
      45,
      'deg',
    ],
    distance: [
      { type: 'distance', points: ['opposite-elbow', 'opposite-wrist'] },
      { 'left-elbow': [300, 400], 'left-wrist': [600, 800] },
      50,
      '%BH',
    ],
    // A ground seen square from above, 100 pixels a metre.
    'ground-distance': [
      { type: 'ground-distance', points: ['opposite-elbow', 'opposite-wrist'] },
      { 'left-elbow': [300, 400], 'left-wrist': [600, 800] },
      5,
      'm',
    ],
    offset: [
      { type: 'offset', points: ['opposite-wrist', 'opposite-elbow'], axis: 'up' },
      { 'left-elbow': [300, 400], 'left-wrist': [350, 150] },
      25,
      '%BH',
    ],
    height: [{ type: 'height', point: 'opposite-wrist' }, { 'left-wrist': [350, 150] }, 55, '%BH'],
    box: [
      { type: 'box', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'], side: 'width' },
      { 'left-elbow': [300, 400], 'left-wrist': [350, 150], 'own-ball': [420, 0] },
      12,
      '%BH',
    ],
    // Three points, the middle one 30 beside the line over the outer ones of length 200: 20 from the best line, which
    // lies 10 higher.
    alignment: [
      { type: 'alignment', points: ['opposite-elbow', 'opposite-wrist', 'own-ball'] },
      { 'left-elbow': [300, 400], 'left-wrist': [400, 370], 'own-ball': [500, 400] },
      10,
      '%',
    ],
    'relative-inertia': [
      { type: 'relative-inertia', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' },
      {},
      100,
      '%',
    ],
  };
  it.each(Object.entries(cases))('%s', (q, [of, points, expected, unit]) => {
    const reading = evaluateMeasure(
      make({ kind: 'value', of, at: 'mid' }),
      on(() => points, {
        ground: {
          corners: [
            { x: 0, y: 0 },
            { x: 1000, y: 0 },
            { x: 1000, y: 800 },
            { x: 0, y: 800 },
          ],
          length: 10,
          width: 8,
        },
      }),
    );
    expect(value(reading)).toBeCloseTo(expected, 6);
    expect(reading.measurable && reading.unit).toBe(unit);
    expect(QUANTITIES[q as keyof typeof QUANTITIES].convention.length).toBeGreaterThan(15);
  });

  it('a folded leg swings easier: a shank at right angles leaves about two thirds, whatever its size', () => {
    const of = { type: 'relative-inertia', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], limb: 'leg' };
    const bent = value(
      evaluateMeasure(
        make({ kind: 'value', of, at: 'mid' }),
        on(() => ({ 'left-ankle': [500 - 246, 454] })),
      ),
    );
    expect(bent).toBeGreaterThan(60);
    expect(bent).toBeLessThan(75);
  });

  it('a leg whose sides look left has the same numbers as one that looks right', () => {
    const of = { type: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const mirrored = Object.fromEntries(
      (Object.entries(BODY) as [PointId, readonly [number, number]][]).map(([id, [x, y]]) => [id, [1000 - x, y]]),
    ) as Points;
    expect(
      value(
        evaluateMeasure(
          make({ kind: 'value', of, at: 'mid' }),
          on(() => ({})),
        ),
      ),
    ).toBeCloseTo(8, 9);
    expect(
      value(
        evaluateMeasure(
          make({ kind: 'value', of, at: 'mid' }),
          on(() => mirrored, { travel: 'left' }),
        ),
      ),
    ).toBeCloseTo(8, 9);
  });

  it('lengths in metres want a known length; in heights the body', () => {
    const of = { type: 'distance', points: ['opposite-heel', 'opposite-foot-index'] };
    const metres = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    expect(
      evaluateMeasure(
        metres,
        on(() => ({})),
      ),
    ).toMatchObject({ measurable: false, reason: 'no-scale', remedy: 'Draw a known length at Match.' });
    expect(
      value(
        evaluateMeasure(
          metres,
          on(() => ({}), METRES),
        ),
      ),
    ).toBeCloseTo(0.16, 9);
    const noBody = stickTrial(() => ({ 'left-heel': [480, 700], 'left-foot-index': [560, 700] }), marks);
    expect(evaluateMeasure(make({ kind: 'value', of, at: 'mid' }), noBody)).toMatchObject({
      measurable: false,
      reason: 'no-scale',
    });
  });

  it('distances on the ground want a rectangle there, and do not care which way the performer goes or how the picture is levelled', () => {
    const measure = make({
      kind: 'value',
      of: { type: 'ground-distance', points: ['opposite-heel', 'opposite-foot-index'] },
      at: 'mid',
    });
    expect(
      evaluateMeasure(
        measure,
        on(() => ({})),
      ),
    ).toMatchObject({ measurable: false, reason: 'no-scale', remedy: expect.stringContaining('Match') });
    // A lane that narrows with distance.
    const ground = {
      corners: [
        { x: 100, y: 780 },
        { x: 300, y: 500 },
        { x: 700, y: 500 },
        { x: 900, y: 780 },
      ],
      length: 6,
      width: 1.2,
    };
    const values = [{}, { travel: 'left' }, { levelDegrees: 4 }].map((more) =>
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ground, ...more }),
        ),
      ),
    );
    for (const v of values) expect(v).toBeCloseTo(values[0]!, 9);
  });

  it('an oblique camera: a length along the way is stretched back by the cosine', () => {
    const of = { type: 'offset', points: ['opposite-foot-index', 'opposite-heel'], axis: 'forward' };
    const measure = make({ kind: 'value', of, at: 'mid', lengthIn: 'm' });
    const upright = { scale: { ...METRES.scale, alongDegrees: 90 } };
    const oblique = { view: { kind: 'side', offPlaneDegrees: 25 } } as const;
    const straight = value(
      evaluateMeasure(
        measure,
        on(() => ({}), upright),
      ),
    );
    expect(
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ...upright, ...oblique }),
        ),
      ),
    ).toBeCloseTo(straight / Math.cos((25 * Math.PI) / 180), 9);
    // A known length that lies along the way is shortened like everything else along it: what is measured there is
    // right as it is, and what is upright shrinks.
    const level = { scale: { ...METRES.scale, alongDegrees: 0 } };
    expect(
      value(
        evaluateMeasure(
          measure,
          on(() => ({}), { ...level, ...oblique }),
        ),
      ),
    ).toBeCloseTo(straight, 9);
    const up = make({
      kind: 'value',
      of: { type: 'offset', points: ['opposite-hip', 'opposite-knee'], axis: 'up' },
      at: 'mid',
      lengthIn: 'm',
    });
    expect(
      value(
        evaluateMeasure(
          up,
          on(() => ({}), { ...level, ...oblique }),
        ),
      ),
    ).toBeCloseTo(0.49 * Math.cos((25 * Math.PI) / 180), 9);
    expect(
      value(
        evaluateMeasure(
          up,
          on(() => ({}), { ...upright, ...oblique }),
        ),
      ),
    ).toBeCloseTo(0.49, 9);
  });
});

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
