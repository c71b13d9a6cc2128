import type { Activity } from '../core/signal/active-stretches';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { ActivityWorker, ReadingIssue } from './activity-worker';
import type { HeardWorker, HearingIssue } from './heard-worker';
import { WorkerClient, type CrashIssue } from './worker-client';
import { TEXT } from '../text/media';

export type ActivityIssue = Issue<'cancelled'> | ReadingIssue | HearingIssue | CrashIssue;

/** What an attempt is told by. */
export type ToldBy = 'motion' | 'sound';

interface ActivityRequest {
  readonly by: ToldBy;
  readonly signal: AbortSignal;
  /** Seconds of the file that were gone through, of all. */
  readonly onProgress: (done: number, all: number) => void;
}

const WHAT = TEXT.lookingForAttempts;

type Piece = Result<readonly Activity[] | null, ReadingIssue | HearingIssue | CrashIssue>;

/** A worker that goes through a file piece by piece. */
interface Through {
  readonly open: () => Promise<Result<number, ReadingIssue | HearingIssue | CrashIssue>>;
  readonly next: () => Promise<Piece>;
  readonly end: () => void;
}

function throughPictures(file: File, signal: AbortSignal): Through {
  const client = new WorkerClient<ActivityWorker>(
    new Worker(new URL('./activity-worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    open: () => client.ask(client.remote.open(file), WHAT, { signal }),
    next: async () => {
      const next = await client.ask(client.remote.next(), WHAT);
      return next.ok ? { ok: true, value: next.value && [next.value] } : next;
    },
    end: () => client.end(),
  };
}

function throughSound(file: File, signal: AbortSignal): Through {
  const client = new WorkerClient<HeardWorker>(
    new Worker(new URL('./heard-worker.ts', import.meta.url), { type: 'module' }),
  );
  return {
    open: () => client.ask(client.remote.open(file), WHAT, { signal }),
    next: () => client.ask(client.remote.next(), WHAT),
    end: () => client.end(),
  };
}

/**
 * How much moves in a file from picture to picture, or how suddenly its sound becomes louder, in a worker; cancelling
 * leaves nothing behind.
 */
export async function observeActivity(
  file: File,
  { by, signal, onProgress }: ActivityRequest,
): Promise<Result<readonly Activity[], ActivityIssue>> {
  const through = (by === 'motion' ? throughPictures : throughSound)(file, signal);
  try {
    const seconds = await through.open();
    if (!seconds.ok) return seconds;
    const activity: Activity[] = [];
    for (;;) {
      if (signal.aborted) return fail('cancelled', TEXT.lookingForAttemptsWasCancelled);
      const next = await through.next();
      if (!next.ok) return next;
      if (!next.value) return ok(activity);
      activity.push(...next.value);
      onProgress(activity.at(-1)?.at ?? 0, seconds.value);
    }
  } finally {
    through.end();
  }
}
