import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Movement } from '../src/core/model/movement';
import type { Job } from './job';

/** One row of a batch, and the folder that it is written to. */
export interface Task {
  readonly job: Job;
  readonly out: string;
}

/** What a thread says of a task. */
export interface Answer {
  readonly said: string;
  readonly failed: boolean;
}

/** A thread does not know how to read TypeScript by itself. */
const START =
  "import('tsx/esm/api').then(({ register }) => { register(); return " +
  `import(${JSON.stringify(new URL('./batch-thread.ts', import.meta.url).href)}); })`;

/**
 * Runs tasks in as many threads as there are cores. A task that fails says so and the others go on.
 * @param onDone told the task's number and what came of it, in the order in which they end
 * @returns how many failed
 */
export async function runAll(
  tasks: readonly Task[],
  movement: Movement,
  onDone: (task: number, said: string) => void,
): Promise<number> {
  let next = 0;
  let failed = 0;
  const thread = async (): Promise<void> => {
    const worker = new Worker(START, { eval: true, workerData: movement });
    let answered: (answer: Answer) => void = () => undefined;
    let broken: (error: unknown) => void = () => undefined;
    worker.on('message', (answer: Answer) => answered(answer));
    worker.on('error', (error) => broken(error));
    try {
      while (next < tasks.length) {
        const task = next++;
        worker.postMessage(tasks[task]!);
        const answer = await new Promise<Answer>((resolve, reject) => {
          answered = resolve;
          broken = reject;
        });
        if (answer.failed) failed++;
        onDone(task, answer.said);
      }
    } finally {
      await worker.terminate();
    }
  };
  await Promise.all(Array.from({ length: Math.min(tasks.length, availableParallelism()) }, thread));
  return failed;
}
