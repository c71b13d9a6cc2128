import { walk } from '../../../tests/fixtures/detected-walk';
import { exchangeSides, fuseDetections, resolveDetections } from './fuse-detections';
import type { DetectedPoints } from '../tracks/track';

describe('two detections at a frame', () => {
  const first = walk().get(15)!;
  it('are averaged, and sure where they agree', () => {
    const second = Object.fromEntries(
      Object.entries(first).map(([id, p]) => [id, { ...p!, x: p!.x + 2 }]),
    ) as DetectedPoints;
    const merged = fuseDetections(first, second);
    expect(merged['left-knee']!.x).toBeCloseTo(first['left-knee']!.x + 0.6 * 2, 9);
    expect(merged['left-knee']!.confidence).toBeGreaterThan(0.7);
  });

  it('are half sure at four hundredths of standing height', () => {
    const second = {
      ...first,
      'left-knee': { ...first['left-knee']!, x: first['left-knee']!.x + 0.04 * 0.9 * 240, confidence: 1 },
    };
    const merged = fuseDetections({ ...first, 'left-knee': { ...first['left-knee']!, confidence: 1 } }, second);
    expect(merged['left-knee']!.confidence).toBeCloseTo(0.5, 9);
  });

  it('agree on a limb that the second detection labels the other way round', () => {
    const merged = fuseDetections(
      first,
      exchangeSides(first, (id) => /hip|knee|ankle/.test(id)),
    );
    expect(merged['left-ankle']!.x).toBeCloseTo(first['left-ankle']!.x, 9);
  });

  it('that contradict each other are decided by the smoother path, not averaged', () => {
    const detections = new Map([...walk()].map(([i, points]) => [i, [points, points]] as [number, DetectedPoints[]]));
    const good = detections.get(30)![0]!['left-elbow']!;
    detections.set(30, [
      { ...detections.get(30)![0]!, 'left-elbow': { ...good, x: good.x + 80 } },
      detections.get(30)![1]!,
    ]);
    const resolved = resolveDetections(detections).get(30)!;
    expect(resolved['left-elbow']!.x).toBeCloseTo(good.x, 9);
    expect(resolved['left-elbow']!.confidence).toBeCloseTo(0.27, 9);
    expect(resolved['left-knee']).toEqual({ ...detections.get(30)![0]!['left-knee']!, confidence: 0.9 });
  });

  it('leave points half sure that the second detector does not know', () => {
    const second = Object.fromEntries(Object.entries(first).filter(([id]) => id !== 'left-knee')) as DetectedPoints;
    const merged = fuseDetections(first, second);
    expect(merged['left-knee']).toEqual({ ...first['left-knee']!, confidence: 0.45 });
    expect(merged['right-knee']!.confidence).toBeCloseTo(0.9, 9);
  });

  it('of which there is only one are at most half sure', () => {
    const resolved = resolveDetections(new Map([[0, [first]]]));
    expect(resolved.get(0)!['left-knee']!.confidence).toBeCloseTo(0.45, 9);
    expect(resolveDetections(new Map([[0, []]])).size).toBe(0);
  });
});
