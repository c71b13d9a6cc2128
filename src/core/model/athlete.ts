import { z } from 'zod';
import { segmentTableSchema, sideSchema } from './clip';
import { athleteIdSchema, filmingDaySchema, nameSchema, textSchema } from './fields';
import { LIMITS } from './limits';
import { TEXT } from '../../text/core/model';

/** What somebody, or their guardian, has agreed to, and since when. */
export const consentSchema = z.object({
  /** The day on which it was given, ISO. */
  on: filmingDaySchema,
  film: z.boolean(),
  analyse: z.boolean(),
  /** Whether pictures and reports may be given to others. */
  share: z.boolean(),
});
export type Consent = z.infer<typeof consentSchema>;

/** What is known of a person, whatever sessions they are in. */
export const athleteSchema = z.object({
  id: athleteIdSchema,
  name: z.string().trim().min(1, TEXT.giveAthleteName).max(LIMITS.name),
  birthYear: z
    .number({ error: TEXT.birthYearIsWholeNumber })
    .int(TEXT.birthYearIsWholeNumber)
    .min(1900, TEXT.birthYearLiesBetween)
    .max(2199, TEXT.birthYearLiesBetween)
    .nullable()
    .default(null),
  dominantSide: sideSchema,
  /** The table by which the centre of mass is computed. */
  segmentTable: segmentTableSchema,
  /** Standing height, metres. */
  heightMetres: z
    .number({ error: TEXT.heightIsNumberOfMetres })
    .min(0.5, TEXT.heightLiesBetweenAndM)
    .max(2.6, TEXT.heightLiesBetweenAndM)
    .nullable()
    .default(null),
  massKg: z
    .number({ error: TEXT.massIsNumberOfKilograms })
    .min(10, TEXT.massLiesBetweenAndKg)
    .max(300, TEXT.massLiesBetweenAndKg)
    .nullable()
    .default(null),
  squad: nameSchema.default(''),
  notes: textSchema.default(''),
  /** Null where nobody has written down what was agreed. */
  consent: consentSchema.nullable().default(null),
  /** The day on which consent was withdrawn; null where it was not. */
  withdrawnOn: filmingDaySchema.nullable().default(null),
  /** When the record was last changed, ISO. */
  updatedAt: z.string(),
});
export type Athlete = z.infer<typeof athleteSchema>;

/** From this age on nobody needs a guardian. */
const OF_AGE = 18;

/**
 * Whether somebody may be under age on a day: of a birth year alone both ages are possible, and the younger counts.
 * @param on ISO date
 */
export const mayBeMinor = (birthYear: number, on: string): boolean => Number(on.slice(0, 4)) - birthYear <= OF_AGE;

/** Whether their footage may be filmed and analysed. */
export const mayAnalyse = ({ consent, withdrawnOn }: Pick<Athlete, 'consent' | 'withdrawnOn'>): boolean =>
  withdrawnOn === null && consent !== null && consent.film && consent.analyse;

/** Whether what shows them may be given to others; where nothing was written down nobody has forbidden it. */
export const mayShare = ({ consent, withdrawnOn }: Pick<Athlete, 'consent' | 'withdrawnOn'>): boolean =>
  withdrawnOn === null && (consent === null || consent.share);
