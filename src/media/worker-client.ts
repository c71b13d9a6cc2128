import { wrap, type Remote } from 'comlink';
import { fail, type Issue, type Result } from '../core/result';
import type { Held } from './expose-worker';
import { TEXT } from '../text/media';

export type CrashIssue = Issue<'worker-crashed'>;

/** How long a call may take, ms: one frame or one file on a slow machine, with room. */
const PATIENCE = 120_000;

/** Rejects after a time, unless what it waits for is over. */
const after = (ms: number, over: AbortSignal, reason: string): Promise<never> =>
  new Promise((_, reject) => {
    const timer = setTimeout(() => reject(new Error(reason)), ms);
    over.addEventListener('abort', () => clearTimeout(timer));
  });

/** Rejects when `signal` is aborted, unless what it waits for is over. */
const whenAborted = (signal: AbortSignal, over: AbortSignal): Promise<never> =>
  new Promise((_, reject) => {
    const stop = (): void => reject(new Error('cancelled'));
    if (signal.aborted) stop();
    signal.addEventListener('abort', stop, { signal: over });
  });

/** A worker with a typed interface whose callers are told when it dies, instead of waiting for ever. */
export class WorkerClient<T> {
  readonly remote: Remote<T>;
  private readonly crashed: Promise<never>;
  private readonly ended = new AbortController();

  constructor(private readonly worker: Worker) {
    this.remote = wrap<T>(worker);
    this.crashed = new Promise<never>((_, reject) => {
      void this.watch(reject);
      worker.addEventListener('error', (event) => reject(new Error(event.message || TEXT.workerStopped)));
      worker.addEventListener('messageerror', () => reject(new Error(TEXT.messageCouldNotBeRead)));
    });
    this.crashed.catch(() => undefined);
  }

  /** Gets a lock that the worker held when it has ended: not every end is told by an event. */
  private async watch(lost: (error: Error) => void): Promise<void> {
    if (!globalThis.navigator?.locks) return;
    const name = `proud-falcon-worker-${crypto.randomUUID()}`;
    await wrap<Held>(this.worker).hold(name);
    const { signal } = this.ended;
    await navigator.locks.request(name, { signal }, () => lost(new Error(TEXT.workerEnded))).catch(() => undefined);
  }

  /**
   * Waits for a call's Result, for the worker's death or its end, for a cancel, or until nobody can believe any more that an
   * answer comes: a worker may end without saying so. The two promises are how comlink types one Result.
   */
  async ask<T, I extends Issue>(
    call: Promise<{ readonly ok: true; readonly value: T }> | Promise<{ readonly ok: false; readonly issue: I }>,
    what: string,
    { signal, patience = PATIENCE }: { readonly signal?: AbortSignal; readonly patience?: number } = {},
  ): Promise<Result<T, I | CrashIssue>> {
    const waiting = new AbortController();
    try {
      return await Promise.race([
        call as Promise<Result<T, I>>,
        this.crashed,
        whenAborted(this.ended.signal, waiting.signal),
        after(patience, waiting.signal, TEXT.noAnswerForS(Math.round(patience / 1000))),
        ...(signal ? [whenAborted(signal, waiting.signal)] : []),
      ]);
    } catch (error) {
      const detail = error instanceof Error ? error.message : String(error);
      return fail('worker-crashed', TEXT.stoppedNothingIsLostTry(what, detail));
    } finally {
      waiting.abort();
    }
  }

  /** Whoever still waits for an answer is told at once that none comes. */
  end(): void {
    this.ended.abort();
    this.worker.terminate();
  }
}
