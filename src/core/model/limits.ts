import { z } from 'zod';
import { TEXT } from '../../text/core/model';

/**
 * What a number, a name or a date from outside can be, in one place for all formats: what lies beyond is a damaged file
 * or a slip, and would lock a session or freeze a screen later.
 */
export const LIMITS = {
  /** Frames or samples per second. */
  rate: { least: 1, most: 10_000 },
  /** Sides of a picture, pixels. */
  pictureSide: 32_768,
  /** A coordinate in whatever unit, to either side of the origin. */
  coordinate: 1e7,
  /** Frames of one clip or recording. */
  frames: 2_000_000,
  /** Places of a clip where its capture rate changes. */
  rateChanges: 20,
  name: 120,
  text: 20_000,
  id: 100,
  /** Positions of one stroke. */
  stroke: 5000,
  /** Instants that two cameras of a trial have in common. */
  commonInstants: 200,
  /** How far away something may be heard, metres. */
  soundMetres: 500,
  /** Talking over the pictures: one section of it in seconds, and the parts in which it is kept. */
  talkSeconds: 14_400,
  talkParts: 2000,
  /** Parts of a movement: far more than anybody could look through. */
  movement: { moments: 100, measures: 500, links: 2000, others: 200 },
} as const;

/** Names that every object has by birth: as a key of a record they would find what nobody put there. */
const BORN_WITH: ReadonlySet<string> = new Set(Object.getOwnPropertyNames(Object.prototype));
export const isReserved = (name: string): boolean => BORN_WITH.has(name);

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
