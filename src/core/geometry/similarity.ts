import { fail, ok, type Issue, type Result } from '../result';
import type { Vec2 } from './vec2';
import { TEXT } from '../../text/core/geometry';

/** Scale, turn (radians, anticlockwise where y points up) and shift that bring one figure onto another. */
export interface Similarity {
  readonly scale: number;
  readonly turn: number;
  readonly shift: Vec2;
  /**
   * What is left of the second figure's squared size after it was fitted, 0..1: 0 is the same shape (Procrustes
   * distance).
   */
  readonly disparity: number;
}

const middleOf = (points: readonly Vec2[]): Vec2 => ({
  x: points.reduce((s, p) => s + p.x, 0) / points.length,
  y: points.reduce((s, p) => s + p.y, 0) / points.length,
});

/**
 * The similarity that takes one figure's points to another's with the least squared distance (Umeyama 1991; in the
 * plane a closed form by complex numbers).
 */
export function similarity(from: readonly Vec2[], to: readonly Vec2[]): Result<Similarity, Issue<'too-few'>> {
  if (from.length < 2 || from.length !== to.length)
    return fail('too-few', TEXT.twoFiguresNeedSamePoints(from.length, to.length));
  const [m, n] = [middleOf(from), middleOf(to)];
  let [dot, cross, size, target] = [0, 0, 0, 0];
  from.forEach((p, i) => {
    const [x, y, u, v] = [p.x - m.x, p.y - m.y, to[i]!.x - n.x, to[i]!.y - n.y];
    dot += x * u + y * v;
    cross += x * v - y * u;
    size += x * x + y * y;
    target += u * u + v * v;
  });
  if (size === 0 || target === 0) return fail('too-few', TEXT.allPointsOfFigureLie);
  const scale = Math.hypot(dot, cross) / size;
  const turn = Math.atan2(cross, dot);
  const [c, s] = [scale * Math.cos(turn), scale * Math.sin(turn)];
  return ok({
    scale,
    turn,
    shift: { x: n.x - c * m.x + s * m.y, y: n.y - s * m.x - c * m.y },
    disparity: 1 - (dot * dot + cross * cross) / (size * target),
  });
}

export const transform = ({ scale, turn, shift }: Similarity, p: Vec2): Vec2 => ({
  x: scale * (Math.cos(turn) * p.x - Math.sin(turn) * p.y) + shift.x,
  y: scale * (Math.sin(turn) * p.x + Math.cos(turn) * p.y) + shift.y,
});
