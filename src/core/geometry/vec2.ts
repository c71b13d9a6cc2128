/** Width and height of a picture or a pane. */
export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Two-dimensional point or vector. */
export interface Vec2 {
  readonly x: number;
  readonly y: number;
}

export const subtract = (a: Vec2, b: Vec2): Vec2 => ({ x: a.x - b.x, y: a.y - b.y });
export const midpoint = (a: Vec2, b: Vec2): Vec2 => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
export const distance = (a: Vec2, b: Vec2): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Turned about the origin by an angle in radians: clockwise where y points down. */
export const rotate = (v: Vec2, angle: number): Vec2 => ({
  x: v.x * Math.cos(angle) - v.y * Math.sin(angle),
  y: v.x * Math.sin(angle) + v.y * Math.cos(angle),
});

/**
 * A vector on the axes of a line: along it from its first point to its second, and to the left of that; NaN where the
 * line has no length.
 */
export function onAxes(v: Vec2, from: Vec2, to: Vec2): Vec2 {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  return { x: (v.x * dx + v.y * dy) / length, y: (v.y * dx - v.x * dy) / length };
}
