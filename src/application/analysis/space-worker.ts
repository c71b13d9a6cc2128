import type { Measure } from '../../core/model/measure';
import { plannedErrors, type PlannedError } from '../../core/planning/planned-errors';
import type { TwoCameraPlan } from '../../core/planning/camera-plan';
import { filmedByTwo } from '../../core/planning/two-cameras';
import type { Trial } from '../../core/trial/trial';
import { exposeWorker } from '../../media/expose-worker';
import type { SpaceCamera } from '../../core/reconstruction/problem-of-cameras';
import { reconstruct } from '../../core/reconstruction/reconstruct';
import type { Body, SpaceIssue } from '../../core/reconstruction/stated-body';
import { ok, type Result } from '../../core/result';

/** Computes a body in space away from the page. */
const worker = {
  bodyOf: (cameras: readonly SpaceCamera[], onProgress: (share: number) => void): Promise<Result<Body, SpaceIssue>> =>
    Promise.resolve(reconstruct(cameras, { onProgress })),
  /** What measures are to expect from two planned cameras. */
  planned(
    measures: readonly Measure[],
    trial: Trial,
    plan: TwoCameraPlan,
  ): Promise<Result<readonly PlannedError[], SpaceIssue>> {
    const views = filmedByTwo(trial, plan);
    return Promise.resolve(views.ok ? ok(plannedErrors(measures, trial, plan, views.value)) : views);
  },
};
export type SpaceWorker = typeof worker;

exposeWorker(worker);
