import type { Movement } from '../core/model/movement';
import { ok, type Issue, type Result } from '../core/result';
import { movementJson } from '../formats/movement-json/movement-json';
import { edit } from './document-store';

/** Measures the open session by a movement that ships. */
export function chooseMovement(id: string): void {
  edit((session) => {
    session.movementId = id;
    session.ownMovement = null;
  });
}

/** Measures the open session by a movement from a file; marks of moments that it has too are kept. */
export async function readMovement(file: File): Promise<Result<Movement, Issue>> {
  const read = movementJson.read!(await file.text(), file.name);
  if (!read.ok) return read;
  edit((session) => {
    session.ownMovement = read.value as never;
    session.movementId = read.value.id;
  });
  return ok(read.value);
}

export const movementText = (movement: Movement): string => movementJson.write!(movement);
export const movementFileName = (movement: Movement): string => `${movement.id}.${movementJson.extension}`;
