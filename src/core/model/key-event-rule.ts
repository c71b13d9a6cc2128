import { z } from 'zod';
import { idSchema } from './document-id';
import { pointRefSchema, quantitySchema } from './quantity';

/** Where a rule looks: after one moment and before another, where those are known; else in the whole clip. */
const within = { after: idSchema.nullable().default(null), before: idSchema.nullable().default(null) };

/** How a moment is proposed from the points. */
export const keyEventRuleSchema = z.discriminatedUnion('rule', [
  z.object({
    rule: z.literal('extreme'),
    of: quantitySchema,
    which: z.enum(['largest', 'smallest']),
    ...within,
    /**
     * The top of a flight: of the parabola through what lies so many seconds to either side, rather than of single
     * frames.
     */
    flight: z.number().positive().max(0.5).nullable().default(null),
  }),
  /** The first or the last time that a quantity passes a level (display unit). */
  z.object({
    rule: z.literal('crossing'),
    of: quantitySchema,
    level: z.number(),
    direction: z.enum(['rising', 'falling']),
    take: z.enum(['first', 'last']),
    ...within,
  }),
  /** A foot comes to rest on the ground, or leaves it. */
  z.object({
    rule: z.literal('contact'),
    side: z.enum(['dominant', 'opposite', 'either']),
    edge: z.enum(['touch-down', 'lift-off']),
    take: z.enum(['first', 'last']),
    ...within,
  }),
  z.object({
    rule: z.literal('peak-speed'),
    point: pointRefSchema,
    relativeTo: pointRefSchema.nullable().default(null),
    ...within,
  }),
]);
export type KeyEventRule = z.infer<typeof keyEventRuleSchema>;
