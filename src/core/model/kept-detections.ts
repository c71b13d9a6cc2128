import { z } from 'zod';
import { BODY_POINTS } from '../anatomy/body-points';
import { coordinateSchema, isIncreasing } from './fields';
import { LIMITS } from './limits';
import { pointIdSchema } from './point-id';
import { samples } from './samples';
import { TEXT } from '../../text/core/model';

/** Small models are fast, large ones accurate. */
export const detectorSettingSchema = z.enum(['fast', 'accurate']);
export type DetectorSetting = z.infer<typeof detectorSettingSchema>;

/** A box round a person at one frame, pixels of the displayed picture. */
export const personBoxSchema = z.object({
  frame: z.number().int().nonnegative().max(LIMITS.frames),
  x: coordinateSchema,
  y: coordinateSchema,
  width: coordinateSchema,
  height: coordinateSchema,
});
export type PersonBox = Readonly<z.infer<typeof personBoxSchema>>;

const detectorSchema = z.object({
  x: samples(Float32Array),
  y: samples(Float32Array),
  confidence: samples(Float32Array),
});

/**
 * What the detectors said of a clip, as they said it, and what was derived from it: with it a better rule is applied
 * without looking at the video again, and detecting goes on where it was stopped.
 */
export const keptDetectionsSchema = z
  .object({
    setting: detectorSettingSchema,
    /** Whom they were to follow; null is whoever is largest. */
    person: personBoxSchema.nullable(),
    /** Boxes that were drawn later, where somebody else had been followed or nobody. */
    again: z.array(personBoxSchema).max(LIMITS.boxes).default([]),
    /** Version of the rules (`RULES`) by which the clip's points were derived. */
    rules: z.number().int().nonnegative(),
    /** Whether all frames were looked at that the plan asks for. */
    complete: z.boolean(),
    /** Frames that were looked at, increasing. */
    frames: samples(Float64Array),
    /** The points that each detector's samples are of, in their order. */
    points: z.array(z.enum(BODY_POINTS)).max(BODY_POINTS.length),
    /** Of each detector frame after frame and in it point after point, pixels; NaN where it saw none. */
    detectors: z.array(detectorSchema).max(2),
    /** Where the rules put each point (`tracks/keep-edits`); what lies elsewhere was put there since. */
    derived: z.partialRecord(pointIdSchema, samples(Float32Array)),
  })
  .refine(
    ({ frames, points, detectors }) =>
      isIncreasing(frames) &&
      detectors.every((d) =>
        [d.x, d.y, d.confidence].every((values) => values.length === frames.length * points.length),
      ),
    TEXT.eachDetectorHasAsMany,
  );
export type KeptDetections = z.infer<typeof keptDetectionsSchema>;
