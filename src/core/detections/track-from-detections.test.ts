import { walk } from '../../../tests/fixtures/detected-walk';
import { agreedLimbs, exchangeSides } from './fuse-detections';
import { trackFromDetections } from './track-from-detections';
import { bodyHeightPixels, pointError } from '../tracks/point-error';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { mergeDetections, placePoint, type Track } from '../tracks/track';

const track = (detected = walk()): Track => mergeDetections({}, 120, detected);

describe('what two detectors saw', () => {
  const isLeg = (id: string): boolean => /hip|knee|ankle/.test(id);
  const detections = new Map(
    [...walk()].map(([i, seen]) => [i, [seen, i === 40 ? exchangeSides(seen, isLeg) : seen] as const]),
  );

  const TIMES = Float64Array.from({ length: 120 }, (_, i) => i / 120);

  it('names the sides of a limb alike or not, limb by limb', () => {
    const agreed = agreedLimbs(detections);
    expect([agreed.legs.has(40), agreed.arms.has(40), agreed.legs.size]).toEqual([false, true, 119]);
    expect(agreedLimbs(new Map([[0, [walk().get(0)!]]])).legs.size).toBe(0);
  });

  it('is taken where they say, whichever of them exchanged the legs', () => {
    const taken = trackFromDetections({}, TIMES, detections, 'accurate');
    const there = track();
    for (const id of ['left-ankle', 'right-knee'] as const)
      taken[id]!.x.forEach((x, i) => expect(x).toBeCloseTo(there[id]!.x[i]!, 6));
  });

  it('is less sure and never surer where small models saw it, at the same places; what a person placed stays as sure', () => {
    const placed = placePoint({}, 120, 'left-ankle', 5, 50, 60);
    const [fast, accurate] = (['fast', 'accurate'] as const).map((setting) =>
      trackFromDetections(placed, TIMES, detections, setting),
    );
    for (const id of ['left-knee', 'right-wrist'] as const) {
      expect(fast![id]!.x).toEqual(accurate![id]!.x);
      fast![id]!.confidence.forEach((c, i) => expect(c).toBeLessThan(accurate![id]!.confidence[i]!));
      const [sdFast, sdAccurate] = [fast, accurate].map((t) => pointError(t![id]!, id, 10, 300, 'near').sd.x) as [
        number,
        number,
      ];
      expect(sdFast).toBeGreaterThan(sdAccurate);
    }
    expect(fast!['left-ankle']!.confidence[5]).toBe(accurate!['left-ankle']!.confidence[5]);
  });
});

describe('how sure a point is', () => {
  const t = track();
  it('takes standing height from the chain of segments', () => {
    // Trunk, thigh and shank are 0.779 of standing height; upright they measure 240 px here.
    expect(bodyHeightPixels(t)).toBeGreaterThan(240 / 0.779 - 5);
    expect(bodyHeightPixels(t)).toBeLessThan(260 / 0.779);
    expect(bodyHeightPixels({})).toBeNaN();
  });

  it('is surer by hand than found, near than far, agreed than doubted', () => {
    const hand = placePoint(t, 120, 'left-knee', 5, 1, 2);
    const sd = (track: Track, frame: number, seen: 'near' | 'far'): number =>
      pointError(track['left-knee']!, 'left-knee', frame, 300, seen).sd.x;
    expect(sd(hand, 5, 'near')).toBe(HAND_SD_PIXELS);
    expect(sd(hand, 6, 'near')).toBeLessThan(sd(hand, 6, 'far'));
    const doubted = mergeDetections({}, 120, new Map([[6, { 'left-knee': { x: 1, y: 1, confidence: 0.1 } }]]));
    expect(sd(doubted, 6, 'near')).toBeGreaterThan(2 * sd(hand, 6, 'near'));
  });

  it('is worth a twentieth of a body where two detectors contradict each other, as their error against truth is', () => {
    const times = Float64Array.from({ length: 120 }, (_, i) => i / 120);
    const apart = (frame: number, by: number) => {
      const seen = walk().get(frame)!;
      const knee = seen['left-knee']!;
      return [seen, { ...seen, 'left-knee': { ...knee, x: knee.x + by } }];
    };
    const detections = new Map(Array.from(times, (_, i) => [i, apart(i, i >= 40 && i < 60 ? 40 : 0)]));
    const seen = trackFromDetections({}, times, detections, 'accurate');
    const height = bodyHeightPixels(seen);
    const share = (frame: number): number =>
      pointError(seen['left-knee']!, 'left-knee', frame, height, 'near').sd.x / height;
    expect(share(20)).toBeLessThan(0.01);
    expect(share(50)).toBeGreaterThan(0.04);
  });
});
