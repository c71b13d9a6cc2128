import type { Movement } from '../../core/model/movement';
import { ok, type Issue, type Result } from '../../core/result';
import { movementJson, unknownKeys } from '../../formats/movement-json/movement-json';
import { exposeWorker } from '../../media/expose-worker';

/** A movement that was read, and what of its file means nothing here. */
export interface MovementFile {
  readonly movement: Movement;
  readonly unknown: readonly string[];
}

/** Reads movement files away from the page. */
const worker = {
  async read(file: File): Promise<Result<MovementFile, Issue>> {
    const text = await file.text();
    const read = movementJson.read(text, file.name);
    return read.ok ? ok({ movement: read.value, unknown: unknownKeys(text, read.value) }) : read;
  },
};
export type MovementFileWorker = typeof worker;

exposeWorker(worker);
