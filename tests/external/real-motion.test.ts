import { centreOfMassWeights, limbInertia, type LimbSegment } from '../../src/core/anatomy/centre-of-mass';
import { spatialHeight } from '../../src/core/tracks/spatial-view';
import { CMU_UNIT, flexion, readMotion } from '../fixtures/motion';

/** Recordings of people, read by the product's own readers, against what physics and handbooks say of them. */

/** Least squares parabola; its second derivative. */
function acceleration(values: readonly number[], rate: number): number {
  const n = values.length;
  const times = values.map((_, i) => (i - (n - 1) / 2) / rate);
  // About the middle the odd sums vanish.
  const [t2, t4] = [2, 4].map((p) => times.reduce((sum, t) => sum + t ** p, 0)) as [number, number];
  const y = values.reduce((sum, v) => sum + v, 0);
  const yt2 = values.reduce((sum, v, i) => sum + v * times[i]! ** 2, 0);
  return (2 * (n * yt2 - t2 * y)) / (n * t4 - t2 ** 2);
}

test('through ten flights the centre of mass falls as everything does: mean within 3 % of 9.81 m/s2', () => {
  const { points, recording } = readMotion('jumps.bvh', CMU_UNIT);
  const weights = centreOfMassWeights('male');
  const height = points['left-hip']!.y.map((_, i) =>
    weights.reduce((sum, { id, weight }) => sum + weight * points[id]!.y[i]!, 0),
  );
  const toes = height.map((_, i) => Math.min(points['left-foot-index']!.y[i]!, points['right-foot-index']!.y[i]!));
  const ground = Math.min(...toes);
  // In the air: both toes well above where they stand, for more than an eighth of a second.
  const flights: [number, number][] = [];
  let start = -1;
  toes.forEach((y, i) => {
    if (y > ground + 0.11) start = start < 0 ? i : start;
    else {
      if (start >= 0 && i - start >= 16) flights.push([start, i]);
      start = -1;
    }
  });
  expect(flights).toHaveLength(10);
  const falls = flights.map(([from, to]) => -acceleration(Array.from(height.slice(from, to)), recording.rate));
  expect(Math.abs(falls.reduce((sum, g) => sum + g, 0) / falls.length / 9.81 - 1)).toBeLessThan(0.03);
  for (const g of falls) expect(Math.abs(g / 9.81 - 1)).toBeLessThan(0.15);
});

test('walking in, the knee bends 66 to 74 degrees in swing', () => {
  const { points } = readMotion('climb.bvh', CMU_UNIT);
  const peak = (side: 'left' | 'right', from: number, to: number): number =>
    Math.max(...flexion(points[`${side}-hip`]!, points[`${side}-knee`]!, points[`${side}-ankle`]!).slice(from, to));
  // The strides before the climb begins.
  for (const value of [peak('left', 40, 120), peak('right', 110, 200), peak('left', 200, 280)]) {
    expect(value).toBeGreaterThanOrEqual(66);
    expect(value).toBeLessThanOrEqual(75);
  }
});

test('a laboratory\u2019s squats: 53 markers, dropouts, the left knee to about 94 and 104 degrees', () => {
  const { recording, warnings, points } = readMotion('squat.c3d', 0.001);
  expect([recording.markers.length, recording.rate, recording.unit]).toEqual([53, 120, 'mm']);
  expect(warnings).toEqual(['The file says it has 2539 frames and has 700; all of those were read.']);
  const knee = flexion(points['left-hip']!, points['left-knee']!, points['left-ankle']!);
  const peak = (from: number, to: number): number =>
    Math.max(...Array.from(knee.slice(from, to)).filter((v) => !Number.isNaN(v)));
  // Where a hip's centre lies between two markers is a matter of a few degrees.
  expect(Math.abs(peak(400, 480) - 94)).toBeLessThan(5);
  expect(Math.abs(peak(520, 600) - 104)).toBeLessThan(5);
  expect(recording.markers.some((m) => m.x.some(Number.isNaN))).toBe(true);
  expect(spatialHeight(points)).toBeGreaterThan(1.5);
  expect(spatialHeight(points)).toBeLessThan(1.95);
});

test('a file whose header miscounts its frames opens with a warning, every frame read', () => {
  const { recording, warnings } = readMotion('wrong-count.bvh', 0.01);
  expect(recording.markers[0]!.x).toHaveLength(3070);
  expect(warnings).toEqual(['The file says it has 3069 frames and has 3070; all of those were read.']);
});

test('a leg swings the easier the more it is bent: straight, at 90 and at 120 degrees about 2.49 : 1.61 : 1.16 (de Leva proportions)', () => {
  // Segment lengths of de Leva 1996, table 2 (from memory), metres.
  const [thigh, shank, foot] = [0.4222, 0.434, 0.2581];
  const leg = (bent: number): number => {
    const a = (bent * Math.PI) / 180;
    const [hip, knee] = [
      { x: 0, y: 0 },
      { x: 0, y: -thigh },
    ];
    const down = { x: -Math.sin(a), y: -Math.cos(a) };
    const ankle = { x: knee.x + shank * down.x, y: knee.y + shank * down.y };
    const along = (u: number): { x: number; y: number } => ({
      x: ankle.x - down.y * u * foot,
      y: ankle.y + down.x * u * foot,
    });
    const segments: LimbSegment[] = [
      { name: 'thigh', from: hip, to: knee },
      { name: 'shank', from: knee, to: ankle },
      { name: 'foot', from: along(-0.25), to: along(0.75) },
    ];
    return limbInertia(segments, hip, 'male');
  };
  expect(Math.abs(leg(0) / leg(120) / (2.49 / 1.16) - 1)).toBeLessThan(0.05);
  expect(Math.abs(leg(90) / leg(120) / (1.61 / 1.16) - 1)).toBeLessThan(0.05);
});
