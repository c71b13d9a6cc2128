import { exposeWorker } from '../../media/expose-worker';
import type { SpaceCamera } from '../../core/reconstruction/problem-of-cameras';
import { reconstruct, type Body, type SpaceIssue } from '../../core/reconstruction/reconstruct';
import type { Result } from '../../core/result';

/** Computes a body in space away from the page. */
const worker = {
  bodyOf: (cameras: readonly SpaceCamera[], onProgress: (share: number) => void): Promise<Result<Body, SpaceIssue>> =>
    Promise.resolve(reconstruct(cameras, { onProgress })),
};
export type SpaceWorker = typeof worker;

exposeWorker(worker);
