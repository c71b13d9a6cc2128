import type { Remote } from 'comlink';
import { fail, type Issue, type Result } from '../../core/result';
import { WorkerClient, type CrashIssue } from '../../media/worker-client';
import { startJob } from '../stores/jobs';
import { TEXT } from '../../text/application/files';

export type FileIssue = CrashIssue | Issue<'cancelled'>;

type Answer<T, I extends Issue> =
  Promise<{ readonly ok: true; readonly value: T }> | Promise<{ readonly ok: false; readonly issue: I }>;

/**
 * Has a file read in a worker of its own, which can be cancelled; the worker is ended with it.
 * @param patience how long a file that is no joke to read takes at most, ms; after it it is a harmful one
 */
export async function readInWorker<W, T, I extends Issue>(
  worker: Worker,
  file: File,
  patience: number,
  read: (remote: Remote<W>) => Answer<T, I>,
): Promise<Result<T, I | FileIssue>> {
  const job = startJob(`read-${file.name}`, TEXT.readingName(file.name));
  const client = new WorkerClient<W>(worker);
  try {
    const done = await client.ask<T, I>(read(client.remote), TEXT.readingNameWithName(file.name), {
      signal: job.signal,
      patience,
    });
    return job.signal.aborted ? fail('cancelled', TEXT.readingNameWasCancelled(file.name)) : done;
  } finally {
    client.end();
    job.end();
  }
}
