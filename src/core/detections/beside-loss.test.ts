import { walk } from '../../../tests/fixtures/detected-walk';
import { UNSURE_CONFIDENCE } from '../tracks/point-error';
import type { DetectedPoints } from '../tracks/track';
import { besideLoss } from './beside-loss';
import { trackFromDetections } from './track-from-detections';

const TIMES = Float64Array.from({ length: 120 }, (_, i) => i / 60);
const seen = (points: DetectedPoints): readonly DetectedPoints[] => [points];
/** A walk of which the frames from one to before another are those of nobody. */
const lost = (from: number, to: number): Map<number, readonly DetectedPoints[]> =>
  new Map([...walk()].map(([frame, points]) => [frame, frame >= from && frame < to ? [] : seen(points)]));

test('the frames of a thirtieth of a second before and after a loss are beside it; one that is bridged has none', () => {
  expect([...besideLoss(lost(50, 60), TIMES)].sort((a, b) => a - b)).toEqual([47, 48, 49, 60, 61, 62]);
  expect([...besideLoss(lost(50, 53), TIMES)]).toEqual([]);
  expect([...besideLoss(lost(0, 10), TIMES)]).toEqual([10, 11, 12]);
  expect([...besideLoss(lost(110, 120), TIMES)].sort((a, b) => a - b)).toEqual([107, 108, 109]);
});

test('who was not sure is lost as well as who was not seen', () => {
  const unsure = new Map(
    [...walk()].map(([frame, points]): [number, readonly DetectedPoints[]] => [
      frame,
      seen(
        Object.fromEntries(
          Object.entries(points).map(([id, p]) => [id, { ...p, confidence: frame >= 50 && frame < 60 ? 0.5 : 0.9 }]),
        ),
      ),
    ]),
  );
  expect(besideLoss(unsure, TIMES)).toEqual(besideLoss(lost(50, 60), TIMES));
});

test('points beside a loss are doubted, others keep what the detector said', () => {
  const { confidence } = trackFromDetections({}, TIMES, lost(50, 60), 'accurate')['left-knee']!;
  expect(confidence[49]).toBeLessThan(UNSURE_CONFIDENCE);
  expect(confidence[60]).toBeLessThan(UNSURE_CONFIDENCE);
  expect(confidence[40]).toBeCloseTo(confidence[80]!, 6);
  expect(confidence[40]).toBeGreaterThan(2 * confidence[49]!);
});
