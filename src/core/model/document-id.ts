import { z } from 'zod';
import { isReserved } from './limits';

/** A name inside a movement document. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'An id has lower-case letters, digits and hyphens.')
  .refine((id) => !isReserved(id), 'That name is reserved; choose another.');
