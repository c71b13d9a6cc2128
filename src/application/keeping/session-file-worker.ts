import { exposeWorker } from '../../media/expose-worker';
import { ok, type Result } from '../../core/result';
import { readBackup } from '../../formats/session-archive/backup';
import { readSessionFile } from '../../formats/session-archive/session-file';

/** Reads saved sessions away from the page: one that takes too long or too much is stopped with its worker. */
const worker = {
  read: readSessionFile,
  readBackup: async (file: File): Promise<Result<Awaited<ReturnType<typeof readBackup>>, never>> =>
    ok(await readBackup(file)),
};
export type SessionFileWorker = typeof worker;

exposeWorker(worker);
