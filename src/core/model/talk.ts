import { z } from 'zod';
import { keySchema } from './fields';
import { LIMITS } from './limits';
import { TEXT } from '../../text/core/model';

const secondsSchema = z.number().nonnegative().max(LIMITS.talkSeconds);

/**
 * A stretch of talking over the pictures, from pressing record to pausing. What was seen and heard lies beside the
 * session in parts of some seconds each (`core/talk`), so that a crash costs no more than the last of them.
 */
export const talkSectionSchema = z
  .object({
    id: keySchema,
    /** Its whole length, seconds. */
    seconds: secondsSchema,
    /** The stretch of it that is kept, seconds from its beginning. */
    from: secondsSchema,
    to: secondsSchema,
    parts: z
      .array(
        z.object({
          /** When the part begins, seconds from the beginning of the section. */
          at: secondsSchema,
          /** Media ids of what was shown, and of what was said; null where no microphone was open. */
          pictures: keySchema,
          sound: keySchema.nullable(),
        }),
      )
      .min(1)
      .max(LIMITS.talkParts),
  })
  .refine(({ seconds, from, to }) => from <= to && to <= seconds, TEXT.whatIsKeptOfSection);
export type TalkSection = z.infer<typeof talkSectionSchema>;

/** The media ids of everything that was seen and heard. */
export const talkMedia = (talk: readonly TalkSection[]): readonly string[] =>
  talk.flatMap(({ parts }) =>
    parts.flatMap(({ pictures, sound }) => (sound === null ? [pictures] : [pictures, sound])),
  );
