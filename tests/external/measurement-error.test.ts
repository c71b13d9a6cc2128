import fc from 'fast-check';
import { foreshorten, unforeshorten } from '../../src/core/calibration/view';
import { totalMass } from '../../src/core/anatomy/segment-table';
import { interiorAngle, segmentAngle } from '../../src/core/geometry/angle';
import { durationDifferenceSd, durationSd, eventSd } from '../../src/core/statistics/event-time';
import { COVERAGE_95, normalCdf } from '../../src/core/statistics/normal';
import { interiorAngleSd, segmentAngleSd } from '../../src/core/statistics/propagate';

const degrees = (radians: number): number => (radians * 180) / Math.PI;
const at = (x: number, y: number, sd: number) => ({ x, y, sdX: sd, sdY: sd });

describe('error of a digitised joint angle', () => {
  // sd(theta) = s sqrt(2/a^2 + 2/c^2 - 2 cos(theta)/(a c)); worked numbers with a = .42 m, c = .43 m, s = .005 m.
  it.each([
    [90, 1.35],
    [170, 1.65],
  ])('at %i degrees is %f degrees', (angle, expected) => {
    const theta = (angle * Math.PI) / 180;
    const sd = interiorAngleSd(
      at(0.42, 0, 0.005),
      at(0, 0, 0.005),
      at(0.43 * Math.cos(theta), 0.43 * Math.sin(theta), 0.005),
    );
    expect(degrees(sd)).toBeCloseTo(expected, 2);
  });

  it('equals the closed form for any lengths and angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.double({ min: 0.05, max: 3.1, noNaN: true }),
        (a, c, theta) => {
          const s = 0.004;
          const closed = s * Math.sqrt(2 / a ** 2 + 2 / c ** 2 - (2 * Math.cos(theta)) / (a * c));
          expect(
            interiorAngleSd(at(a, 0, s), at(0, 0, s), at(c * Math.cos(theta), c * Math.sin(theta), s)),
          ).toBeCloseTo(closed, 10);
        },
      ),
      { seed: 7, numRuns: 200 },
    );
  });

  it('is the spread that random digitising shows', () => {
    let state = 12345;
    const uniform = (): number => (state = (state * 1664525 + 1013904223) % 4294967296) / 4294967296;
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform() + 1e-12)) * Math.cos(2 * Math.PI * uniform());
    const [a, b, c] = [
      { x: 0.3, y: 0.25 },
      { x: 0, y: 0 },
      { x: 0.1, y: -0.4 },
    ];
    const s = 0.004;
    const near = (p: { x: number; y: number }) => ({ x: p.x + s * normal(), y: p.y + s * normal() });
    const spread = (sample: () => number): number => {
      const values = Array.from({ length: 20000 }, sample);
      const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
      return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (values.length - 1));
    };
    const joint = spread(() => interiorAngle(near(a), near(b), near(c)));
    expect(joint / interiorAngleSd(at(a.x, a.y, s), at(b.x, b.y, s), at(c.x, c.y, s))).toBeCloseTo(1, 1);
    const segment = spread(() => segmentAngle(near(a), near(c), 'up'));
    expect(segment / segmentAngleSd(at(a.x, a.y, s), at(c.x, c.y, s))).toBeCloseTo(1, 1);
  });
});

describe('error of timing at a frame rate', () => {
  // An event is uniform within its frame: T/sqrt(12); an interval T/sqrt(6). At 50 Hz: 5.77 and 8.16 ms.
  it('is 5.77 ms for an event and 8.16 ms for an interval at 50 Hz', () => {
    expect(eventSd(1 / 50) * 1000).toBeCloseTo(5.77, 2);
    expect(durationSd(1 / 50) * 1000).toBeCloseTo(8.16, 2);
  });

  it('joins the two clips of a difference in quadrature', () => {
    expect(durationDifferenceSd(1 / 50, 1 / 120)).toBeCloseTo(Math.hypot(durationSd(1 / 50), durationSd(1 / 120)), 12);
  });
});

describe('an oblique view', () => {
  it('shrinks a length along the plane by the cosine', () => {
    expect(foreshorten(1, Math.PI / 3)).toBeCloseTo(0.5, 12);
    expect(unforeshorten(foreshorten(0.73, 0.4), 0.4)).toBeCloseTo(0.73, 12);
  });

  it('turns an angle b to the vertical into b\u2019 with tan(b\u2019) = tan(b) cos(phi)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1.2, max: 1.2, noNaN: true }),
        fc.double({ min: 0, max: 1.2, noNaN: true }),
        (b, phi) => {
          const seen = segmentAngle({ x: 0, y: 0 }, { x: foreshorten(Math.sin(b), phi), y: Math.cos(b) }, 'up');
          expect(Math.tan(seen)).toBeCloseTo(Math.tan(b) * Math.cos(phi), 10);
        },
      ),
      { seed: 11, numRuns: 200 },
    );
  });
});

describe('segment masses of de Leva 1996', () => {
  it('sum to 100.00 % (male) and 99.99 % (female)', () => {
    expect(totalMass('male')).toBeCloseTo(100, 8);
    expect(totalMass('female')).toBeCloseTo(99.99, 8);
  });
});

describe('the normal distribution', () => {
  // Handbook values: 97.5 % at 1.96, 84.13 % at 1 (any statistical table).
  it('has its table values', () => {
    expect(normalCdf(COVERAGE_95)).toBeCloseTo(0.975, 4);
    expect(normalCdf(1)).toBeCloseTo(0.8413, 4);
    expect(normalCdf(-1)).toBeCloseTo(0.1587, 4);
    expect(normalCdf(0)).toBeCloseTo(0.5, 7);
  });
});
