import { z } from 'zod';
import { BODY_POINTS } from '../anatomy/body-points';

/** A point of the body, or one of the movement's own. */
export const pointIdSchema = z.union([z.enum(BODY_POINTS), z.templateLiteral(['own-', z.string().min(1)])]);
