import { z } from 'zod';
import { segmentTableSchema, sideSchema } from './clip';
import { athleteIdSchema, LIMITS, filmingDaySchema, nameSchema, textSchema } from './limits';

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
  name: z.string().trim().min(1, 'Give the athlete a name.').max(LIMITS.name),
  birthYear: z
    .number({ error: 'A birth year is a whole number, for example 2009.' })
    .int('A birth year is a whole number, for example 2009.')
    .min(1900, 'A birth year lies between 1900 and 2199.')
    .max(2199, 'A birth year lies between 1900 and 2199.')
    .nullable()
    .default(null),
  dominantSide: sideSchema,
  /** The table by which the centre of mass is computed. */
  segmentTable: segmentTableSchema,
  /** Standing height, metres. */
  heightMetres: z
    .number({ error: 'A height is a number of metres, for example 1.78.' })
    .min(0.5, 'A height lies between 0.5 and 2.6 m.')
    .max(2.6, 'A height lies between 0.5 and 2.6 m.')
    .nullable()
    .default(null),
  massKg: z
    .number({ error: 'A mass is a number of kilograms, for example 72.' })
    .min(10, 'A mass lies between 10 and 300 kg.')
    .max(300, 'A mass lies between 10 and 300 kg.')
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
