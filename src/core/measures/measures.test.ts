import { readMeasure } from '../../../tests/fixtures/measure';
import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Measure } from '../model/measure';
import { drawMeasure, evaluateMeasure, seriesOfMeasure, kindOf, MEASURE_KINDS, needsSpace, unitOf } from './index';
import { fromSi } from '../units';
import type { Reading } from '../reading';

const common = { name: 'x', region: 'legs', plane: 'sagittal', importance: 0.5, cost: 'weeks', margin: 0 } as const;
const make = (measure: object): Measure => readMeasure({ id: 'x', ...common, ...measure });

const knee = { type: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] } as const;

/** One of each kind, all readable on the bent leg below. */
const EXAMPLES: readonly Measure[] = [
  make({ kind: 'joint-angle', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], at: 'mid' }),
  make({ kind: 'joint-change', points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'], from: 'start', to: 'mid' }),
  make({ kind: 'segment-angle', points: ['opposite-ankle', 'opposite-knee'], against: 'up', at: 'mid' }),
  make({ kind: 'duration', plane: 'any', from: 'start', to: 'mid' }),
  make({ kind: 'share', plane: 'any', from: 'start', to: 'mid', whole: ['start', 'end'] }),
  make({ kind: 'rate', plane: 'any', from: 'start', to: 'mid', count: 2 }),
  make({
    kind: 'lead',
    points: ['opposite-ankle', 'opposite-knee'],
    against: 'up',
    crossing: 10,
    direction: 'rising',
    moment: 'mid',
    within: 250,
  }),
  make({ kind: 'value', of: knee, at: 'mid' }),
  make({ kind: 'extreme', of: knee, from: 'start', to: 'end', which: 'smallest' }),
  make({ kind: 'range', of: knee, from: 'start', to: 'end' }),
  make({ kind: 'peak-rate', of: knee, from: 'start', to: 'end', direction: 'falling' }),
  make({
    kind: 'rotation',
    of: { type: 'segment-angle', points: ['opposite-knee', 'opposite-ankle'], against: 'down' },
    from: 'start',
    to: 'end',
  }),
  make({ kind: 'symmetry', of: { ...knee, points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'] }, at: 'mid' }),
  make({
    kind: 'lag',
    first: knee,
    second: { type: 'segment-angle', points: ['opposite-knee', 'opposite-ankle'], against: 'down' },
    event: 'smallest',
    from: 'start',
    to: 'end',
  }),
  make({
    kind: 'order',
    steps: [
      { name: 'knee', of: knee, event: 'smallest' },
      {
        name: 'shank',
        of: { type: 'segment-angle', points: ['opposite-knee', 'opposite-ankle'], against: 'down' },
        event: 'smallest',
      },
    ],
    from: 'start',
    to: 'end',
  }),
  make({
    kind: 'count',
    occurrence: { type: 'crossing', of: knee, level: 170, direction: 'falling' },
    from: 'start',
    to: 'end',
  }),
  make({ kind: 'split', plane: 'any', from: 'start', to: 'mid' }),
  make({ kind: 'speed', point: 'opposite-ankle', along: 'straight', from: 'start', to: 'end' }),
  make({ kind: 'path', point: 'opposite-ankle', what: 'length', from: 'start', to: 'end' }),
  make({
    kind: 'path-angle',
    point: 'opposite-ankle',
    take: 'end',
    against: 'forward',
    from: 'start',
    to: 'end',
  }),
  make({ kind: 'path-plane', plane: 'any', point: 'opposite-ankle', from: 'start', to: 'end' }),
  make({ kind: 'dispersion', point: 'opposite-ankle', from: 'start', to: 'end' }),
  make({ kind: 'checkpoint', plane: 'any', question: 'Is the heel down?', at: 'mid' }),
  make({ kind: 'facing-by-eye', plane: 'any', question: 'Where do the hips face?', at: 'mid' }),
  make({ kind: 'dwell', point: 'opposite-hip', slower: 0.1, from: 'start', to: 'end' }),
];

/** Thigh upright, shank turned forward by one degree a frame: at frame f the knee angle is 180 - f. */
const bend = (frame: number) => {
  const shank = (frame * Math.PI) / 180;
  return {
    'left-hip': [500, 100],
    'left-knee': [500, 300],
    'left-ankle': [500 - 200 * Math.sin(shank), 300 + 200 * Math.cos(shank)],
    // So that the standing height is known, and the other leg straight.
    'left-shoulder': [500, -140],
    'right-hip': [520, 100],
    'right-knee': [520, 300],
    'right-ankle': [520, 500],
  } as const;
};
const marks = { start: 5, mid: 20, end: 35 };
/** The ankle on a wide arc in space, for what no single camera shows. */
const turning = Float64Array.from({ length: 41 }, (_, f) => f / 15);
const ARC = {
  points: {
    'left-ankle': { x: turning.map(Math.cos), y: turning.map((t) => 2 + Math.sin(t)), z: turning.map(() => 0) },
  },
  pixelsPerUnit: 600,
} as const;
const leg = (change = {}) => ({ ...stickTrial(bend, marks, change), checks: { x: 'yes' } as const });
const value = (reading: Reading): number => {
  if (!reading.measurable) throw new Error(reading.message);
  return fromSi(reading.value, reading.unit);
};

describe('every kind of measure', () => {
  it('has an example here', () => {
    expect([...new Set(EXAMPLES.map((m) => m.kind))].sort()).toEqual(Object.keys(MEASURE_KINDS).sort());
  });

  it.each(EXAMPLES.map((m) => [m.kind, m] as const))(
    '%s: names itself, measures, and gives a finite error',
    (_, measure) => {
      const kind = kindOf(measure);
      expect(kind.kind).toBe(measure.kind);
      expect(kind.convention.length).toBeGreaterThan(10);
      const answered = measure.kind === 'facing-by-eye' ? { checks: { x: 60 } } : {};
      const space = needsSpace(measure) ? { space: ARC } : {};
      const reading = evaluateMeasure(measure, { ...leg(), ...answered, ...space });
      if (!reading.measurable) throw new Error(reading.message);
      expect(reading.unit).toBe(unitOf(measure));
      // A number of times is exact unless one lies on an edge.
      if (measure.kind !== 'count') expect(reading.sd).toBeGreaterThan(0);
      expect(Number.isFinite(reading.sd)).toBe(true);
      expect(reading.provenance.frames.length).toBeGreaterThan(0);
    },
  );

  it.each(EXAMPLES.map((m) => [m.kind, m] as const))(
    '%s: says why it is not measurable instead of giving a number',
    (_, measure) => {
      const space = needsSpace(measure) ? { space: ARC } : {};
      const unmarked = evaluateMeasure(measure, { ...stickTrial(bend, {}), ...space });
      expect(unmarked).toMatchObject({ measurable: false, reason: 'moment-missing' });
      if (measure.plane === 'any') return;
      const empty = evaluateMeasure(
        measure,
        stickTrial(() => ({}), marks),
      );
      expect(empty.measurable).toBe(false);
      const front = evaluateMeasure(measure, leg({ view: { kind: 'front', offPlaneDegrees: 0 } }));
      expect(front).toMatchObject({ measurable: false, reason: 'wrong-view' });
      expect(evaluateMeasure(measure, leg({ view: { kind: 'side', offPlaneDegrees: 45 } }))).toMatchObject({
        reason: 'view-too-oblique',
      });
    },
  );

  it.each(EXAMPLES.map((m) => [m.kind, m] as const))(
    '%s: draws itself when it lies on points, and nothing where they are missing',
    (_, measure) => {
      const drawn = drawMeasure(measure, leg(), 20);
      expect(drawn.length > 0).toBe(measure.plane !== 'any' || needsSpace(measure));
      expect(
        drawMeasure(
          measure,
          stickTrial(() => ({}), marks),
          20,
        ),
      ).toEqual([]);
      expect(seriesOfMeasure(measure, leg()) !== null).toBe(kindOf(measure).series !== null);
    },
  );
});

describe('closed forms', () => {
  const [jointAngle, jointChange, segmentAngle, duration, share, rate, lead] = EXAMPLES as [
    Measure,
    Measure,
    Measure,
    Measure,
    Measure,
    Measure,
    Measure,
  ];

  it('rate: two steps in 150 ms are 800 a minute', () => {
    expect(value(evaluateMeasure(rate, leg()))).toBeCloseTo(800, 6);
  });

  it('joint angle: 160 degrees at frame 20, between frames too', () => {
    expect(value(evaluateMeasure(jointAngle, leg()))).toBeCloseTo(160, 1);
    expect(value(evaluateMeasure(jointAngle, stickTrial(bend, { ...marks, mid: 20.5 })))).toBeCloseTo(159.5, 1);
  });

  it('joint change: 15 degrees less from frame 5 to 20', () => {
    expect(value(evaluateMeasure(jointChange, leg()))).toBeCloseTo(-15, 1);
  });

  it('segment angle: knee 20 degrees ahead of the ankle, and the same seen from the other side', () => {
    expect(value(evaluateMeasure(segmentAngle, leg()))).toBeCloseTo(20, 1);
    const flip = (frame: number) =>
      Object.fromEntries(Object.entries(bend(frame)).map(([id, [x, y]]) => [id, [1000 - x, y] as const]));
    expect(value(evaluateMeasure(segmentAngle, stickTrial(flip, marks, { travel: 'left' })))).toBeCloseTo(20, 1);
  });

  it('duration: 150 ms, with T / sqrt(6) = 4.08 ms; an eighth in slow motion', () => {
    const reading = evaluateMeasure(duration, leg());
    expect(value(reading)).toBeCloseTo(150, 6);
    expect(reading.measurable && reading.sd * 1000).toBeCloseTo(10 / Math.sqrt(6), 6);
    expect(value(evaluateMeasure(duration, leg({ captureRate: 800 })))).toBeCloseTo(18.75, 6);
  });

  it('share: half of the whole; its error is that of three events', () => {
    const reading = evaluateMeasure(share, leg());
    expect(value(reading)).toBeCloseTo(50, 6);
    // d(ratio) = (0.5 e_mid... ): weights 1, -1/2, -1/2 over the whole of 300 ms.
    expect(reading.measurable && reading.sd).toBeCloseTo((Math.sqrt(1.5) * (0.01 / Math.sqrt(12))) / 0.3, 9);
  });

  it('lead: passes 10 degrees at frame 10, 100 ms before the moment', () => {
    expect(value(evaluateMeasure(lead, leg()))).toBeCloseTo(-100, 0);
  });

  it('lead: says that there is no crossing within the window', () => {
    const never = { ...lead, crossing: 80 } as Measure;
    expect(evaluateMeasure(never, leg())).toMatchObject({ measurable: false, reason: 'no-crossing' });
  });

  it('a known camera angle is corrected: the knee of a leg seen 25 degrees off the plane reads the same', () => {
    const offPlane = (25 * Math.PI) / 180;
    const seen = (frame: number) =>
      Object.fromEntries(
        Object.entries(bend(frame)).map(([id, [x, y]]) => [id, [500 + (x - 500) * Math.cos(offPlane), y] as const]),
      );
    const corrected = evaluateMeasure(
      jointAngle,
      stickTrial(seen, marks, { view: { kind: 'side', offPlaneDegrees: 25 } }),
    );
    const square = evaluateMeasure(jointAngle, leg());
    expect(value(corrected)).toBeCloseTo(value(square), 1);
    expect(corrected.measurable && square.measurable && corrected.sd > square.sd).toBe(true);
  });

  it('a fast joint at a moment is less sure than a slow one', () => {
    const still = stickTrial(() => bend(20), marks);
    const moving = evaluateMeasure(jointAngle, leg());
    const standing = evaluateMeasure(jointAngle, still);
    expect(moving.measurable && standing.measurable && moving.sd > standing.sd).toBe(true);
  });
});
