import { z } from 'zod';
import { pictureSideSchema, rateSchema } from './fields';
import { LIMITS } from './limits';

/** From the performer, metres. */
const metresSchema = z.number().min(LIMITS.cameraMetres.least).max(LIMITS.cameraMetres.most);

/** How a camera films. */
const filming = {
  /** Focal length as of a picture 36 mm wide, millimetres. */
  focal: z.number().min(LIMITS.focalMillimetres.least).max(LIMITS.focalMillimetres.most),
  /** Pixels. */
  width: pictureSideSchema,
  height: pictureSideSchema,
  /** Frames a second. */
  rate: rateSchema,
};

/** Where the camera is to stand next time, and how it films. */
export const cameraPlanSchema = z.object({
  distance: metresSchema,
  ...filming,
  /** The lens above the ground, metres; both cameras' where there are two. */
  lensHeight: z.number().min(LIMITS.lensMetres.least).max(LIMITS.lensMetres.most).default(1),
  /** Degrees from the square view, towards the way of travel positive. */
  offPlane: z.number().min(-90).max(90),
  /** Standing height of the performer, metres. */
  stature: z.number().min(0.5).max(2.6),
  /** A second camera; null where there is one. */
  second: z
    .object({
      /** Degrees round from the first camera towards the front of the performer. */
      apart: z.number().min(LIMITS.cameraApart.least).max(LIMITS.cameraApart.most),
      distance: metresSchema,
      /** Null where it has the lens, the picture and the rate of the first. */
      films: z.object(filming).nullable().default(null),
    })
    .nullable()
    .default(null),
});
export type CameraPlan = z.infer<typeof cameraPlanSchema>;
/** Lens, picture and rate of a camera. */
export type Filming = Pick<CameraPlan, 'focal' | 'width' | 'height' | 'rate'>;
