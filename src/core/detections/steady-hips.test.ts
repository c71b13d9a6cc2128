import { walk } from '../../../tests/fixtures/detected-walk';
import { steadyHips } from './steady-hips';
import { mergeDetections, placePoint, type Track } from '../tracks/track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

describe('the hips', () => {
  /** Hips whose half distance along the rows is as given; standing height is some 290 pixels. */
  const apart = (half: (i: number) => number): Track =>
    track(
      new Map(
        [...walk()].map(([i, points]) => [
          i,
          {
            ...points,
            'left-hip': { ...points['left-hip']!, x: 100 + 2 * i + half(i) },
            'right-hip': { ...points['right-hip']!, x: 100 + 2 * i - half(i) },
          },
        ]),
      ),
    );
  const halfOf = (t: Track): number[] => Array.from(t['left-hip']!.x, (x, i) => (x - t['right-hip']!.x[i]!) / 2);

  it('that only wander beside each other as much as a detector errs keep their distance but for the step, their middle untouched', () => {
    const wandering = apart((i) => 3 + 1.5 * Math.sin(i));
    const steady = steadyHips(wandering);
    const knees = Array.from(steady['left-knee']!.x, (x, i) => (x - steady['right-knee']!.x[i]!) / 2);
    halfOf(steady).forEach((half, i) => expect(half - 0.06 * knees[i]!).toBeCloseTo(3, 0));
    steady['left-hip']!.x.forEach((x, i) => expect((x + steady['right-hip']!.x[i]!) / 2).toBeCloseTo(100 + 2 * i, 9));
    expect(steady['left-hip']!.y).toEqual(wandering['left-hip']!.y);
  });

  it('of a pelvis that turns stay within a tenth of what was found', () => {
    const half = (i: number): number => 14 * Math.sin((2 * Math.PI * i) / 60);
    halfOf(steadyHips(apart(half))).forEach((kept, i) => expect(Math.abs(kept - half(i))).toBeLessThan(1.4));
  });

  it('stay where a person placed one of them', () => {
    const placed = placePoint(
      apart((i) => 3 + Math.sin(i)),
      120,
      'left-hip',
      30,
      177,
      200,
    );
    expect([steadyHips(placed)['left-hip']!.x[30], steadyHips(placed)['right-hip']!.x[30]]).toEqual([
      177,
      placed['right-hip']!.x[30],
    ]);
  });
});
