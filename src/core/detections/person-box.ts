import type { Vec2 } from '../geometry/vec2';
import type { PersonBox } from '../model/kept-detections';
import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/detections';

/** A smaller box holds too little of a person to be found, pixels. */
const SMALLEST = 24;

/** The box between two corners. */
export function boxBetween(a: Vec2, b: Vec2, frame: number): Result<PersonBox, Issue<'too-small'>> {
  const box = {
    frame,
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(a.x - b.x),
    height: Math.abs(a.y - b.y),
  };
  if (Math.max(box.width, box.height) < SMALLEST)
    return fail('too-small', TEXT.boxOfByPixels(box.width.toFixed(0), box.height.toFixed(0)));
  return ok(box);
}

export const isSameBox = (a: PersonBox, b: PersonBox): boolean =>
  (['frame', 'x', 'y', 'width', 'height'] as const).every((key) => a[key] === b[key]);

/** The corners of a box in order, the first again at the end. */
export const cornersOf = ({ x, y, width, height }: PersonBox): readonly Vec2[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
  { x, y },
];
