import { movementSchema, type Movement, type MovementDocument } from '../core/model/movement';
import { FAMILIES } from './families';
import { paceDelivery } from './pace-delivery';
import { raceWalking } from './race-walking';
import { hurdleRace, sprintHurdles } from './sprint-hurdles';

/** The movements that ship: a new one is one data file and one line here. */
const DOCUMENTS: readonly MovementDocument[] = [paceDelivery, raceWalking, sprintHurdles, hurdleRace, ...FAMILIES];

export const MOVEMENTS: readonly Movement[] = DOCUMENTS.map((document) => movementSchema.parse(document));

export const movementOf = (id: string): Movement | undefined => MOVEMENTS.find((movement) => movement.id === id);
