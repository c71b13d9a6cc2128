import { stickTrial } from '../../../tests/fixtures/stick-trial';
import type { Drawing } from '../model/drawing';
import { movementSchema } from '../model/movement';
import type { Quantity } from '../model/quantity';
import { readQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { drawDrawing, laidOn, visibleAt } from './drawing';
import { drawFigure } from './figure';
import type { Primitive } from '../geometry/primitives';

const movement = movementSchema.parse({
  schemaVersion: 1,
  id: 'm',
  name: 'M',
  sport: 'S',
  moments: [
    { id: 'one', name: 'One', key: '1', hint: '' },
    { id: 'two', name: 'Two', key: '2', hint: '' },
  ],
  phases: [{ from: 'one', to: 'two', name: 'P' }],
  measures: [],
  causes: [],
  cautions: [],
});
/** A knee that goes right by two pixels a frame; the trunk leans forward by 10 degrees. */
const trial = (change = {}) =>
  stickTrial(
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
    for (const frame of seen) expect(visibleAt(drawing({ span }), movement, trial(), frame)).toBe(true);
    for (const frame of unseen) expect(visibleAt(drawing({ span }), movement, trial(), frame)).toBe(false);
  });

  it('before the first moment span from the beginning to it', () => {
    const early = drawing({ span: 'phase', frame: 3 });
    expect(visibleAt(early, movement, trial(), 0)).toBe(true);
    expect(visibleAt(early, movement, trial(), 11)).toBe(false);
  });

  it('move with their point, and are gone where it is missing', () => {
    const [line] = drawDrawing(drawing({ anchor: 'left-knee' }), trial(), 17);
    expect(line).toMatchObject({ shape: 'path' });
    expect((line as Extract<Primitive, { shape: 'path' }>).points[0]!.x).toBeCloseTo(10, 1);
    expect(drawDrawing(drawing({ anchor: 'right-wrist' }), trial(), 17)).toEqual([]);
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
      trial(),
      12,
    );
    expect(angle).toContainEqual(expect.objectContaining({ shape: 'label', text: '90\u00b0' }));
    expect(drawDrawing(drawing({ kind: 'circle' }), trial(), 12)[0]).toEqual({
      shape: 'ring',
      centre: { x: 0, y: 0 },
      radius: 50,
    });
  });

  it('plumb and level lines follow the levelled picture', () => {
    const direction = (kind: 'plumb' | 'level', levelDegrees: number): number => {
      const [line] = drawDrawing(drawing({ kind, points: [{ x: 500, y: 400 }] }), trial({ levelDegrees }), 12);
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

describe('drawings that measure', () => {
  const labels = (change: Partial<Drawing>, clip = {}): readonly string[] =>
    drawDrawing(drawing(change), trial(clip), 12).flatMap((p) => (p.shape === 'label' ? [p.text] : []));
  const line = (x: number, y: number) => ({
    kind: 'line' as const,
    points: [
      { x: 0, y: 0 },
      { x, y },
    ],
  });

  it.each([
    [100, 0, '0\u00b0 to level'],
    // tan 30 degrees is 0.57735.
    [100, -57.735, '30\u00b0 to level'],
    [-57.735, 100, '30\u00b0 to plumb'],
    [0, -80, '0\u00b0 to plumb'],
  ])('a line to %d, %d says %s', (x, y, text) => expect(labels(line(x, y))).toEqual([text]));

  it('a line is read against the levelled picture', () => {
    const tilted = line(100 * Math.cos(Math.PI / 36), -100 * Math.sin(Math.PI / 36));
    expect(labels(tilted)).toEqual(['5\u00b0 to level']);
    expect(labels(tilted, { levelDegrees: 5 })).toEqual(['0\u00b0 to level']);
  });

  it('two lines say the smaller angle between them, whichever way they were drawn', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 300, y: 0 },
      { x: 200, y: 100 },
    ];
    expect(labels({ kind: 'lines', points })).toEqual(['45\u00b0']);
    expect(labels({ kind: 'lines', points: [points[1]!, points[0]!, points[2]!, points[3]!] })).toEqual(['45\u00b0']);
  });

  it('a line laid on another body has its angle, and its length in body heights', () => {
    const [own, other] = [trial(), trial()];
    const larger = {
      ...other,
      bodyHeight: 1.5 * own.bodyHeight,
      clip: { ...other.clip, id: 'other', travel: own.clip.travel },
    };
    const laid = laidOn(
      drawing({
        points: [
          { x: 100, y: 200 },
          { x: 130, y: 160 },
        ],
      }),
      { ...own, bodyHeight: 400 },
      { ...larger, bodyHeight: 600 },
      15,
    )!;
    // From the hips, which stand still at 100, 200.
    expect(laid[0]!.x).toBeCloseTo(100, 6);
    expect(laid[0]!.y).toBeCloseTo(200, 6);
    expect(laid[1]!.x).toBeCloseTo(145, 6);
    expect(laid[1]!.y).toBeCloseTo(140, 6);
    const away = {
      ...larger,
      bodyHeight: 600,
      clip: { ...larger.clip, travel: own.clip.travel === 'left' ? ('right' as const) : ('left' as const) },
    };
    const mirrored = laidOn(
      drawing({
        points: [
          { x: 100, y: 200 },
          { x: 130, y: 160 },
        ],
      }),
      { ...own, bodyHeight: 400 },
      away,
      15,
    )!;
    expect(mirrored[1]!.x).toBeCloseTo(55, 6);
    expect(laidOn(drawing({}), own, { ...larger, bodyHeight: NaN }, 15)).toBeNull();
  });
});

describe('a levelled picture', () => {
  const trunk: Quantity = { type: 'segment-angle', points: ['mid-hip', 'mid-shoulder'], against: 'up' };
  const lean = (change: object): number => {
    const reading = readQuantity(trial(change), trunk, { plane: 'any', frame: 12, lengthIn: '%BH' });
    return reading.measurable ? (reading.value * 180) / Math.PI : NaN;
  };
  it('measures against its own vertical', () => {
    expect(lean({})).toBeCloseTo(10, 6);
    expect(lean({ levelDegrees: 4 })).toBeCloseTo(14, 6);
    expect(lean({ levelDegrees: 4, travel: 'left' })).toBeCloseTo(-14, 6);
  });

  it('draws what it measures', () => {
    const labels = drawQuantity(trunk, trial({ levelDegrees: 4 }), 12, '%BH').filter((p) => p.shape === 'label');
    expect(labels).toEqual([expect.objectContaining({ text: '14\u00b0' })]);
  });
});

describe('a region that is gone through', () => {
  it('is drawn strong, the rest faint', () => {
    const weights = (region: string | null): string[] =>
      drawFigure(trial(), 12, region).flatMap((p) => (p.shape === 'segment' ? [p.weight] : []));
    expect(new Set(weights(null))).toEqual(new Set(['bone']));
    expect(weights('legs')).toContain('measure');
    expect(weights('legs')).toContain('faint');
    expect(new Set(weights('ball'))).toEqual(new Set(['faint']));
  });
});
