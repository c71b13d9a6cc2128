import { stickPerformance } from '../../../tests/fixtures/stick-performance';
import type { Drawing } from '../model/drawing';
import { movementSchema, type Quantity } from '../model/movement';
import { readQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { drawDrawing, visibleAt } from './drawing';
import { drawFigure } from './figure';
import type { Primitive } from '../geometry/primitives';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  moments: [
    { id: 'one', name: 'One', key: '1', look: '' },
    { id: 'two', name: 'Two', key: '2', look: '' },
  ],
  phases: [{ from: 'one', to: 'two', name: 'P' }],
  measures: [],
  causes: [],
  cautions: [],
});
/** A knee that goes right by two pixels a frame; the trunk leans forward by 10 degrees. */
const performance = (change = {}) =>
  stickPerformance(
    (frame) => ({
      'left-knee': [100 + 2 * frame, 300],
      'left-ankle': [100 + 2 * frame, 380],
      'left-hip': [100, 200],
      'right-hip': [100, 200],
      'left-shoulder': [100 + 100 * Math.tan(Math.PI / 18), 100],
      'right-shoulder': [100 + 100 * Math.tan(Math.PI / 18), 100],
    }),
    { one: 10, two: 20 },
    change,
  );
const drawing = (change: Partial<Drawing>): Drawing => ({
  id: 'd',
  clipId: 'clip',
  kind: 'line',
  points: [
    { x: 0, y: 0 },
    { x: 30, y: 40 },
  ],
  frame: 12,
  span: 'frame',
  anchor: null,
  text: '',
  ...change,
});

describe('drawings', () => {
  it.each([
    ['frame', [12], [11, 13]],
    ['phase', [10, 15, 20], [9, 21]],
    ['clip', [0, 40], []],
  ] as const)('through the %s are seen there and not elsewhere', (span, seen, unseen) => {
    for (const frame of seen) expect(visibleAt(drawing({ span }), movement, performance(), frame)).toBe(true);
    for (const frame of unseen) expect(visibleAt(drawing({ span }), movement, performance(), frame)).toBe(false);
  });

  it('before the first moment span from the beginning to it', () => {
    const early = drawing({ span: 'phase', frame: 3 });
    expect(visibleAt(early, movement, performance(), 0)).toBe(true);
    expect(visibleAt(early, movement, performance(), 11)).toBe(false);
  });

  it('move with their point, and are gone where it is missing', () => {
    const [line] = drawDrawing(drawing({ anchor: 'left-knee' }), performance(), 17);
    expect(line).toMatchObject({ shape: 'path' });
    expect((line as Extract<Primitive, { shape: 'path' }>).points[0]!.x).toBeCloseTo(10, 1);
    expect(drawDrawing(drawing({ anchor: 'right-wrist' }), performance(), 17)).toEqual([]);
  });

  it('an angle shows its degrees, a circle its radius', () => {
    const angle = drawDrawing(
      drawing({
        kind: 'angle',
        points: [
          { x: 0, y: 0 },
          { x: 50, y: 0 },
          { x: 50, y: 80 },
        ],
      }),
      performance(),
      12,
    );
    expect(angle).toContainEqual(expect.objectContaining({ shape: 'label', text: '90\u00b0' }));
    expect(drawDrawing(drawing({ kind: 'circle' }), performance(), 12)[0]).toEqual({
      shape: 'ring',
      centre: { x: 0, y: 0 },
      radius: 50,
    });
  });

  it('plumb and level lines follow the levelled picture', () => {
    const direction = (kind: 'plumb' | 'level', levelDegrees: number): number => {
      const [line] = drawDrawing(drawing({ kind, points: [{ x: 500, y: 400 }] }), performance({ levelDegrees }), 12);
      const [a, b] = (line as Extract<Primitive, { shape: 'path' }>).points;
      return (Math.atan2(b!.y - a!.y, b!.x - a!.x) * 180) / Math.PI;
    };
    expect(direction('plumb', 0)).toBeCloseTo(90, 9);
    expect(direction('level', 0)).toBeCloseTo(0, 9);
    // A picture that must be turned clockwise by 5 degrees was filmed with its level tilted the other way.
    expect(direction('level', 5)).toBeCloseTo(-5, 9);
    expect(direction('plumb', 5)).toBeCloseTo(85, 9);
  });
});

describe('a levelled picture', () => {
  const trunk: Quantity = { q: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' };
  const lean = (change: object): number => {
    const reading = readQuantity(performance(change), trunk, { plane: 'any', frame: 12, lengthIn: '%BH' });
    return reading.measurable ? (reading.value * 180) / Math.PI : NaN;
  };
  it('measures against its own vertical', () => {
    expect(lean({})).toBeCloseTo(10, 6);
    expect(lean({ levelDegrees: 4 })).toBeCloseTo(14, 6);
    expect(lean({ levelDegrees: 4, travel: 'left' })).toBeCloseTo(-14, 6);
  });

  it('draws what it measures', () => {
    const labels = drawQuantity(trunk, performance({ levelDegrees: 4 }), 12, '%BH').filter((p) => p.shape === 'label');
    expect(labels).toEqual([expect.objectContaining({ text: '14\u00b0' })]);
  });
});

describe('a region that is gone through', () => {
  it('is drawn strong, the rest faint', () => {
    const weights = (region: string | null): string[] =>
      drawFigure(performance(), 12, region).flatMap((p) => (p.shape === 'segment' ? [p.weight] : []));
    expect(new Set(weights(null))).toEqual(new Set(['bone']));
    expect(weights('legs')).toContain('measure');
    expect(weights('legs')).toContain('faint');
    expect(new Set(weights('ball'))).toEqual(new Set(['faint']));
  });
});
