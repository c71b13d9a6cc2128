import { stickTrial } from '../../../tests/fixtures/stick-trial';
import { movementSchema } from '../model/movement';
import {
  carryCorrection,
  clearPoint,
  emptySeries,
  mergeTracked,
  ORIGIN,
  placePoint,
  swapSides,
  untilNextHand,
  withoutDetected,
  type PointSeries,
  type Track,
} from './track';
import { keepEdits, placesOf } from './keep-edits';
import { boxBetween, cornersOf } from '../detections/person-box';
import { placingOrder, workList } from '../judgement/work-list';

const FRAMES = 8;
/** A detected point that goes a pixel a frame to the right. */
const detected = (y: number): PointSeries => ({
  ...emptySeries(FRAMES),
  x: Float64Array.from({ length: FRAMES }, (_, i) => i),
  y: new Float64Array(FRAMES).fill(y),
  confidence: new Float32Array(FRAMES).fill(0.5),
  origin: new Uint8Array(FRAMES).fill(ORIGIN.detected),
});

describe('points that are derived anew while somebody edits', () => {
  const first: Track = { 'left-knee': detected(1), 'right-knee': detected(2) };
  const anew: Track = { 'left-knee': detected(1.5), 'right-knee': detected(2.5), 'left-wrist': detected(3) };

  it('keep what was placed, taken away and exchanged meanwhile, and nothing else', () => {
    const placed = clearPoint(placePoint(first, FRAMES, 'left-knee', 3, 9, 9), FRAMES, 'right-knee', 5);
    const merged = keepEdits(placesOf(first), placed, anew);
    expect(Array.from(merged['left-knee']!.y)).toEqual([1.5, 1.5, 1.5, 9, 1.5, 1.5, 1.5, 1.5]);
    expect(merged['left-knee']!.origin[3]).toBe(ORIGIN.hand);
    expect([merged['right-knee']!.x[5], merged['right-knee']!.y[6]]).toEqual([NaN, 2.5]);
    expect(merged['left-wrist']).toBe(anew['left-wrist']);
    const exchanged = keepEdits(
      placesOf(first),
      swapSides(first, 2, 3, () => true),
      anew,
    );
    expect(Array.from(exchanged['left-knee']!.y)).toEqual([1.5, 1.5, 2, 2, 1.5, 1.5, 1.5, 1.5]);
  });

  it('are those of the new pass where nobody edited, and a point of their own stays', () => {
    const marked = placePoint(first, FRAMES, 'point-ball' as never, 0, 4, 4);
    expect(keepEdits(placesOf(first), first, anew)).toEqual(anew);
    expect(keepEdits(placesOf(first), marked, anew)['point-ball' as never]).toEqual(marked['point-ball' as never]);
  });

  it('begin without what a detector said before', () => {
    const placed = placePoint(first, FRAMES, 'left-knee', 3, 9, 9);
    const bare = withoutDetected(placed);
    expect(Object.keys(bare)).toEqual(['left-knee']);
    expect(Array.from(bare['left-knee']!.origin)).toEqual([0, 0, 0, ORIGIN.hand, 0, 0, 0, 0]);
  });
});

describe('exchanging left and right', () => {
  const track: Track = {
    'left-knee': detected(1),
    'right-knee': detected(2),
    'left-wrist': detected(3),
    'right-wrist': detected(4),
  };
  it('changes the joints chosen, in the frames chosen, whichever end is named first', () => {
    for (const [from, to] of [
      [2, 4],
      [4, 2],
    ] as const) {
      const swapped = swapSides(track, from, to, (id) => id.includes('knee'));
      expect(Array.from(swapped['left-knee']!.y)).toEqual([1, 1, 2, 2, 2, 1, 1, 1]);
      expect(Array.from(swapped['right-knee']!.y)).toEqual([2, 2, 1, 1, 1, 2, 2, 2]);
      expect(swapped['left-wrist']).toBe(track['left-wrist']);
    }
  });
  it('is its own undoing, and leaves what it was given alone', () => {
    const twice = swapSides(
      swapSides(track, 0, 7, () => true),
      0,
      7,
      () => true,
    );
    expect(twice).toEqual(track);
    expect(Array.from(track['left-knee']!.y)).toEqual(new Array(FRAMES).fill(1));
  });
  it('a side that is missing is exchanged with nothing', () => {
    const swapped = swapSides({ 'left-knee': detected(1) }, 0, 3, () => true);
    expect(Number.isNaN(swapped['left-knee']!.y[0]!)).toBe(true);
    expect(swapped['right-knee']!.y[0]).toBe(1);
    expect(swapped['right-knee']!.origin[5]).toBe(ORIGIN.missing);
  });
});

describe('a correction carried on', () => {
  it('is the same to the end where no hand follows', () => {
    const moved = carryCorrection({ 'left-knee': detected(1) }, 'left-knee', 3, { x: 10, y: -2 })['left-knee']!;
    expect(Array.from(moved.x)).toEqual([0, 1, 2, 3, 14, 15, 16, 17]);
    expect(Array.from(moved.y.slice(3))).toEqual([1, -1, -1, -1, -1]);
    expect(moved.origin[4]).toBe(ORIGIN.interpolated);
  });
  it('fades to nothing at the next frame placed by hand, which stays', () => {
    const track = placePoint({ 'left-knee': detected(0) }, FRAMES, 'left-knee', 6, 60, 60);
    const moved = carryCorrection(track, 'left-knee', 2, { x: 8, y: 0 })['left-knee']!;
    expect(Array.from(moved.x)).toEqual([0, 1, 2, 3 + 6, 4 + 4, 5 + 2, 60, 7]);
    expect(untilNextHand(track, 'left-knee', FRAMES, 2, 1)).toBe(6);
    expect(untilNextHand(track, 'left-knee', FRAMES, 2, -1)).toBe(-1);
  });
});

test('followed positions are put in, hand-placed ones stay', () => {
  const track = placePoint({}, FRAMES, 'own-ball', 2, 99, 99);
  const merged = mergeTracked(
    track,
    FRAMES,
    'own-ball',
    new Map([
      [2, { x: 1, y: 1, confidence: 0.9 }],
      [3, { x: 4, y: 5, confidence: 0.75 }],
    ]),
  )['own-ball']!;
  expect([merged.x[2], merged.x[3], merged.origin[2], merged.origin[3], merged.confidence[3]]).toEqual([
    99,
    4,
    ORIGIN.hand,
    ORIGIN.tracked,
    0.75,
  ]);
});

test('a box is the same from whichever corner it is drawn, and refused where it holds nobody', () => {
  const box = boxBetween({ x: 90, y: 10 }, { x: 30, y: 110 }, 7);
  expect(box).toEqual({ ok: true, value: { frame: 7, x: 30, y: 10, width: 60, height: 100 } });
  expect(box.ok && cornersOf(box.value)[2]).toEqual({ x: 90, y: 110 });
  expect(boxBetween({ x: 0, y: 0 }, { x: 9, y: 4 }, 0)).toMatchObject({
    ok: false,
    issue: { code: 'too-small', message: expect.stringContaining('9 by 4 pixels') },
  });
});

describe('what measures still wait for', () => {
  const common = { region: 'legs', importance: 0.5, cost: 'weeks' } as const;
  const movement = movementSchema.parse({
    schemaVersion: 1,
    id: 'x',
    name: 'x',
    sport: 'x',
    phases: [],
    causes: [],
    cautions: [],
    points: [{ id: 'own-ball', name: 'Ball', hint: '' }],
    moments: ['first', 'second'].map((id, i) => ({ id, name: id, key: String(i), hint: '' })),
    measures: [
      {
        ...common,
        id: 'knee',
        name: 'Knee',
        kind: 'joint-angle',
        plane: 'sagittal',
        points: ['opposite-hip', 'opposite-knee', 'opposite-ankle'],
        at: 'first',
      },
      {
        ...common,
        id: 'fall',
        name: 'Side fall',
        kind: 'segment-angle',
        plane: 'frontal',
        points: ['mid-hip', 'mid-shoulder'],
        against: 'up',
        at: 'first',
      },
      {
        ...common,
        id: 'ball',
        name: 'Ball height',
        kind: 'value',
        plane: 'sagittal',
        of: { type: 'height', point: 'own-ball' },
        at: 'second',
      },
    ],
  });
  const points = { 'left-hip': [500, 100], 'left-knee': [500, 300] } as const;

  it('are the missing points of marked moments, not those of planes that the camera does not see', () => {
    expect(
      workList(
        movement,
        stickTrial(() => points, { first: 10 }),
      ),
    ).toEqual([{ eventId: 'first', frame: 10, id: 'left-ankle', state: 'missing', measures: ['Knee'] }]);
    const both = workList(
      movement,
      stickTrial(() => points, { first: 10, second: 20 }),
    );
    expect(both.map((item) => [item.eventId, item.id])).toEqual([
      ['first', 'left-ankle'],
      ['second', 'own-ball'],
    ]);
    expect(
      workList(
        movement,
        stickTrial(() => ({ ...points, 'left-ankle': [500, 500] }), { first: 10 }),
      ),
    ).toEqual([]);
  });
  it('are placed in the order in which measures name them, every joint once', () => {
    const order = placingOrder(
      movement,
      stickTrial(() => points, {}),
    );
    expect(order.slice(0, 3)).toEqual(['left-hip', 'left-knee', 'left-ankle']);
    expect(order).toContain('own-ball');
    expect(new Set(order).size).toBe(order.length);
  });
});
