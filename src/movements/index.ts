import type { Movement } from '../core/model/movement';
import { paceDelivery } from './pace-delivery';

/** The movements that ship: a new one is one data file and one line here. */
export const MOVEMENTS: readonly Movement[] = [paceDelivery];

export const movementOf = (id: string): Movement | undefined => MOVEMENTS.find((movement) => movement.id === id);
