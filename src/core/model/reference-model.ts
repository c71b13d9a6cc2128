import { z } from 'zod';
import { keySchema } from './fields';

/** What the athlete is compared with. */
export const referenceModelSchema = z.object({
  /**
   * *one*: the first reference clip; *several*: all reference clips, their mean and spread; *phases*: another clip for
   * some phases; *own*: another repetition of the athlete; *published*: no clip, only the targets that the movement
   * states.
   */
  kind: z.enum(['one', 'several', 'phases', 'own', 'published']).default('one'),
  /** Reference clips that are left out of *several*. */
  without: z.array(z.string()).default([]),
  /** Moment with which a phase begins -> the clip that is the reference there. */
  phases: z.record(keySchema, keySchema).default({}),
  /** The athlete's clip and repetition that is the reference. */
  own: z.object({ clipId: z.string(), repetition: z.number().int().nonnegative() }).nullable().default(null),
});
export type ReferenceModel = z.infer<typeof referenceModelSchema>;
