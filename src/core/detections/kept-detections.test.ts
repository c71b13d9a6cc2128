import { walk } from '../../../tests/fixtures/detected-walk';
import { keptDetectionsSchema } from '../model/kept-detections';
import { placesOf } from '../tracks/keep-edits';
import { clearPoint, mergeDetections, ORIGIN, placePoint, swapSides, type Track } from '../tracks/track';
import { exchangeSides } from './fuse-detections';
import { deriveTrack, disagreement, packDetections, RULES, unpackDetections } from './kept-detections';
import { trackFromDetections } from './track-from-detections';

const FRAMES = 120;
const TIMES = Float64Array.from({ length: FRAMES }, (_, i) => i / FRAMES);
const RUN = { setting: 'accurate', person: null, again: [], complete: true } as const;
/** The first detector takes left for right on one frame; on another nobody is seen; every second one is looked at. */
const DETECTIONS = new Map(
  [...walk()]
    .filter(([i]) => i % 2 === 0)
    .map(([i, seen]) => [i, i === 60 ? [] : [i === 40 ? exchangeSides(seen) : seen, seen]] as const),
);
const kept = packDetections(DETECTIONS, RUN);

const close = (a: Track, b: Track): void => {
  expect(Object.keys(a).sort()).toEqual(Object.keys(b).sort());
  for (const [id, series] of Object.entries(a))
    series!.x.forEach((x, i) => expect(Math.abs(x - b[id as 'left-knee']!.x[i]!)).not.toBeGreaterThan(0.02));
};

test('detections are kept as they came, to a hundredth of a pixel', () => {
  expect(keptDetectionsSchema.safeParse(kept).success).toBe(true);
  const again = unpackDetections(kept);
  expect([...again.keys()]).toEqual([...DETECTIONS.keys()]);
  for (const [frame, seen] of DETECTIONS) {
    expect(again.get(frame)!.length).toBe(seen.length);
    seen.forEach((points, k) =>
      Object.entries(points).forEach(([id, { x, y, confidence }]) => {
        const read = again.get(frame)![k]![id as 'left-knee']!;
        expect(Math.max(Math.abs(read.x - x), Math.abs(read.y - y))).toBeLessThan(0.006);
        expect(read.confidence).toBeCloseTo(confidence, 4);
      }),
    );
  }
  close(deriveTrack({}, TIMES, kept, null).track, trackFromDetections({}, TIMES, DETECTIONS, 'accurate'));
});

test('samples that are not of its frames and points are refused', () => {
  const short = { ...kept, detectors: [{ ...kept.detectors[0]!, y: new Float32Array(3) }] };
  expect(keptDetectionsSchema.safeParse(short).error?.issues[0]?.message).toContain('as many samples');
});

test('a better rule is applied to detections of an earlier version; what somebody changed by hand stays', () => {
  // A version that took the first detector's word for everything.
  const first = new Map([...DETECTIONS].flatMap(([i, [seen]]) => (seen ? [[i, seen] as const] : [])));
  const earlier = mergeDetections({}, FRAMES, first);
  const before = { ...kept, rules: RULES - 1, derived: placesOf(earlier) };
  const byHand = placePoint(clearPoint(earlier, FRAMES, 'right-knee', 20), FRAMES, 'left-wrist', 30, 5, 6);
  const edited = swapSides(byHand, 80, 82, (id) => id.endsWith('ankle'));

  const { track, kept: after } = deriveTrack(edited, TIMES, kept, before);
  const today = deriveTrack({}, TIMES, kept, null).track;
  expect(after.rules).toBe(RULES);
  // Legs that were exchanged are put back, and frames between filled, which the earlier version did not do.
  expect(earlier['left-ankle']!.x[40]).not.toBeCloseTo(today['left-ankle']!.x[40]!, 0);
  expect(track['left-ankle']!.x[40]).toBeCloseTo(today['left-ankle']!.x[40]!, 6);
  expect(track['left-hip']!.origin[41]).toBe(ORIGIN.filled);
  expect(track['right-knee']!.x[20]).toBeNaN();
  expect([track['left-wrist']!.x[30], track['left-wrist']!.origin[30]]).toEqual([5, ORIGIN.hand]);
  expect(track['left-ankle']!.x[80]).toBeCloseTo(today['right-ankle']!.x[80]!, 1);
  expect(track['left-ankle']!.x[84]).toBeCloseTo(today['left-ankle']!.x[84]!, 6);
  // Once more, and with nothing changed since, all is as it was.
  const twice = deriveTrack(track, TIMES, after, after);
  close(twice.track, track);
});

test('how far apart two detectors put a point is said where both did', () => {
  const [frame, apart] = [10, 7];
  const seen = walk().get(frame)!;
  const second = { ...seen, 'left-knee': { ...seen['left-knee']!, x: seen['left-knee']!.x + apart } };
  const two = packDetections(new Map([[frame, [seen, second]]]), RUN);
  expect(disagreement(two, 'left-knee', frame)).toBeCloseTo(apart, 1);
  expect(disagreement(two, 'left-heel', frame)).toBeNull();
  expect(disagreement(two, 'left-knee', 11)).toBeNull();
});
