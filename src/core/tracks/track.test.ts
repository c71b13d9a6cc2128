import { walk } from '../../../tests/fixtures/detected-walk';
import {
  clearPoint,
  coverage,
  interpolateBetweenHands,
  mergeDetections,
  ORIGIN,
  placePoint,
  type Track,
} from './track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

describe('a track', () => {
  it('knows where every point comes from', () => {
    let t = track();
    expect(t['left-knee']!.origin[5]).toBe(ORIGIN.detected);
    t = placePoint(t, 120, 'left-knee', 5, 1, 2);
    expect([t['left-knee']!.x[5], t['left-knee']!.y[5], t['left-knee']!.origin[5]]).toEqual([1, 2, ORIGIN.hand]);
    t = clearPoint(t, 120, 'left-knee', 6);
    expect(t['left-knee']!.x[6]).toBeNaN();
    expect(coverage(t, 'left-knee')).toBeCloseTo(119 / 120, 12);
    expect(coverage(t, 'nose')).toBe(0);
  });

  it('does not change the track it is made from', () => {
    const before = track();
    const x = before['left-knee']!.x[5];
    placePoint(before, 120, 'left-knee', 5, 1, 2);
    expect(before['left-knee']!.x[5]).toBe(x);
  });

  it('keeps what a person placed when points are detected again', () => {
    const byHand = placePoint({}, 120, 'left-knee', 5, 1, 2);
    const again = mergeDetections(byHand, 120, walk());
    expect(again['left-knee']!.x[5]).toBe(1);
    expect(again['left-knee']!.origin[6]).toBe(ORIGIN.detected);
  });

  it('fills the frames between two points placed by hand on a straight line', () => {
    let t = placePoint(track(), 120, 'left-knee', 10, 0, 0);
    t = placePoint(t, 120, 'left-knee', 20, 100, 50);
    t = interpolateBetweenHands(t, 'left-knee', 20);
    expect([t['left-knee']!.x[15], t['left-knee']!.y[15], t['left-knee']!.origin[15]]).toEqual([
      50,
      25,
      ORIGIN.interpolated,
    ]);
    expect(t['left-knee']!.origin[21]).toBe(ORIGIN.detected);
    expect(interpolateBetweenHands(t, 'left-knee', 40)).toBe(t);
  });
});
