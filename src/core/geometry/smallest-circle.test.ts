import fc from 'fast-check';
import { smallestCircle } from './smallest-circle';

test('a triangle\u2019s circle, a line\u2019s, a point\u2019s', () => {
  expect(
    smallestCircle([
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 2, y: 3 },
    ]).radius,
  ).toBeCloseTo(13 / 6, 12);
  expect(
    smallestCircle([
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 4, y: 4 },
    ]),
  ).toMatchObject({ centre: { x: 2, y: 2 } });
  expect(smallestCircle([{ x: 3, y: 1 }]).radius).toBe(0);
});

test('it holds every point, and no point can be spared by a smaller one', () => {
  const point = fc.record({
    x: fc.double({ min: -100, max: 100, noNaN: true }),
    y: fc.double({ min: -100, max: 100, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 30 }), (points) => {
      const { centre, radius } = smallestCircle(points);
      const away = points.map((p) => Math.hypot(p.x - centre.x, p.y - centre.y));
      expect(Math.max(...away)).toBeLessThanOrEqual(radius + 1e-6);
      // The smallest circle cannot be smaller than half of the widest pair, nor larger than that by more than 2 /
      // sqrt(3) (Jung 1901).
      const widest = Math.max(...points.flatMap((p) => points.map((q) => Math.hypot(p.x - q.x, p.y - q.y))));
      expect(radius).toBeGreaterThanOrEqual(widest / 2 - 1e-6);
      expect(radius).toBeLessThanOrEqual(widest / Math.sqrt(3) + 1e-6);
    }),
    { numRuns: 300, seed: 5 },
  );
});
