import { z } from 'zod';
import { TEXT } from '../../text/core/model';
import { isReserved, LIMITS } from './limits';

/** An id that is a key of records. */
export const keySchema = z
  .string()
  .min(1, TEXT.idIsNotEmpty)
  .max(LIMITS.id, TEXT.idHasAtMostCharacters(LIMITS.id))
  .refine((id) => !isReserved(id), TEXT.thatNameIsReservedChoose);

/** Who an athlete's record is of: an id of its own, or the key of a name under which sessions know somebody. */
export const athleteIdSchema = z
  .string()
  .min(1)
  .max(LIMITS.name + 20);

/** An id that stands in an address. */
export const addressIdSchema = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9_-]{0,99}$/, TEXT.idHasLettersDigitsHyphens);

export const rateSchema = z
  .number()
  .min(LIMITS.rate.least, TEXT.rateIsAtLeastSecond(LIMITS.rate.least))
  .max(LIMITS.rate.most, TEXT.rateIsAtMostSecond(LIMITS.rate.most));

export const pictureSideSchema = z
  .number()
  .int(TEXT.pictureHasWholePixels)
  .positive()
  .max(LIMITS.pictureSide, TEXT.pictureHasAtMostPixels(LIMITS.pictureSide));

export const coordinateSchema = z.number().min(-LIMITS.coordinate).max(LIMITS.coordinate);

export const nameSchema = z.string().max(LIMITS.name, TEXT.nameHasAtMostCharacters(LIMITS.name));
export const textSchema = z.string().max(LIMITS.text, TEXT.textHasAtMostCharacters(LIMITS.text));

/** Times of frames: finite, from 0 on, each later than the one before. */
export const isIncreasing = (times: Float64Array): boolean =>
  times.every((t, i) => Number.isFinite(t) && t >= 0 && (i === 0 || t > times[i - 1]!));

/** A day on which something can have been filmed: a calendar date in these two centuries and the one before. */
export const filmingDaySchema = z.iso
  .date()
  .refine((day) => day >= '1900-01-01' && day < '2200-01-01', TEXT.dayLiesBetweenAnd);
export const isFilmingDay = (text: string): boolean => filmingDaySchema.safeParse(text).success;
