import { z } from 'zod';
import type { Clip } from './clip';
import { keySchema } from './fields';
import { performerKey } from './performer';

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
  /** Clip of an athlete -> the reference clip that it is compared with, where each of a crew or pair has its own. */
  counterparts: z.record(keySchema, keySchema).default({}),
  /** The athlete's clip and repetition that is the reference. */
  own: z.object({ clipId: z.string(), repetition: z.number().int().nonnegative() }).nullable().default(null),
});
export type ReferenceModel = z.infer<typeof referenceModelSchema>;

/** Nothing chosen: the first reference clip. */
export const FIRST_REFERENCE: ReferenceModel = { kind: 'one', without: [], phases: {}, counterparts: {}, own: null };

/**
 * The reference clip that an athlete's clip is compared with: the one that was chosen for it; else, where as many
 * references as different athletes are there, the one in the same place (seat with seat); else the first.
 * @param athletes,references clips that are no further camera, in the session's order
 */
export function counterpartOf(
  { counterparts }: Pick<ReferenceModel, 'counterparts'>,
  athletes: readonly Clip[],
  references: readonly Clip[],
  clipId: string,
): Clip | null {
  const chosen = references.find(({ id }) => id === counterparts[clipId]);
  if (chosen) return chosen;
  const people = new Set(athletes.map(({ performer }) => performerKey(performer))).size;
  const inPlace = people === athletes.length && references.length === athletes.length;
  return (inPlace ? references[athletes.findIndex(({ id }) => id === clipId)] : references[0]) ?? null;
}
