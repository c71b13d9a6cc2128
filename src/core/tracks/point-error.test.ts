import { doubtError, moreDoubtful, pointError } from './point-error';
import { emptySeries, ORIGIN } from './track';

const detected = (origin: number): Parameters<typeof pointError>[0] => {
  const series = emptySeries(1);
  series.origin[0] = origin;
  series.confidence[0] = 1;
  return series;
};

test('a body that is small in the picture widens the error of what is detected, by a pixel at most, and of nothing else', () => {
  const share = (height: number): number =>
    pointError(detected(ORIGIN.detected), 'left-knee', 0, height, 'near').sd.x / height;
  expect(share(500)).toBeCloseTo(share(250), 9);
  for (const height of [125, 70]) {
    const added = Math.sqrt(share(height) ** 2 - share(250) ** 2) * height;
    expect(added).toBeGreaterThan(0.8);
    expect(added).toBeLessThan(1);
  }
  const byHand = (height: number): number => pointError(detected(ORIGIN.hand), 'left-knee', 0, height, 'near').sd.x;
  expect(byHand(70)).toBe(byHand(500));
});

test('hips and shoulders of a small body go apart about a middle that is as coarse as they are', () => {
  const middle = (height: number): number => {
    const { sd, ofSides } = pointError(detected(ORIGIN.detected), 'left-hip', 0, height, 'near');
    return sd.x * Math.sqrt((1 + ofSides.x) / 2);
  };
  // About the middle of a large one they are known better than either; a pixel more says nothing of that.
  const added = Math.sqrt(middle(100) ** 2 - (middle(250) / 2.5) ** 2);
  expect(added).toBeCloseTo(Math.sqrt(1 - 0.4 ** 2) / Math.SQRT2, 6);
});

test('a point that is made more doubtful carries both errors, in quadrature', () => {
  expect(moreDoubtful(0.8, 0)).toBe(0.8);
  expect(doubtError(moreDoubtful(0.8, 0.01))).toBeCloseTo(Math.hypot(doubtError(0.8), 0.01), 10);
});

test('from the front a joint is more wrong up and down than across, and both hips are so together', () => {
  const from = (id: 'left-hip' | 'left-elbow' | 'left-ankle', seen: 'near' | 'front') =>
    pointError(detected(ORIGIN.detected), id, 0, 500, seen);
  for (const id of ['left-hip', 'left-elbow', 'left-ankle'] as const) {
    const { sd, systematic } = from(id, 'front');
    expect(sd.y).toBeGreaterThan(2 * sd.x);
    expect(systematic.y).toBeLessThan(sd.y);
    expect(from(id, 'near').sd.x).toBe(from(id, 'near').sd.y);
  }
  expect(from('left-hip', 'front').ofSides.y).toBeGreaterThan(0.5);
  expect(from('left-hip', 'front').ofSides.x).toBeLessThan(0);
});
