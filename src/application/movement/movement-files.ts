import type { Movement } from '../../core/model/movement';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { movementJson } from '../../formats/movement-json/movement-json';
import { edit } from '../stores/document-store';
import { readInWorker } from '../files/file-worker';
import type { MovementFile, MovementFileWorker } from './movement-file-worker';
import { notify } from '../stores/notices';
import { TEXT } from '../../text/application/movement';

/** Measures the open session by a movement that ships. */
export function chooseMovement(id: string): void {
  edit((session) => {
    session.movementId = id;
    session.ownMovement = null;
  });
}

/** A movement is a text that people write, bytes. */
const LARGEST = 5e6;
/** ms. */
const READING_TAKES = 20_000;

/** Measures the open session by a movement from a file; marks of moments that it has too are kept. */
export async function readMovement(file: File): Promise<Result<Movement, Issue>> {
  if (file.size > LARGEST)
    return fail('not-a-movement', TEXT.nameHasSizeMbMovement(file.name, Math.round(file.size / 1e6), LARGEST / 1e6));
  const read = await readInWorker<MovementFileWorker, MovementFile, Issue>(
    new Worker(new URL('./movement-file-worker.ts', import.meta.url), { type: 'module' }),
    file,
    READING_TAKES,
    (worker) => worker.read(file),
  );
  if (!read.ok) return read;
  const { movement, unknown } = read.value;
  if (unknown.length > 0) notify('error', TEXT.nameIsReadWithoutWhat(file.name, unknown.slice(0, 5).join(', ')));
  edit((session) => {
    session.ownMovement = movement as never;
    session.movementId = movement.id;
  });
  return ok(movement);
}

export const movementText = (movement: Movement): string => movementJson.write(movement);
export const movementFileName = (movement: Movement): string => `${movement.id}.${movementJson.extension}`;
