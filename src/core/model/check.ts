import { z } from 'zod';

/** What an eye says to a question about a picture. */
export const checkSchema = z.enum(['yes', 'partly', 'no', 'not-visible']);
export type Check = z.infer<typeof checkSchema>;
