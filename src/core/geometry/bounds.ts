import type { Size, Vec2 } from './vec2';

/** A rectangle that stands upright: its corner with the least x and y, and its sides. */
export interface Bounds extends Vec2, Size {}

/** The rectangle round points; of none at all it is no rectangle. */
export function boundsOf(points: readonly Vec2[]): Bounds {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}

/** Area that two rectangles share, of all that they cover: 0 apart, 1 the same (the Jaccard index of both). */
export function overlapOf(a: Bounds, b: Bounds): number {
  const shared = (from: 'x' | 'y', side: 'width' | 'height'): number =>
    Math.max(0, Math.min(a[from] + a[side], b[from] + b[side]) - Math.max(a[from], b[from]));
  const both = shared('x', 'width') * shared('y', 'height');
  return both / (a.width * a.height + b.width * b.height - both);
}
