import { stickClip } from '../../../tests/fixtures/stick-performance';
import { pointError } from '../tracks/point-error';
import { mergeFound, placePoint, type FoundPoints, type Track } from '../tracks/track';
import { preparePerformance, type Performance } from './performance';
import { pointAt } from './places';

/** Somebody who stands, found in all frames: both hips, shoulders, knees and ankles. */
function standing(change: (track: Track) => Track = (track) => track): Performance {
  const at = (x: number, y: number): { x: number; y: number; confidence: number } => ({ x, y, confidence: 0.8 });
  const points = Object.fromEntries(
    (['left', 'right'] as const).flatMap((side, k) =>
      [
        ['shoulder', 100],
        ['elbow', 140],
        ['hip', 250],
        ['knee', 350],
        ['ankle', 450],
      ].map(([joint, y]) => [`${side}-${joint as string}`, at(300 + 10 * k, y as number)]),
    ),
  ) as FoundPoints;
  const clip = stickClip();
  const frames = clip.frameTimes.length;
  return preparePerformance(
    clip,
    change(mergeFound({}, frames, new Map(Array.from({ length: frames }, (_, i) => [i, points])))),
    {},
    20,
  );
}
const sdOf = (performance: Performance, id: 'left-hip' | 'right-hip' | 'left-knee' | 'right-knee'): number =>
  pointError(performance.smoothed[id]!, id, 10, performance.bodyHeight, 'left').sd;

describe('the middle of two found joints', () => {
  it('of the hips is surer than independent errors would make it: they go apart and together about it', () => {
    const performance = standing();
    const [left, right] = [sdOf(performance, 'left-hip'), sdOf(performance, 'right-hip')];
    const middle = pointAt(performance, 'mid-hip', 10, 0)!;
    // Correlation of minus one half: (l^2 + r^2 - l r) / 4.
    expect(middle.sdY).toBeCloseTo(Math.sqrt(left ** 2 + right ** 2 - left * right) / 2, 9);
    expect(middle.alike).toBeGreaterThan(0);
    expect(middle.alike).toBeLessThan(1);
  });

  it('is as sure as independent errors make it once a person has placed one of them', () => {
    const performance = standing((track) => placePoint(track, track['left-hip']!.x.length, 'left-hip', 10, 300, 250));
    expect(pointAt(performance, 'mid-hip', 10, 0)!.sdY).toBeCloseTo(
      Math.hypot(sdOf(performance, 'left-hip'), sdOf(performance, 'right-hip')) / 2,
      9,
    );
  });

  it('lies between them, in movement coordinates', () => {
    expect(pointAt(standing(), 'mid-hip', 10, 0)).toMatchObject({
      x: expect.closeTo(305, 6) as number,
      y: expect.closeTo(-250, 6) as number,
    });
  });
});
