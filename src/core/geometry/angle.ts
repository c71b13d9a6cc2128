import { radians, type Radians } from '../units';
import { subtract, type Vec2 } from './vec2';

/** The same direction in (-pi, pi]. */
export function wrapAngle(angle: number): Radians {
  const turns = Math.ceil((angle - Math.PI) / (2 * Math.PI));
  return radians(angle - turns * 2 * Math.PI);
}

/** The same direction in [-180, 180), degrees. */
export const wrapDegrees = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

/** Interior angle at `b` between `a` and `c`, 0..pi; NaN where a segment has no length. */
export function interiorAngle(a: Vec2, b: Vec2, c: Vec2): Radians {
  const u = subtract(a, b);
  const v = subtract(c, b);
  if ((u.x === 0 && u.y === 0) || (v.x === 0 && v.y === 0)) return radians(NaN);
  return radians(Math.abs(Math.atan2(u.x * v.y - u.y * v.x, u.x * v.x + u.y * v.y)));
}

/** What a segment's direction is measured against, in movement coordinates (x forward, y up). */
export type AngleBase = 'up' | 'down' | 'forward';

/**
 * Direction of the segment from `a` to `b` against a base, (-pi, pi]. Against up or down, forward is positive;
 * against forward, rising is positive.
 */
export function segmentAngle(a: Vec2, b: Vec2, against: AngleBase): Radians {
  const d = subtract(b, a);
  if (d.x === 0 && d.y === 0) return radians(NaN);
  if (against === 'up') return radians(Math.atan2(d.x, d.y));
  if (against === 'down') return radians(Math.atan2(d.x, -d.y));
  return radians(Math.atan2(d.y, d.x));
}

/** Each angle moved by whole turns so that neighbours differ by less than half a turn; NaN is passed over. */
export function unwrap(angles: Float64Array): Float64Array {
  const out = Float64Array.from(angles);
  let last = NaN;
  for (let i = 0; i < out.length; i++) {
    if (Number.isNaN(out[i]!)) continue;
    if (!Number.isNaN(last)) out[i] = last + wrapAngle(out[i]! - last);
    last = out[i]!;
  }
  return out;
}
