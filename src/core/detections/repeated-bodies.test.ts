import { BODY_POINTS, type BodyPoint } from '../anatomy/body-points';
import type { DetectedPoints } from '../tracks/track';
import { exchangeSides } from './fuse-detections';
import { withoutRepeatedBodies } from './repeated-bodies';

/** Somebody 300 pixels tall at x, a stride of so many pixels from the left foot to the right. */
const somebody = (x: number, stride: number): DetectedPoints =>
  Object.fromEntries(
    BODY_POINTS.map((id, i) => {
      const leg = /knee|ankle|heel|foot/.test(id) ? (stride / 2) * (id.includes('left') ? -1 : 1) : 0;
      return [id, { x: x + leg + 4 * Math.sin(7 * i), y: (300 * i) / (BODY_POINTS.length - 1), confidence: 1 }];
    }),
  );
const moved = (detected: DetectedPoints, by: number): DetectedPoints =>
  Object.fromEntries(
    (Object.entries(detected) as [BodyPoint, { x: number; y: number; confidence: number }][]).map(([id, p], i) => [
      id,
      { ...p, x: p.x + by * Math.cos(5 * i), y: p.y + by * Math.sin(5 * i) },
    ]),
  );

test('a body that is given twice is taken once, also with its sides exchanged', () => {
  const walker = somebody(400, 120);
  expect(withoutRepeatedBodies([walker, moved(walker, 12)])).toEqual([walker]);
  expect(withoutRepeatedBodies([walker, exchangeSides(walker), moved(walker, 20)])).toEqual([walker]);
});

test('two who stand in one place of the picture, or beside each other, stay two', () => {
  const [walker, onlooker] = [somebody(400, 160), somebody(420, 0)];
  expect(withoutRepeatedBodies([walker, onlooker])).toHaveLength(2);
  expect(withoutRepeatedBodies([onlooker, somebody(460, 0)])).toHaveLength(2);
  expect(withoutRepeatedBodies([])).toEqual([]);
});
