import { stickTrial, BODY } from '../../../tests/fixtures/stick-trial';
import { ORIGIN, type Track } from '../tracks/track';
import { spaceCameraOf, statedAzimuth } from './camera-of-trial';
import { sharedFrames } from './problem-of-cameras';

const main = stickTrial(() => BODY, {});

test.each([
  ['side', 'right', 0],
  ['side', 'left', 180],
  ['front', 'left', 90],
  ['back', 'right', -90],
  ['overhead', 'left', 180],
] as const)('a camera from the %s of somebody who goes to the %s stands at %d degrees', (kind, travel, degrees) => {
  expect(statedAzimuth({ view: { kind, offPlaneDegrees: null }, travel })).toBe(degrees);
});

test.each([
  ['side', 'right', 40, 40],
  ['side', 'left', -40, 140],
  ['front', 'right', 30, 120],
  ['back', 'left', 30, -60],
] as const)(
  'one that is said to stand off the %s, to the %s by %d, stands at %d degrees',
  (kind, travel, off, degrees) => {
    expect(statedAzimuth({ view: { kind, offPlaneDegrees: off }, travel })).toBe(degrees);
  },
);

test('frames in which half of the joints are lost at either end of a clip are not of the body', () => {
  const sure = Float32Array.from({ length: 41 }, (_, i) => (i < 5 || i > 37 ? 0.01 : i === 20 ? 0.02 : 0.8));
  const origin = new Uint8Array(41).fill(ORIGIN.detected);
  const smoothed = Object.fromEntries(
    Object.entries(main.smoothed).map(([id, series]) => [id, { ...series, confidence: sure, origin }]),
  ) as Track;
  const late = spaceCameraOf({ ...main, smoothed }, null, 0);
  const always = spaceCameraOf(main, null, 0);
  const from5To37 = Array.from({ length: 33 }, (_, i) => i + 5);
  expect(sharedFrames([late, always])).toEqual(from5To37);
  expect(sharedFrames([always, late])).toEqual(from5To37);
  expect(sharedFrames([always, always])).toHaveLength(41);
});
