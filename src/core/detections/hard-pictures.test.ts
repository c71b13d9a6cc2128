import { normals } from '../../../tests/fixtures/random';
import { BODY_POINTS } from '../anatomy/body-points';
import type { DetectedPoints } from '../tracks/track';
import { hardPictures } from './hard-pictures';
import { trackFromDetections } from './track-from-detections';

/** A body of 300 pixels; the second detector sees its joints beside the first by a share of them. */
function clip(apart: (joint: string) => number, frames = 20): Map<number, readonly DetectedPoints[]> {
  const roll = normals(5);
  const seen = (off: (id: string) => number): DetectedPoints =>
    Object.fromEntries(
      BODY_POINTS.map((id, k) => {
        const side = id.startsWith('left') ? 40 : 0;
        return [id, { x: 100 + side + off(id), y: 50 + (300 * k) / (BODY_POINTS.length - 1), confidence: 0.9 }];
      }),
    );
  // 0.9 of the longer extent stands for standing height.
  return new Map(
    Array.from({ length: frames }, (_, i) => [i, [seen(() => 0), seen((id) => 270 * apart(id) * (1 + 0.1 * roll()))]]),
  );
}

test('detectors that lie apart as they usually do add nothing', () => {
  const { added, unseen } = hardPictures(
    clip(() => 0.009),
    'accurate',
  );
  expect([added.size, unseen.size]).toEqual([0, 0]);
});

test('joints at which they lie farther apart through the clip carry more, and what goes with them; others do not', () => {
  const { added } = hardPictures(
    clip((id) => (id === 'left-wrist' || id === 'right-ankle' ? 0.05 : 0.009)),
    'accurate',
  );
  expect([...added.keys()].sort()).toEqual(
    ['left-wrist', 'left-index', 'left-pinky', 'left-thumb', 'right-ankle', 'right-foot-index', 'right-heel'].sort(),
  );
  expect(added.get('left-wrist')).toBeGreaterThan(0.015);
  expect(added.get('left-thumb')).toBe(added.get('left-wrist'));
});

test('one detector alone, and a few frames, tell nothing', () => {
  const alone = new Map([...clip(() => 0.3)].map(([i, [first]]) => [i, [first!]]));
  for (const { added, unseen } of [
    hardPictures(
      clip(() => 0.3, 5),
      'accurate',
    ),
    hardPictures(alone, 'accurate'),
  ])
    expect([added.size, unseen.size]).toEqual([0, 0]);
});

test('joints that detectors see a tenth of the body apart through the clip are not seen: a track does not have them', () => {
  const detections = clip((id) => (/knee/.test(id) ? 0.2 : 0.009));
  expect([...hardPictures(detections, 'accurate').unseen].sort()).toEqual(['left-knee', 'right-knee']);
  const times = Float64Array.from(detections.keys(), (frame) => frame / 60);
  const accurate = trackFromDetections({}, times, detections, 'accurate');
  expect(accurate['left-knee']!.x.every(Number.isNaN)).toBe(true);
  expect(accurate['left-hip']!.x.some(Number.isNaN)).toBe(false);
});
