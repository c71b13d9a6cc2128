import { exposeWorker } from '../../media/expose-worker';
import { readPointFile } from '../../formats/points';

/** Reads files of points away from the page: one that takes too long or too much is stopped with its worker. */
const worker = {
  read: async (file: File): Promise<ReturnType<typeof readPointFile>> =>
    readPointFile(new Uint8Array(await file.arrayBuffer()), file.name),
};
export type PointFileWorker = typeof worker;

exposeWorker(worker);
