import { z } from 'zod';
import { coordinateSchema, keySchema } from './fields';
import { LIMITS } from './limits';
import { pointIdSchema } from './point-id';

const positionSchema = z.object({ x: coordinateSchema, y: coordinateSchema });

export const DRAWING_KINDS = [
  'line',
  'arrow',
  'angle',
  'lines',
  'box',
  'grid',
  'circle',
  'plumb',
  'level',
  'stroke',
  'text',
] as const;
export type DrawingKind = (typeof DRAWING_KINDS)[number];

/** How many presses a kind takes; a stroke takes a whole drag. */
export const DRAWING_POSITIONS: Readonly<Record<DrawingKind, number>> = {
  line: 2,
  arrow: 2,
  angle: 3,
  lines: 4,
  box: 2,
  grid: 2,
  circle: 2,
  plumb: 1,
  level: 1,
  stroke: 2,
  text: 1,
};

/** Something drawn on a clip for talking about it; it is tied to frames and may move with a point. */
export const drawingSchema = z.object({
  id: keySchema,
  clipId: keySchema,
  kind: z.enum(DRAWING_KINDS),
  /** Pixels of the picture as filmed, at the frame at which it was drawn. */
  points: z.array(positionSchema).min(1).max(LIMITS.stroke),
  frame: z.number().int().nonnegative().max(LIMITS.frames),
  /** Only at its frame, through the phase that its frame lies in, or through the whole clip. */
  span: z.enum(['frame', 'phase', 'clip']),
  /** The body point that it moves with, or null where it stays in the picture. */
  anchor: pointIdSchema.nullable(),
  text: z.string().max(200),
});
export type Drawing = z.infer<typeof drawingSchema>;
