import type { Measure } from '../../core/model/measure';
import type { PlannedError } from '../../core/planning/planned-errors';
import type { TwoCameraPlan } from '../../core/planning/two-cameras';
import type { SpaceIssue } from '../../core/reconstruction/reconstruct';
import type { Result } from '../../core/result';
import type { Trial } from '../../core/trial/trial';
import { WorkerClient, type CrashIssue } from '../../media/worker-client';
import { TEXT } from '../../text/application/season';
import type { SpaceWorker } from '../analysis/space-worker';

/** What measures are to expect from two planned cameras: a body in space is computed for it, a second or two. */
export async function errorsByTwo(
  measures: readonly Measure[],
  trial: Trial,
  plan: TwoCameraPlan,
  signal: AbortSignal,
): Promise<Result<readonly PlannedError[], SpaceIssue | CrashIssue>> {
  const client = new WorkerClient<SpaceWorker>(
    new Worker(new URL('../analysis/space-worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    return await client.ask(client.remote.planned(measures, trial, plan), TEXT.planningTwoCameras, { signal });
  } finally {
    client.end();
  }
}
