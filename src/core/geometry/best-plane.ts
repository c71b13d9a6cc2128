import { cross, dot, lengthOf, minus, plus, scaled, unit, type Vec3 } from './vec3';

export interface BestPlane {
  readonly middle: Vec3;
  /** Unit vector across the plane. */
  readonly normal: Vec3;
  /** Root mean square of the points along its longer axis, its shorter one, and across it. */
  readonly spread: readonly [number, number, number];
}

type Symmetric = readonly [xx: number, yy: number, zz: number, xy: number, xz: number, yz: number];

/** Eigenvalues of a symmetric matrix, largest first: closed form by the trigonometric root (Smith 1961). */
function eigenvalues([xx, yy, zz, xy, xz, yz]: Symmetric): readonly [number, number, number] {
  const mean = (xx + yy + zz) / 3;
  const [a, b, c] = [xx - mean, yy - mean, zz - mean];
  const p = Math.sqrt((a * a + b * b + c * c + 2 * (xy * xy + xz * xz + yz * yz)) / 6);
  if (p === 0) return [mean, mean, mean];
  const determinant = a * (b * c - yz * yz) - xy * (xy * c - yz * xz) + xz * (xy * yz - b * xz);
  const angle = Math.acos(Math.min(1, Math.max(-1, determinant / (2 * p ** 3)))) / 3;
  const [first, last] = [mean + 2 * p * Math.cos(angle), mean + 2 * p * Math.cos(angle + (2 * Math.PI) / 3)];
  return [first, 3 * mean - first - last, last];
}

/**
 * The plane that points lie nearest to, by orthogonal least squares (Pearson 1901): across it is the eigenvector of the
 * smallest eigenvalue of their scatter. Null of points on one line, or fewer than three.
 */
export function bestPlane(points: readonly Vec3[]): BestPlane | null {
  if (points.length < 3) return null;
  const mean = (of: (p: Vec3) => number): number => points.reduce((sum, p) => sum + of(p), 0) / points.length;
  const middle = { x: mean((p) => p.x), y: mean((p) => p.y), z: mean((p) => p.z) };
  const about = points.map((p) => minus(p, middle));
  const scatter = (of: (p: Vec3) => number): number => about.reduce((sum, p) => sum + of(p), 0) / points.length;
  const matrix: Symmetric = [
    scatter((p) => p.x * p.x),
    scatter((p) => p.y * p.y),
    scatter((p) => p.z * p.z),
    scatter((p) => p.x * p.y),
    scatter((p) => p.x * p.z),
    scatter((p) => p.y * p.z),
  ];
  const [xx, yy, zz, xy, xz, yz] = matrix;
  const values = eigenvalues(matrix);
  const least = values[2];
  const rows = [
    { x: xx - least, y: xy, z: xz },
    { x: xy, y: yy - least, z: yz },
    { x: xz, y: yz, z: zz - least },
  ] as const;
  // Every row lies in the plane: the two that are farthest from parallel tell across it best.
  const [across] = [cross(rows[0], rows[1]), cross(rows[0], rows[2]), cross(rows[1], rows[2])].sort(
    (a, b) => lengthOf(b) - lengthOf(a),
  );
  if (lengthOf(across!) <= Number.EPSILON * values[0] ** 2) return null;
  const spread = values.map((v) => Math.sqrt(Math.max(0, v))) as [number, number, number];
  return { middle, normal: unit(across!), spread };
}

const UP: Vec3 = { x: 0, y: 1, z: 0 };

/** How steep a plane is: 0 level, a right angle upright; radians. */
export const inclinationOf = (normal: Vec3): number => Math.atan2(lengthOf(cross(normal, UP)), Math.abs(normal.y));

/** The level line of a plane, and the one straight up it; of a level plane any two. */
export function linesOf(normal: Vec3): { readonly level: Vec3; readonly steepest: Vec3 } {
  const along = cross(normal, UP);
  const level = lengthOf(along) > 0 ? unit(along) : unit(cross(normal, { x: 1, y: 0, z: 0 }));
  return { level, steepest: cross(level, normal) };
}

/** Scatter of points along the level line of a plane and up it. */
function scatterWithin({ middle, normal }: BestPlane, points: readonly Vec3[]): readonly [number, number, number] {
  const { level, steepest } = linesOf(normal);
  let [ll, ss, ls] = [0, 0, 0];
  for (const p of points) {
    const [l, s] = [level, steepest].map((axis) => dot(minus(p, middle), axis)) as [number, number];
    ll += l * l;
    ss += s * s;
    ls += l * s;
  }
  return [ll, ss, ls];
}

/** Unit vector along the shorter axis of points within their plane. */
export function shorterAxis(plane: BestPlane, points: readonly Vec3[]): Vec3 {
  const { level, steepest } = linesOf(plane.normal);
  const [ll, ss, ls] = scatterWithin(plane, points);
  const longer = Math.atan2(2 * ls, ll - ss) / 2;
  return plus(scaled(level, -Math.sin(longer)), scaled(steepest, Math.cos(longer)));
}

/**
 * Root mean square of points up the plane beyond what goes with the way along it: what their error turns the plane
 * about its level line by is that error over this (regression on two axes).
 */
export function leverUp(plane: BestPlane, points: readonly Vec3[]): number {
  const [ll, ss, ls] = scatterWithin(plane, points);
  return ll === 0 ? 0 : Math.sqrt(Math.max(0, ss - (ls * ls) / ll) / points.length);
}
