import { parentPort, workerData } from 'node:worker_threads';
import { dice } from '../../tests/fixtures/random';
import { readers } from './readers';

/** What came of a share of the inputs of one reader. */
export interface Tally {
  readonly reader: string;
  readonly inputs: number;
  readonly accepted: number;
  readonly slowestMs: number;
  /** Its number. */
  readonly slowest: number;
  /** The first faults, each with the number of its input. */
  readonly faults: readonly string[];
  readonly faulty: number;
}

const { first, last, only } = workerData as { first: number; last: number; only: string | null };
const MOST_TOLD = 5;

for (const [k, { name, seed, mutate, tryOut }] of (await readers()).entries()) {
  if (only !== null && only !== name) continue;
  if ((await tryOut(seed)) !== 'accepted') throw new Error(`The seed of ${name} is refused.`);
  let [accepted, slowestMs, slowest, faulty] = [0, 0, 0, 0];
  const faults: string[] = [];
  for (let n = first; n < last; n++) {
    const input = mutate(seed, dice(7919 * (n + 1) + k));
    const began = performance.now();
    try {
      if ((await tryOut(input)) === 'accepted') accepted++;
    } catch (error) {
      faulty++;
      if (faults.length < MOST_TOLD)
        faults.push(`${n}: ${error instanceof Error ? (error.stack ?? error.message).slice(0, 400) : String(error)}`);
    }
    const took = performance.now() - began;
    if (took > slowestMs) [slowestMs, slowest] = [took, n];
  }
  parentPort!.postMessage({
    reader: name,
    inputs: last - first,
    accepted,
    slowestMs,
    slowest,
    faults,
    faulty,
  } satisfies Tally);
}
