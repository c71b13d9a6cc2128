import { activeStretches, type Activity, type Stretch } from '../core/signal/active-stretches';
import { fail, ok, type Issue, type Result } from '../core/result';
import type { ActivityIssue, ActivityWorker } from '../media/activity-worker';
import { WorkerClient, type CrashIssue } from '../media/worker-client';
import { startJob } from './jobs';

/** A file that plays longer than this may hold more than one attempt, seconds. */
const LONG = 20;
/** A browser that has not told the length in this time will not, ms. */
const PATIENCE = 10_000;

/**
 * How long a video plays, seconds, as the browser says without reading through it; null where it does not say, or cannot
 * play it.
 */
function lengthOf(file: File): Promise<number | null> {
  const element = document.createElement('video');
  const address = URL.createObjectURL(file);
  return new Promise<number | null>((resolve) => {
    element.preload = 'metadata';
    element.onloadedmetadata = () => resolve(Number.isFinite(element.duration) ? element.duration : null);
    element.onerror = () => resolve(null);
    setTimeout(() => resolve(null), PATIENCE);
    element.src = address;
  }).finally(() => {
    element.removeAttribute('src');
    element.load();
    URL.revokeObjectURL(address);
  });
}

/** A file of which parts may be wanted, and how long it plays; null for one that is a clip as it is. */
export async function longFile(file: File): Promise<{ readonly file: File; readonly seconds: number } | null> {
  const seconds = file.size === 0 ? null : await lengthOf(file);
  return seconds !== null && seconds > LONG ? { file, seconds } : null;
}

/** Proposes the attempts of a long file: where clearly more moves than in the rest of it. */
export async function findAttempts(
  file: File,
): Promise<Result<readonly Stretch[], ActivityIssue | CrashIssue | Issue<'cancelled'>>> {
  const job = startJob(`attempts-${file.name}`, `Looking for attempts in ${file.name}`);
  const client = new WorkerClient<ActivityWorker>(
    new Worker(new URL('../media/activity-worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    const seconds = await client.ask(client.remote.open(file), 'Reading the file');
    if (!seconds.ok) return seconds;
    const activity: Activity[] = [];
    for (;;) {
      if (job.signal.aborted) return fail('cancelled', 'Looking for attempts was cancelled.');
      const next = await client.ask(client.remote.next(), 'Looking for attempts');
      if (!next.ok) return next;
      if (!next.value) return ok(activeStretches(activity));
      activity.push(next.value);
      job.progress(next.value.at, seconds.value);
    }
  } finally {
    client.end();
    job.end();
  }
}
