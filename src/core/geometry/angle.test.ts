import fc from 'fast-check';
import { interiorAngle, segmentAngle, unwrap, wrapAngle } from './angle';

const coordinate = fc.double({ min: -500, max: 500, noNaN: true });
const point = fc.record({ x: coordinate, y: coordinate });

describe('interior angle', () => {
  it('has the values of plain geometry', () => {
    expect(interiorAngle({ x: 1, y: 0 }, { x: 0, y: 0 }, { x: 0, y: 1 })).toBeCloseTo(Math.PI / 2, 12);
    expect(interiorAngle({ x: 1, y: 0 }, { x: 0, y: 0 }, { x: -1, y: 0 })).toBeCloseTo(Math.PI, 12);
    expect(interiorAngle({ x: 1, y: 0 }, { x: 0, y: 0 }, { x: 2, y: 0 })).toBeCloseTo(0, 12);
  });

  it('does not depend on where the joint is, how it is turned, or which end is named first', () => {
    fc.assert(
      fc.property(
        point,
        point,
        point,
        coordinate,
        coordinate,
        fc.double({ min: -3, max: 3, noNaN: true }),
        (a, b, c, dx, dy, turn) => {
          fc.pre(Math.hypot(a.x - b.x, a.y - b.y) > 1 && Math.hypot(c.x - b.x, c.y - b.y) > 1);
          const angle = interiorAngle(a, b, c);
          const move = (p: { x: number; y: number }) => ({
            x: p.x * Math.cos(turn) - p.y * Math.sin(turn) + dx,
            y: p.x * Math.sin(turn) + p.y * Math.cos(turn) + dy,
          });
          expect(interiorAngle(move(a), move(b), move(c))).toBeCloseTo(angle, 6);
          expect(interiorAngle(c, b, a)).toBeCloseTo(angle, 12);
          expect(angle).toBeGreaterThanOrEqual(0);
          expect(angle).toBeLessThanOrEqual(Math.PI);
        },
      ),
      { seed: 3, numRuns: 300 },
    );
  });

  it('is not a number where two points lie on each other', () => {
    expect(interiorAngle({ x: 1, y: 1 }, { x: 1, y: 1 }, { x: 2, y: 0 })).toBeNaN();
  });
});

describe('segment angle', () => {
  const origin = { x: 0, y: 0 };
  it('is positive when leaning forward from the vertical, and when rising from the horizontal', () => {
    expect(segmentAngle(origin, { x: 0.1, y: 1 }, 'up')).toBeCloseTo(Math.atan(0.1), 12);
    expect(segmentAngle(origin, { x: 1, y: -1 }, 'down')).toBeCloseTo(Math.PI / 4, 12);
    expect(segmentAngle(origin, { x: 1, y: 1 }, 'forward')).toBeCloseTo(Math.PI / 4, 12);
  });
});

describe('wrapping and unwrapping', () => {
  it('wraps into half a turn either way', () => {
    fc.assert(
      fc.property(fc.double({ min: -100, max: 100, noNaN: true }), (angle) => {
        const wrapped = wrapAngle(angle);
        expect(wrapped).toBeGreaterThan(-Math.PI - 1e-9);
        expect(wrapped).toBeLessThanOrEqual(Math.PI + 1e-9);
        expect(Math.cos(wrapped)).toBeCloseTo(Math.cos(angle), 9);
        expect(Math.sin(wrapped)).toBeCloseTo(Math.sin(angle), 9);
      }),
      { seed: 5 },
    );
  });

  it('follows two full turns and passes over missing samples', () => {
    const truth = Float64Array.from({ length: 60 }, (_, i) => i * 0.22);
    const seen = truth.map((v, i) => (i === 20 || i === 21 ? NaN : wrapAngle(v)));
    const back = unwrap(seen);
    expect(back[59]).toBeCloseTo(truth[59]!, 9);
    expect(back[20]).toBeNaN();
  });
});
