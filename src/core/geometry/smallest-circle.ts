import type { Vec2 } from './vec2';

export interface Circle {
  readonly centre: Vec2;
  readonly radius: number;
}

const inside = ({ centre, radius }: Circle, p: Vec2): boolean =>
  Math.hypot(p.x - centre.x, p.y - centre.y) <= radius * (1 + 1e-12) + 1e-12;

const ofTwo = (a: Vec2, b: Vec2): Circle => ({
  centre: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 },
  radius: Math.hypot(a.x - b.x, a.y - b.y) / 2,
});

/** The circle through three points; for points on a line the one over the two farthest apart. */
function ofThree(a: Vec2, b: Vec2, c: Vec2): Circle {
  const d = 2 * (a.x * (b.y - c.y) + b.x * (c.y - a.y) + c.x * (a.y - b.y));
  if (Math.abs(d) < 1e-18)
    return [ofTwo(a, b), ofTwo(b, c), ofTwo(a, c)].reduce((most, each) => (each.radius > most.radius ? each : most));
  const [a2, b2, c2] = [a, b, c].map((p) => p.x ** 2 + p.y ** 2) as [number, number, number];
  const centre = {
    x: (a2 * (b.y - c.y) + b2 * (c.y - a.y) + c2 * (a.y - b.y)) / d,
    y: (a2 * (c.x - b.x) + b2 * (a.x - c.x) + c2 * (b.x - a.x)) / d,
  };
  return { centre, radius: Math.hypot(a.x - centre.x, a.y - centre.y) };
}

/** The smallest circle that holds all points (Welzl 1991, Smallest enclosing disks, in its iterative form). */
export function smallestCircle(points: readonly Vec2[]): Circle {
  if (points.length === 0) return { centre: { x: NaN, y: NaN }, radius: NaN };
  let circle: Circle = { centre: points[0]!, radius: 0 };
  for (let i = 1; i < points.length; i++) {
    if (inside(circle, points[i]!)) continue;
    circle = { centre: points[i]!, radius: 0 };
    for (let j = 0; j < i; j++) {
      if (inside(circle, points[j]!)) continue;
      circle = ofTwo(points[i]!, points[j]!);
      for (let k = 0; k < j; k++) if (!inside(circle, points[k]!)) circle = ofThree(points[i]!, points[j]!, points[k]!);
    }
  }
  return circle;
}
