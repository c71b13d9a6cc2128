import { z } from 'zod';
import { filmingDaySchema, keySchema, textSchema } from './fields';
import { TEXT } from '../../text/core/model';

/** One step of a ladder of drills. */
export const stageSchema = z.object({
  drill: textSchema.min(1, TEXT.stageSaysWhatIsDone),
  sets: z.number().int().min(1).max(20),
  repetitions: z.number().int().min(1).max(200),
  /** Share of full speed or load, 0 to 1; null where a position is held. */
  load: z.number().min(0).max(1).nullable(),
  /** What must be so before the next stage: a number that is read, or a question for the eye. */
  pass: textSchema,
  /** What is done where it is not. */
  ifNot: textSchema,
});
export type Stage = z.infer<typeof stageSchema>;

/** Most stages of one ladder. */
export const MOST_STAGES = 8;
export const ladderSchema = z.array(stageSchema).min(1).max(MOST_STAGES);

/** Practices a week between which can be chosen. */
export const PER_WEEK = { least: 1, most: 14, usual: 3 } as const;

/** How the corrections of a session are practised. */
export const practiceSchema = z.object({
  perWeek: z.number().int().min(PER_WEEK.least).max(PER_WEEK.most).default(PER_WEEK.usual),
  /** Correction id -> the practice, from 0, with which it begins; others follow each other. */
  begins: z.record(keySchema, z.number().int().nonnegative().max(1000)).default({}),
  /** Correction id -> the stages in place of those that are proposed. */
  ladders: z.record(keySchema, ladderSchema).default({}),
  /** Correction id -> the days on which its stages were passed, one after the other. */
  passed: z.record(keySchema, z.array(filmingDaySchema).max(MOST_STAGES)).default({}),
});
export type Practice = z.infer<typeof practiceSchema>;

export const NO_PRACTICE: Practice = practiceSchema.parse({});
