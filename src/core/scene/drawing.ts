import { levelOf } from '../calibration/level';
import { interiorAngle } from '../geometry/angle';
import { distance, rotate, subtract, type Vec2 } from '../geometry/vec2';
import type { Drawing } from '../model/drawing';
import type { Movement } from '../model/movement';
import type { Performance } from '../performance/performance';
import { asFilmed } from '../performance/places';
import type { Primitive } from '../geometry/primitives';

/**
 * First and last frame of the phase that a frame lies in; before the first mark and after the last the clip's ends
 * stand in.
 */
export function phaseOf(movement: Movement, performance: Performance, frame: number): { first: number; last: number } {
  const marks = movement.moments
    .flatMap((m) => performance.marks[m.id] ?? [])
    .map(Math.round)
    .sort((a, b) => a - b);
  const first = marks.findLast((mark) => mark <= frame) ?? 0;
  const last = marks.find((mark) => mark > frame) ?? performance.times.length - 1;
  return { first, last };
}

/** Whether a drawing is to be seen at a frame. */
export function visibleAt(drawing: Drawing, movement: Movement, performance: Performance, frame: number): boolean {
  if (drawing.span === 'clip') return true;
  if (drawing.span === 'frame') return drawing.frame === frame;
  const { first, last } = phaseOf(movement, performance, drawing.frame);
  return frame >= first && frame <= last;
}

/** How far a drawing's point has moved since the frame at which it was drawn; null where the point is missing. */
function moved(drawing: Drawing, performance: Performance, frame: number): Vec2 | null {
  if (drawing.anchor === null) return { x: 0, y: 0 };
  const series = performance.smoothed[drawing.anchor];
  if (!series) return null;
  const at = (i: number): Vec2 => asFilmed(performance, i, { x: series.x[i]!, y: series.y[i]! });
  const d = subtract(at(frame), at(drawing.frame));
  return Number.isNaN(d.x) || Number.isNaN(d.y) ? null : d;
}

/** Shapes of a drawing at a frame, in pixels of the picture as filmed; plumb and level follow the levelled picture. */
export function drawDrawing(drawing: Drawing, performance: Performance, frame: number): readonly Primitive[] {
  const by = moved(drawing, performance, frame);
  if (!by) return [];
  const at = drawing.points.map((p) => ({ x: p.x + by.x, y: p.y + by.y }));
  const [a, b, c] = at;
  const { clip } = performance;
  const reach = Math.max(clip.width, clip.height);
  const through = (middle: Vec2, direction: Vec2): Primitive => {
    const away = rotate({ x: direction.x * reach, y: direction.y * reach }, -levelOf(clip));
    return {
      shape: 'path',
      points: [
        { x: middle.x - away.x, y: middle.y - away.y },
        { x: middle.x + away.x, y: middle.y + away.y },
      ],
      thin: true,
    };
  };
  const label = (position: Vec2, text: string): Primitive => ({ shape: 'label', at: position, text, drawn: true });
  const words = (position: Vec2): readonly Primitive[] => (drawing.text ? [label(position, drawing.text)] : []);
  switch (drawing.kind) {
    case 'line':
      return b ? [{ shape: 'path', points: [a!, b] }, ...words(b)] : [];
    case 'angle': {
      if (!b || !c) return b ? [{ shape: 'path', points: [a!, b] }] : [];
      const degrees = (interiorAngle(a!, b, c) * 180) / Math.PI;
      return [
        { shape: 'path', points: [a!, b, c] },
        label({ x: b.x, y: b.y - 16 }, Number.isNaN(degrees) ? '' : `${Math.round(degrees)}\u00b0`),
        ...words(c),
      ];
    }
    case 'circle':
      return b ? [{ shape: 'ring', centre: a!, radius: distance(a!, b) }, ...words(a!)] : [];
    case 'plumb':
      return [through(a!, { x: 0, y: 1 }), ...words(a!)];
    case 'level':
      return [through(a!, { x: 1, y: 0 }), ...words(a!)];
    case 'stroke':
      return [{ shape: 'path', points: at }, ...words(a!)];
    case 'text':
      return [label(a!, drawing.text || '\u2026')];
  }
}
