import { subtract, type Vec2 } from '../geometry/vec2';
import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/calibration';

/** Radians by which a clip's picture is turned clockwise to be level. */
export const levelOf = (clip: { readonly levelDegrees: number }): number => (clip.levelDegrees * Math.PI) / 180;

/** A shorter line says too little about the horizon, pixels. */
const SHORTEST_LINE = 20;

/**
 * How far a picture must be turned so that a line in it is level or plumb, whichever is nearer.
 * @param from,to ends of the line in pixels (y down)
 * @returns degrees, clockwise positive, between -45 and 45
 */
export function levelByLine(from: Vec2, to: Vec2): Result<number, Issue<'line-too-short'>> {
  const d = subtract(to, from);
  const length = Math.hypot(d.x, d.y);
  if (length < SHORTEST_LINE) {
    return fail('line-too-short', TEXT.lineOfPixelsIsToo(length.toFixed(0), SHORTEST_LINE));
  }
  const degrees = (Math.atan2(d.y, d.x) * 180) / Math.PI;
  const beside = degrees - 90 * Math.round(degrees / 90);
  return ok(beside === 0 ? 0 : -beside);
}

/** Length of a line in a picture, pixels, and its angle to the level picture's horizontal, degrees 0..90. */
export function lineOf(
  from: Vec2,
  to: Vec2,
  levelDegrees: number,
): { readonly pixels: number; readonly alongDegrees: number } {
  const d = subtract(to, from);
  const turned = Math.abs((Math.atan2(d.y, d.x) * 180) / Math.PI + levelDegrees) % 180;
  return { pixels: Math.hypot(d.x, d.y), alongDegrees: turned > 90 ? 180 - turned : turned };
}
