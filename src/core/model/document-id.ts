import { z } from 'zod';
import { isReserved } from './limits';
import { TEXT } from '../../text/core/model';

/** A name inside a movement document. */
export const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, TEXT.idHasLowerCaseLetters)
  .refine((id) => !isReserved(id), TEXT.thatNameIsReservedChoose);
