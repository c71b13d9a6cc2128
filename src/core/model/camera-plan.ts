import { z } from 'zod';
import { pictureSideSchema, rateSchema } from './fields';
import { LIMITS } from './limits';

/** From the performer, metres. */
const metresSchema = z.number().min(LIMITS.cameraMetres.least).max(LIMITS.cameraMetres.most);

/** Where the camera is to stand next time, and how it films. */
export const cameraPlanSchema = z.object({
  distance: metresSchema,
  /** Focal length as of a picture 36 mm wide, millimetres. */
  focal: z.number().min(5).max(2000),
  /** Pixels. */
  width: pictureSideSchema,
  height: pictureSideSchema,
  /** Frames a second. */
  rate: rateSchema,
  /** The lens above the ground, metres; both cameras' where there are two. */
  lensHeight: z.number().min(LIMITS.lensMetres.least).max(LIMITS.lensMetres.most).default(1),
  /** Degrees from the square view, towards the way of travel positive. */
  offPlane: z.number().min(-90).max(90),
  /** Standing height of the performer, metres. */
  stature: z.number().min(0.5).max(2.6),
  /** A second camera with the same lens and rate; null where there is one camera. */
  second: z
    .object({
      /** Degrees round from the first camera towards the front of the performer. */
      apart: z.number().min(LIMITS.cameraApart.least).max(LIMITS.cameraApart.most),
      distance: metresSchema,
    })
    .nullable()
    .default(null),
});
export type CameraPlan = z.infer<typeof cameraPlanSchema>;
