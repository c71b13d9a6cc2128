import type { CameraPlan } from '../../core/model/camera-plan';
import type { Measure } from '../../core/model/measure';
import { planOf, type TwoCameraPlan } from '../../core/planning/camera-plan';
import type { PlannedError } from '../../core/planning/planned-errors';
import { planOfTwo } from '../../core/planning/two-cameras';
import type { SpaceIssue } from '../../core/reconstruction/stated-body';
import type { Result } from '../../core/result';
import type { Trial } from '../../core/trial/trial';
import { WorkerClient, type CrashIssue } from '../../media/worker-client';
import { TEXT } from '../../text/application/season';
import type { Derived } from '../analysis/derived';
import type { SpaceWorker } from '../analysis/space-worker';
import { edit } from '../stores/document-store';

export function setCameraPlan(plan: CameraPlan): void {
  edit((session) => {
    session.cameraPlan = plan;
  });
}

/** The performance that tells how the movement goes; null where no points tell it. */
export function plannedOn({ reference, athlete }: Pick<Derived, 'reference' | 'athlete'>): Trial | null {
  const known = (trial: Trial | null): trial is Trial =>
    trial !== null && !trial.clip.pictures && Number.isFinite(trial.bodyHeight);
  return [reference, athlete].find(known) ?? null;
}

/** The plan that a performance was filmed by, with the second camera where a body in space came of it. */
export function planAsFilmed({ clips, bodies }: Pick<Derived, 'clips' | 'bodies'>, trial: Trial): CameraPlan {
  const cameras = bodies.get(trial.clip.id)?.cameras ?? [];
  const second = clips.find((c) => c.join?.mainId === trial.clip.id && c.trial.clip.id === cameras[1]?.clipId);
  return second ? planOfTwo(trial, second.trial, cameras) : planOf(trial);
}

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
