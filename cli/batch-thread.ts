import { parentPort, workerData } from 'node:worker_threads';
import type { Movement } from '../src/core/model/movement';
import type { Answer, Task } from './batch';
import { run } from './job';
import { EXIT, Stop } from './stop';

/** A thread of a batch: one task after another. */
const movement = workerData as Movement;
parentPort!.on('message', ({ job, out }: Task) => {
  const answer = ((): Answer => {
    try {
      const { said, code } = run(job, movement, out);
      return { said, failed: code !== EXIT.done };
    } catch (error) {
      if (!(error instanceof Stop)) throw error;
      return { said: error.message, failed: true };
    }
  })();
  parentPort!.postMessage(answer);
});
