import { wrap, type Remote } from 'comlink';
import { fail, type Issue, type Result } from '../core/result';

export type CrashIssue = Issue<'worker-crashed'>;

/** A worker with a typed interface whose callers are told when it dies, instead of waiting for ever. */
export class WorkerClient<T> {
  readonly remote: Remote<T>;
  private readonly crashed: Promise<never>;

  constructor(private readonly worker: Worker) {
    this.remote = wrap<T>(worker);
    this.crashed = new Promise<never>((_, reject) => {
      worker.addEventListener('error', (event) => reject(new Error(event.message || 'the worker stopped')));
      worker.addEventListener('messageerror', () => reject(new Error('a message could not be read')));
    });
    this.crashed.catch(() => undefined);
  }

  /** Waits for a call's Result, or for the worker's death. The two promises are how comlink types one Result. */
  async ask<T, I extends Issue>(
    call: Promise<{ readonly ok: true; readonly value: T }> | Promise<{ readonly ok: false; readonly issue: I }>,
    what: string,
  ): Promise<Result<T, I | CrashIssue>> {
    try {
      return await Promise.race([call as Promise<Result<T, I>>, this.crashed]);
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return fail('worker-crashed', `${what} stopped (${detail}). Nothing is lost; try again.`);
    }
  }

  end(): void {
    this.worker.terminate();
  }
}
