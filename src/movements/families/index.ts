import type { MovementDocument } from '../../core/model/movement';
import { aimed } from './aimed-delivery';
import { barLift } from './bar-lift';
import { gates } from './gate-course';
import { partnerThrow } from './partner-throw';
import { riderOrCrew } from './rider-or-crew';
import { rotationJump } from './rotation-jump';
import { rotationalThrow } from './rotational-throw';
import { strikeOrThrow } from './strike-or-throw';
import { cycle } from './stroke-or-gait';

/** A starter for each family of movements. */
export const FAMILIES: readonly MovementDocument[] = [
  strikeOrThrow,
  rotationalThrow,
  barLift,
  cycle,
  rotationJump,
  aimed,
  partnerThrow,
  gates,
  riderOrCrew,
];
