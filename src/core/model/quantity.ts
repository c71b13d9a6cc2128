import { z } from 'zod';

export const JOINTS = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle', 'heel', 'foot-index', 'ear'] as const;
export const bodyPointRefSchema = z.union([
  z.enum(['mid-hip', 'mid-shoulder', 'nose']),
  z.templateLiteral([z.enum(['dominant', 'opposite']), '-', z.enum(JOINTS)]),
]);
export const pointRefSchema = z.union([
  bodyPointRefSchema,
  z.literal('centre-of-mass'),
  z.templateLiteral(['own-', z.string().min(1)]),
]);
export type PointRef = z.infer<typeof pointRefSchema>;

/** What a direction is measured against, in the level picture or on axes that turn along. */
export const base = z.enum(['up', 'down', 'forward']);
const pair = z.tuple([pointRefSchema, pointRefSchema]);
const triple = z.tuple([pointRefSchema, pointRefSchema, pointRefSchema]);

/**
 * Axes that turn along: forward from the first point to the second, up to the left of it. Null for the axes of the
 * level picture.
 */
export const line = pair.nullable().default(null);

const several = (least: number) => z.array(pointRefSchema).min(least).max(12);

/** A number that follows from points at one frame; the signs and conventions stand with each in `core/quantities`. */
export const quantitySchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('joint-angle'), points: triple }),
  z.object({ type: z.literal('segment-angle'), points: pair, against: base }),
  z.object({ type: z.literal('line-separation'), points: pair, from: pair }),
  /** Where a body faces, seen from above: square to the line from its left to its right point. */
  z.object({ type: z.literal('facing'), points: pair }),
  z.object({ type: z.literal('distance'), points: pair }),
  /** Between two points that lie on the ground, through the perspective of a marked rectangle; always metres. */
  z.object({ type: z.literal('ground-distance'), points: pair }),
  z.object({ type: z.literal('offset'), points: pair, axis: z.enum(['forward', 'up']), line }),
  /** Where a point lies on axes fixed to three points that move along, in space. */
  z.object({
    type: z.literal('position-on-axes'),
    point: pointRefSchema,
    axes: triple,
    along: z.enum(['ahead', 'up', 'right']),
  }),
  /** Which way a segment points on such axes. */
  z.object({
    type: z.literal('direction-on-axes'),
    points: pair,
    axes: triple,
    angle: z.enum(['azimuth', 'elevation']),
  }),
  z.object({ type: z.literal('height'), point: pointRefSchema }),
  z.object({ type: z.literal('box'), points: several(2), side: z.enum(['width', 'height']) }),
  z.object({ type: z.literal('alignment'), points: several(3) }),
  z.object({ type: z.literal('relative-inertia'), points: triple, limb: z.enum(['leg', 'arm']) }),
]);
export type Quantity = z.infer<typeof quantitySchema>;
