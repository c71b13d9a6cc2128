import { z } from 'zod';

/**
 * What an eye says to a question about a picture: a word, or where something faces as on a clock seen from above,
 * degrees from forward (12 o'clock), to the left positive.
 */
export const checkSchema = z.union([z.enum(['yes', 'partly', 'no', 'not-visible']), z.number().min(-180).max(180)]);
export type Check = z.infer<typeof checkSchema>;
