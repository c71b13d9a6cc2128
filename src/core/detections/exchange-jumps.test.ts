import { walk } from '../../../tests/fixtures/detected-walk';
import { exchangeSides } from './fuse-detections';
import { mendExchangeJumps } from './exchange-jumps';
import { type DetectedPoints, mergeDetections, type Track } from '../tracks/track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

describe('limbs that change places from one picture to the next', () => {
  const times = Float64Array.from({ length: 120 }, (_, i) => i / 60);
  const truth = track();
  const LEGS = /knee|ankle|heel|foot/;
  const exchanged = (first: number, last: number): Track => {
    const detected = walk();
    for (let i = first; i <= last; i++)
      detected.set(
        i,
        exchangeSides(detected.get(i)!, (id) => LEGS.test(id)),
      );
    return track(detected);
  };
  const apart = (i: number): number => truth['left-ankle']!.x[i]! - truth['right-ankle']!.x[i]!;
  /** Frames in which the ankles pass each other, and the widest step after the first. */
  const passes = Array.from({ length: 119 }, (_, i) => i).filter((i) => apart(i) * apart(i + 1) <= 0);
  const [pass, next] = passes.filter((i) => i > 10) as [number, number];
  const widest = Math.round((pass + next) / 2);

  it('between two such jumps are put right, half as sure', () => {
    const mended = mendExchangeJumps(exchanged(widest - 2, widest + 2), times);
    for (const id of ['left-ankle', 'right-knee'] as const) expect(mended[id]!.x).toEqual(truth[id]!.x);
    expect(mended['left-ankle']!.confidence[widest]).toBeCloseTo(truth['left-ankle']!.confidence[widest]! / 2, 6);
  });

  it('from where they pass each other to the jump are not known, since nothing tells on which side of it they are wrong', () => {
    const mended = mendExchangeJumps(exchanged(pass + 1, widest), times);
    for (const i of [widest - 1, widest, widest + 1, widest + 3]) expect(mended['left-ankle']!.x[i]).toBeNaN();
    expect(mended['left-ankle']!.x[pass - 5]).toBe(truth['left-ankle']!.x[pass - 5]);
    expect(mended['left-ankle']!.x[next + 5]).toBe(truth['left-ankle']!.x[next + 5]);
    expect(mended['left-wrist']!.x).toEqual(truth['left-wrist']!.x);
  });

  it('for two frames before they are lost from sight are not known there, and believed on the long way before', () => {
    const detected = new Map(
      [...walk()].map(([i, points]) => {
        const wrong = i >= widest && i < widest + 2 ? exchangeSides(points, (id) => LEGS.test(id)) : points;
        const lost = i >= widest + 2 && i < next + 6;
        const seen = Object.entries(wrong).map(([id, p]) => [
          id,
          lost && LEGS.test(id) ? { ...p, confidence: 0.1 } : p,
        ]);
        return [i, Object.fromEntries(seen) as DetectedPoints] as const;
      }),
    );
    const mended = mendExchangeJumps(track(detected), times);
    for (const i of [widest, widest + 1]) expect(mended['left-ankle']!.x[i]).toBeNaN();
    for (const i of [pass + 1, widest - 1, next + 8])
      expect(mended['left-ankle']!.x[i]).toBe(truth['left-ankle']!.x[i]);
  });

  it('are left alone where a runner is followed by the camera and seldom looked at: legs do pass each other that fast', () => {
    // 2.4 strides a second, feet a quarter of standing height before and behind, seen 15 times a second.
    const seen = Float64Array.from({ length: 60 }, (_, i) => i / 15);
    const runner = new Map(
      [...walk(60)].map(([i, points]) => {
        const swing = 75 * Math.sin(2 * Math.PI * 2.4 * seen[i]! + 0.3);
        const at = (id: string, x: number) => ({ ...points[id as 'nose']!, x: 300 + x });
        const legs = (['left', 'right'] as const).flatMap((side) => {
          const sign = side === 'left' ? 1 : -1;
          return [
            [`${side}-knee`, at(`${side}-knee`, 0.5 * sign * swing)],
            [`${side}-ankle`, at(`${side}-ankle`, sign * swing)],
            [`${side}-hip`, at(`${side}-hip`, 2 * sign)],
            [`${side}-shoulder`, at(`${side}-shoulder`, 2 * sign)],
          ];
        });
        return [i, { ...points, ...Object.fromEntries(legs) } as DetectedPoints] as const;
      }),
    );
    const followed = mergeDetections({}, 60, runner);
    expect(mendExchangeJumps(followed, seen)).toBe(followed);
  });

  it('are left alone where nothing jumps', () => expect(mendExchangeJumps(truth, times)).toBe(truth));
});
