import { stickClip, type Points } from '../../../tests/fixtures/stick-trial';
import { targetSchema } from '../model/target';
import { prepareTrial } from '../trial/trial';
import { eventFrame, markByHand } from '../trial/key-events';
import type { Reading } from '../reading';
import { evaluateMeasure } from './';
import { make, value, sdOf, at, upTo } from '../../../tests/fixtures/conditions';

describe('signs', () => {
  /** Both shins seen from the front, each leaning outwards. */
  const shins: Points = {
    'left-knee': [560, 500],
    'left-ankle': [600, 700],
    'right-knee': [440, 500],
    'right-ankle': [400, 700],
  };
  const FRONT = { view: { kind: 'front', offPlaneDegrees: 0 } } as const;
  const BACK = { view: { kind: 'back', offPlaneDegrees: 0 } } as const;
  const shin = { type: 'segment-angle', points: ['dominant-ankle', 'dominant-knee'], against: 'up' } as const;
  const mirror = (points: Points): Points =>
    Object.fromEntries(
      (Object.entries(points) as [string, readonly [number, number]][]).map(([id, [x, y]]) => [id, [1000 - x, y]]),
    );
  const exchanged = (points: Points): Points =>
    Object.fromEntries(
      Object.entries(points).map(([id, p]) => [
        id.startsWith('left') ? id.replace('left', 'right') : id.replace('right', 'left'),
        p,
      ]),
    );

  it('shins that mirror each other are even', () => {
    const even = make({ kind: 'symmetry', of: shin, at: 'one', plane: 'frontal' });
    expect(
      value(
        evaluateMeasure(
          even,
          at(() => shins, upTo(41), { one: 20 }, FRONT),
        ),
      ),
    ).toBeCloseTo(0, 9);
  });

  it('from the front and from behind the same lean is the same, for a left-hander who does the mirror image too', () => {
    const measure = make({ kind: 'value', of: shin, at: 'one', plane: 'frontal' });
    const leaning: Points = { ...shins, 'right-knee': [420, 500], 'right-ankle': [440, 700] };
    const front = value(
      evaluateMeasure(
        measure,
        at(() => leaning, upTo(41), { one: 20 }, FRONT),
      ),
    );
    expect(front).toBeGreaterThan(5);
    expect(
      value(
        evaluateMeasure(
          measure,
          at(() => mirror(leaning), upTo(41), { one: 20 }, BACK),
        ),
      ),
    ).toBeCloseTo(front, 9);
    const left = { ...FRONT, performer: { ...stickClip().performer, dominantSide: 'left' as const } };
    expect(
      value(
        evaluateMeasure(
          measure,
          at(() => exchanged(mirror(leaning)), upTo(41), { one: 20 }, left),
        ),
      ),
    ).toBeCloseTo(front, 9);
  });

  it('lines from above are turned alike for a left-hander who does the mirror image, and for one who goes the other way', () => {
    const ABOVE = { view: { kind: 'overhead', offPlaneDegrees: 0 } } as const;
    const measure = make({
      kind: 'value',
      of: {
        type: 'line-separation',
        points: ['opposite-shoulder', 'dominant-shoulder'],
        from: ['opposite-hip', 'dominant-hip'],
      },
      at: 'one',
      plane: 'transverse',
    });
    const body: Points = {
      'left-shoulder': [480, 300],
      'right-shoulder': [560, 500],
      'left-hip': [500, 330],
      'right-hip': [510, 470],
    };
    const right = value(
      evaluateMeasure(
        measure,
        at(() => body, upTo(41), { one: 20 }, ABOVE),
      ),
    );
    expect(Math.abs(right)).toBeGreaterThan(10);
    const flipped: Points = Object.fromEntries(
      (Object.entries(exchanged(body)) as [string, readonly [number, number]][]).map(([id, [x, y]]) => [
        id,
        [x, 800 - y],
      ]),
    );
    const left = { ...ABOVE, performer: { ...stickClip().performer, dominantSide: 'left' as const } };
    expect(
      value(
        evaluateMeasure(
          measure,
          at(() => flipped, upTo(41), { one: 20 }, left),
        ),
      ),
    ).toBeCloseTo(right, 9);
    const about: Points = Object.fromEntries(
      (Object.entries(body) as [string, readonly [number, number]][]).map(([id, [x, y]]) => [id, [1000 - x, 800 - y]]),
    );
    expect(
      value(
        evaluateMeasure(
          measure,
          at(() => about, upTo(41), { one: 20 }, { ...ABOVE, travel: 'left' }),
        ),
      ),
    ).toBeCloseTo(right, 9);
  });

  it('a range that ends before it begins is refused', () => {
    expect(targetSchema.safeParse({ type: 'between', low: 10, high: 20, source: 'x' }).success).toBe(true);
    expect(
      targetSchema.safeParse({ type: 'between', low: 20, high: 10, source: 'x' }).error!.issues[0]!.message,
    ).toContain('from 20 to 10');
  });
});

describe('a moment lies in the interval in which it may lie', () => {
  it('what is first seen in a frame happened half a frame before it on average, what is last seen half a frame after', () => {
    expect(eventFrame(markByHand(20, 'first'))).toBeCloseTo(19.5, 2);
    expect(eventFrame(markByHand(20, 'last'))).toBeCloseTo(20.5, 2);
    expect(eventFrame(markByHand(20, 'nearest'))).toBe(20);
    // A place between two frames was chosen as it is.
    expect(eventFrame(markByHand(20.3, 'first'))).toBe(20.3);
    // The picture nearest to it is the one that was marked.
    expect([19, 20, 21].map((f) => Math.round(eventFrame(markByHand(f, 'last'))))).toEqual([19, 20, 21]);
  });

  it('a flight of no time, marked by its last and first frames on the ground, is 0 ms and not a frame', () => {
    const flight = make({ kind: 'duration', plane: 'any', from: 'off', to: 'down' });
    // One foot leaves and the other lands at the same instant, between frames 20 and 21: both are seen on the frame
    // beside it.
    const clip = stickClip();
    const marks = { off: markByHand(20, 'last'), down: markByHand(21, 'first') };
    expect(value(evaluateMeasure(flight, prepareTrial(clip, {}, marks, 20)))).toBeCloseTo(0, 1);
  });

  it('a proposal that is a guess is a question, not a value; confirmed, it is read', () => {
    const time = make({ kind: 'duration', plane: 'any', from: 'off', to: 'down' });
    const read = (proposed: number | null): Reading =>
      evaluateMeasure(
        time,
        prepareTrial(stickClip(), {}, { off: { frame: 10, proposed }, down: { frame: 20, proposed: null } }, 20),
      );
    expect(read(0.28)).toMatchObject({
      measurable: false,
      reason: 'unsure-moment',
      message: expect.stringContaining('28 %'),
    });
    expect(sdOf(read(0.7))).toBeGreaterThan(sdOf(read(0.95)));
    expect(sdOf(read(0.95))).toBeGreaterThan(sdOf(read(null)));
  });
});
