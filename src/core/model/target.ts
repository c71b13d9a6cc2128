import { z } from 'zod';
import { TEXT } from '../../text/core/model';

/** Target values are in the measure's display unit (deg, ms, %). */
export const targetSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('same-as-reference'), tolerance: z.number().positive(), source: z.string() }),
  z.object({ type: z.literal('about'), value: z.number(), tolerance: z.number().positive(), source: z.string() }),
  z
    .object({ type: z.literal('between'), low: z.number(), high: z.number(), source: z.string() })
    .refine((t) => t.low < t.high, {
      error: ({ input }) =>
        TEXT.rangeMustBeginBelowIts((input as { low: number }).low, (input as { high: number }).high),
    }),
  z.object({ type: z.literal('at-least'), value: z.number(), source: z.string() }),
  /** A question answered by eye with yes. */
  z.object({ type: z.literal('yes'), source: z.string() }),
  z.object({ type: z.literal('at-most'), value: z.number(), source: z.string() }),
  /** A range (or a circle, a deviation) that stays this small: held. */
  z.object({ type: z.literal('constant'), within: z.number().positive(), source: z.string() }),
  /** Each step of an order after the one before it. */
  z.object({ type: z.literal('in-order'), source: z.string() }),
]);
export type Target = z.infer<typeof targetSchema>;
