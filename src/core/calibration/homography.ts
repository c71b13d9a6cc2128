import { solve } from '../geometry/solve';
import { fail, ok, type Issue, type Result } from '../result';
import type { Vec2 } from '../geometry/vec2';
import { TEXT } from '../../text/core/calibration';

/** A plane perspective, row by row: a point (x, y, 1) goes to (X, Y, W), that is to (X / W, Y / W). */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

export function project(h: Homography, { x, y }: Vec2): Vec2 {
  const w = h[6] * x + h[7] * y + h[8];
  return { x: (h[0] * x + h[1] * y + h[2]) / w, y: (h[3] * x + h[4] * y + h[5]) / w };
}

const times = (a: Homography, b: Homography): Homography =>
  Array.from({ length: 9 }, (_, i) =>
    [0, 1, 2].reduce((sum, k) => sum + a[3 * Math.floor(i / 3) + k]! * b[3 * k + (i % 3)]!, 0),
  ) as unknown as Homography;

/** The way back. */
export function inverse(h: Homography): Homography {
  const [a, b, c, d, e, f, g, i, j] = h;
  const minors = [
    e * j - f * i,
    c * i - b * j,
    b * f - c * e,
    f * g - d * j,
    a * j - c * g,
    c * d - a * f,
    d * i - e * g,
    b * g - a * i,
    a * e - b * d,
  ] as const;
  const determinant = a * minors[0] + b * minors[3] + c * minors[6];
  return minors.map((m) => m / determinant) as unknown as Homography;
}

/**
 * Moves points to their middle and scales them to a mean distance of root two (Hartley 1997), which keeps the equations
 * sound.
 */
function normalising(points: readonly Vec2[]): Homography {
  const n = points.length;
  const [cx, cy] = [points.reduce((s, p) => s + p.x, 0) / n, points.reduce((s, p) => s + p.y, 0) / n];
  const away = points.reduce((s, p) => s + Math.hypot(p.x - cx, p.y - cy), 0) / n;
  const s = away > 0 ? Math.SQRT2 / away : 1;
  return [s, 0, -s * cx, 0, s, -s * cy, 0, 0, 1];
}

/**
 * The perspective that takes points of one plane to points of another: the direct linear transformation on normalised
 * points (Hartley 1997, In defence of the eight-point algorithm), least squares where there are more than four.
 * @param from,to at least four pairs, no three of them on one line
 */
export function homography(
  from: readonly Vec2[],
  to: readonly Vec2[],
): Result<Homography, Issue<'too-few' | 'on-a-line'>> {
  if (from.length < 4 || from.length !== to.length)
    return fail('too-few', TEXT.planeNeedsFourMarksEach(Math.min(from.length, to.length)));
  const [a, b] = [normalising(from), normalising(to)];
  const normal = Array.from({ length: 8 }, () => new Array<number>(8).fill(0));
  const right = new Array<number>(8).fill(0);
  from.forEach((p, i) => {
    const { x, y } = project(a, p);
    const { x: u, y: v } = project(b, to[i]!);
    for (const [row, value] of [
      [[x, y, 1, 0, 0, 0, -u * x, -u * y], u],
      [[0, 0, 0, x, y, 1, -v * x, -v * y], v],
    ] as const) {
      for (let r = 0; r < 8; r++) {
        right[r]! += row[r]! * value;
        for (let c = 0; c < 8; c++) normal[r]![c]! += row[r]! * row[c]!;
      }
    }
  });
  const h = solve(normal, right);
  if (!h) return fail('on-a-line', TEXT.threeOfMarksLie);
  const found = times(times(inverse(b), [...h, 1] as unknown as Homography), a);
  return ok(found.map((v) => v / found[8]) as unknown as Homography);
}
