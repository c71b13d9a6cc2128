import { movementSchema, type Movement } from '../core/model/movement';
import { DOCUMENTS } from './documents';

/** The movements that ship, as they are measured by; who only names them takes the documents. */
export const MOVEMENTS: readonly Movement[] = DOCUMENTS.map((document) => movementSchema.parse(document));

export const movementOf = (id: string): Movement | undefined => MOVEMENTS.find((movement) => movement.id === id);
