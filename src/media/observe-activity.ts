import type { Activity } from '../core/signal/active-stretches';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { ActivityWorker, ReadingIssue } from './activity-worker';
import { WorkerClient, type CrashIssue } from './worker-client';

export type ActivityIssue = Issue<'cancelled'> | ReadingIssue | CrashIssue;

interface ActivityRequest {
  readonly signal: AbortSignal;
  /** Seconds of the file that were looked at, of all. */
  readonly onProgress: (done: number, all: number) => void;
}

/** How much moves in a file from picture to picture, looked at in a worker; cancelling leaves nothing behind. */
export async function observeActivity(
  file: File,
  { signal, onProgress }: ActivityRequest,
): Promise<Result<readonly Activity[], ActivityIssue>> {
  const client = new WorkerClient<ActivityWorker>(
    new Worker(new URL('./activity-worker.ts', import.meta.url), { type: 'module' }),
  );
  const what = 'Looking for attempts';
  try {
    const seconds = await client.ask(client.remote.open(file), what, { signal });
    if (!seconds.ok) return seconds;
    const activity: Activity[] = [];
    for (;;) {
      if (signal.aborted) return fail('cancelled', 'Looking for attempts was cancelled.');
      const next = await client.ask(client.remote.next(), what);
      if (!next.ok) return next;
      if (!next.value) return ok(activity);
      activity.push(next.value);
      onProgress(next.value.at, seconds.value);
    }
  } finally {
    client.end();
  }
}
