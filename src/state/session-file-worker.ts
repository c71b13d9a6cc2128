import { exposeWorker } from '../media/expose-worker';
import { readSessionFile } from '../formats/session-archive/session-file';

/** Reads saved sessions away from the page: one that takes too long or too much is stopped with its worker. */
const worker = { read: readSessionFile };
export type SessionFileWorker = typeof worker;

exposeWorker(worker);
