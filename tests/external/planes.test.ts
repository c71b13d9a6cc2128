import fc from 'fast-check';
import { homography, inverse, project, type Homography } from '../../src/core/calibration/homography';
import { groundPlane } from '../../src/core/calibration/ground';
import { similarity, transform } from '../../src/core/geometry/similarity';
import type { Vec2 } from '../../src/core/geometry/vec2';

const close = (a: Vec2, b: Vec2, digits: number): void => {
  expect(a.x).toBeCloseTo(b.x, digits);
  expect(a.y).toBeCloseTo(b.y, digits);
};

describe('homography', () => {
  /** From `H1to3p.xml` of Debian's opencv-doc: takes graf1.png to graf3.png. */
  const GRAF: Homography = [
    7.6285898e-1, -2.9922929e-1, 2.2567123e2, 3.3443473e-1, 1.0143901, -7.6999973e1, 3.4663091e-4, -1.4364524e-5, 1,
  ];

  it('is found again from points that a published one has moved', () => {
    const points = [
      { x: 20, y: 30 },
      { x: 760, y: 60 },
      { x: 700, y: 600 },
      { x: 90, y: 520 },
      { x: 400, y: 300 },
    ];
    for (const n of [4, 5]) {
      const found = homography(
        points.slice(0, n),
        points.slice(0, n).map((p) => project(GRAF, p)),
      );
      if (!found.ok) throw new Error(found.issue.message);
      found.value.forEach((v, i) => expect(v / (GRAF[i]! || 1)).toBeCloseTo(1, 6));
    }
    close(project(inverse(GRAF), project(GRAF, { x: 333, y: 222 })), { x: 333, y: 222 }, 8);
  });

  it('takes the unit square to a quadrilateral as the closed form does (Heckbert 1989, Fundamentals of texture mapping, section 2.2.3; from memory)', () => {
    const corner = fc.record({
      x: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      y: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.tuple(corner, corner, corner, corner), (moves) => {
        const square = [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 1, y: 1 },
          { x: 0, y: 1 },
        ];
        const quad = square.map((p, i) => ({ x: p.x + moves[i]!.x, y: p.y + moves[i]!.y })) as [Vec2, Vec2, Vec2, Vec2];
        const found = homography(square, quad);
        if (!found.ok) throw new Error(found.issue.message);
        const [p0, p1, p2, p3] = quad;
        const [dx1, dx2, dy1, dy2] = [p1.x - p2.x, p3.x - p2.x, p1.y - p2.y, p3.y - p2.y];
        const [sx, sy] = [p0.x - p1.x + p2.x - p3.x, p0.y - p1.y + p2.y - p3.y];
        const d = dx1 * dy2 - dx2 * dy1;
        const [g, h] = [(sx * dy2 - dx2 * sy) / d, (dx1 * sy - sx * dy1) / d];
        const closed: Homography = [
          p1.x - p0.x + g * p1.x,
          p3.x - p0.x + h * p3.x,
          p0.x,
          p1.y - p0.y + g * p1.y,
          p3.y - p0.y + h * p3.y,
          p0.y,
          g,
          h,
          1,
        ];
        for (const p of [
          { x: 0.5, y: 0.5 },
          { x: 0.2, y: 0.9 },
        ])
          close(project(found.value, p), project(closed, p), 6);
      }),
      { numRuns: 200, seed: 3 },
    );
  });

  it('refuses marks on one line', () => {
    expect(
      homography(
        [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 2, y: 0 },
          { x: 3, y: 0 },
        ],
        [
          { x: 0, y: 0 },
          { x: 1, y: 0 },
          { x: 1, y: 1 },
          { x: 0, y: 1 },
        ],
      ),
    ).toMatchObject({ ok: false, issue: { code: 'on-a-line' } });
    expect(homography([{ x: 0, y: 0 }], [{ x: 0, y: 0 }])).toMatchObject({ ok: false, issue: { code: 'too-few' } });
  });

  it('a pinhole camera over a lane: steps on the ground have their true length, near and far', () => {
    // Camera 1.6 m high, looking along the lane and 10 degrees down; focal length 900 pixels.
    const see = (x: number, z: number): Vec2 => {
      const [c, s] = [Math.cos(Math.PI / 18), Math.sin(Math.PI / 18)];
      const depth = c * z + s * 1.6;
      return { x: 640 + (900 * x) / depth, y: 360 + (900 * (c * 1.6 - s * z)) / depth };
    };
    const plane = groundPlane({
      corners: [see(-1, 4), see(-1, 14), see(1.5, 14), see(1.5, 4)],
      length: 10,
      width: 2.5,
    });
    if (!plane.ok) throw new Error(plane.issue.message);
    const [a, b] = [project(plane.value, see(0.2, 6)), project(plane.value, see(0.5, 7.2))];
    expect(Math.hypot(b.x - a.x, b.y - a.y)).toBeCloseTo(Math.hypot(0.3, 1.2), 9);
    close(a, { x: 2, y: 1.2 }, 9);
  });
});

describe('similarity', () => {
  // Figures and disparity of scipy.spatial.procrustes (SciPy 1.17).
  const A = [
    [-1.406, 1.351],
    [0.255, 4.841],
    [4.408, 4.219],
    [-0.658, 2.43],
    [3.246, 7.27],
    [1.818, 1.533],
  ].map(([x, y]) => ({ x: x!, y: y! }));
  const B = [
    [1.306, -1.45],
    [-0.222, 4.614],
    [6.16, 8.687],
    [1.15, 0.485],
    [0.896, 11.883],
    [5.713, 2.101],
  ].map(([x, y]) => ({ x: x!, y: y! }));

  it('leaves over what SciPy\u2019s procrustes does', () => {
    const found = similarity(A, B);
    expect(found.ok && found.value.disparity).toBeCloseTo(0.001874649443250429, 12);
  });

  it('is found again', () => {
    const known = { scale: 1.8, turn: 0.7, shift: { x: 5, y: -2 }, disparity: 0 };
    const found = similarity(
      A,
      A.map((p) => transform(known, p)),
    );
    if (!found.ok) throw new Error(found.issue.message);
    expect(found.value.scale).toBeCloseTo(1.8, 10);
    expect(found.value.turn).toBeCloseTo(0.7, 10);
    close(found.value.shift, known.shift, 10);
    expect(found.value.disparity).toBeCloseTo(0, 10);
  });
});
