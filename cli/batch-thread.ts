import { parentPort, workerData } from 'node:worker_threads';
import type { Movement } from '../src/core/model/movement';
import type { Answer, Task } from './batch';
import { run, Stop } from './job';

/** A thread of a batch: one task after another. */
const movement = workerData as Movement;
parentPort!.on('message', ({ job, out }: Task) => {
  const answer = ((): Answer => {
    try {
      return { said: run(job, movement, out), failed: false };
    } catch (error) {
      if (!(error instanceof Stop)) throw error;
      return { said: error.message, failed: true };
    }
  })();
  parentPort!.postMessage(answer);
});
