import { SQUARE } from '../calibration/view';
import { stickClip } from '../../../tests/fixtures/stick-trial';
import { pointError } from '../tracks/point-error';
import { mergeDetections, placePoint, type DetectedPoints, type Track } from '../tracks/track';
import { prepareTrial, type Trial } from './trial';
import { pointAt } from './places';

/** Somebody who stands, found in all frames: both hips, shoulders, knees and ankles. */
function standing(change: (track: Track) => Track = (track) => track): Trial {
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
  ) as DetectedPoints;
  const clip = stickClip();
  const frames = clip.frameTimes.length;
  return prepareTrial(
    clip,
    change(mergeDetections({}, frames, new Map(Array.from({ length: frames }, (_, i) => [i, points])))),
    {},
    20,
  );
}
const sdOf = (trial: Trial, id: 'left-hip' | 'right-hip' | 'left-knee' | 'right-knee'): number =>
  pointError(trial.smoothed[id]!, id, 10, trial.bodyHeight, id.startsWith('left') ? 'far' : 'near').sd.y;

describe('the middle of two found joints', () => {
  it('of the hips is surer than independent errors would make it: they go apart and together about it', () => {
    const trial = standing();
    const [left, right] = [sdOf(trial, 'left-hip'), sdOf(trial, 'right-hip')];
    const middle = pointAt(trial, 'mid-hip', 10, SQUARE)!;
    // Correlation of minus one half: (l^2 + r^2 - l r) / 4.
    expect(middle.sdY).toBeCloseTo(Math.sqrt(left ** 2 + right ** 2 - left * right) / 2, 9);
    expect(middle.systematic).toBeGreaterThan(0);
    expect(middle.systematic).toBeLessThan(1);
  });

  it('is as sure as independent errors make it once a person has placed one of them', () => {
    const trial = standing((track) => placePoint(track, track['left-hip']!.x.length, 'left-hip', 10, 300, 250));
    expect(pointAt(trial, 'mid-hip', 10, SQUARE)!.sdY).toBeCloseTo(
      Math.hypot(sdOf(trial, 'left-hip'), sdOf(trial, 'right-hip')) / 2,
      9,
    );
  });

  it('lies between them, in movement coordinates', () => {
    expect(pointAt(standing(), 'mid-hip', 10, SQUARE)).toMatchObject({
      x: expect.closeTo(305, 6) as number,
      y: expect.closeTo(-250, 6) as number,
    });
  });
});
