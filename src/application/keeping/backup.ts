import type { Athlete } from '../../core/model/athlete';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { allAthletes, putAthlete } from '../../storage/athletes';
import { readSession } from '../../storage/sessions';
import { listSessions } from '../../storage/session-list';
import { rememberBackup } from './backup-age';
import { download } from '../files/download';
import { whenStored } from '../stores/saving';
import { startJob } from '../stores/jobs';
import { inFileWorker, openSessionFile, sessionArchive } from './session-files';
import { TEXT } from '../../text/application/keeping';

/** What could not be put into a backup, or be opened from one, each with why. */
type LeftOut = readonly string[];

/** Hands out all sessions with their videos as one file. */
export async function saveBackup(): Promise<Result<LeftOut, Issue>> {
  await whenStored();
  const all = await listSessions();
  const leftOut: string[] = [];
  const job = startJob('backup', TEXT.savingEverything);
  async function* archives(): AsyncGenerator<{ name: string; archive: Blob }> {
    for (const [n, { id, name }] of all.entries()) {
      const stored = await readSession(id);
      if (!stored.ok) leftOut.push(`\u201c${name}\u201d (${stored.issue.message})`);
      else {
        const archive = await sessionArchive(stored.value);
        // Only its own job can be cancelled: the session is left out, and said.
        if (archive.ok) yield { name: stored.value.name, archive: archive.value };
        else leftOut.push(`\u201c${name}\u201d (${archive.issue.message})`);
      }
      job.progress(n + 1, all.length);
    }
  }
  try {
    const { writeBackup } = await import('../../formats/session-archive/backup');
    const now = new Date().toISOString();
    const written = await writeBackup(archives(), await allAthletes(), now, job.signal);
    if (!written.ok) return written;
    rememberBackup(now);
    download(`proud-falcon-backup-${now.slice(0, 10)}.zip`, 'application/zip', written.value);
    return ok(leftOut);
  } finally {
    job.end();
  }
}

export interface Restored {
  readonly opened: number;
  /** Sessions that were here in another state; those of the file stand beside them. */
  readonly beside: number;
  readonly leftOut: LeftOut;
}

/** Of a record that is here in another state the one that was changed last stays. */
async function takeInRecords(athletes: readonly Athlete[], leftOut: string[]): Promise<void> {
  const here = new Map((await allAthletes()).map(({ id, updatedAt }) => [id, updatedAt]));
  for (const athlete of athletes) {
    if ((here.get(athlete.id) ?? '') >= athlete.updatedAt && here.has(athlete.id)) continue;
    const kept = await putAthlete(athlete);
    if (!kept.ok) leftOut.push(TEXT.recordOfNameMessage(athlete.name, kept.issue.message));
  }
}

/**
 * Puts all sessions of a backup into this browser; null of a file that is no backup. Nothing that is here is replaced.
 */
export async function restoreBackup(file: File): Promise<Result<Restored | null, Issue>> {
  const read = await inFileWorker(file, (worker) => worker.readBackup(file));
  if (!read.ok || read.value === null) return read as Result<null, Issue>;
  const { sessions, athletes, damaged } = read.value;
  const leftOut = [...damaged];
  await takeInRecords(athletes, leftOut);
  let [opened, beside] = [0, 0];
  const job = startJob('restore', TEXT.openingName(file.name));
  try {
    for (const [n, { fileName, blob }] of sessions.entries()) {
      if (job.signal.aborted) return fail('cancelled', TEXT.cancelledOpenedOfCountSessions(opened, sessions.length));
      const session = await openSessionFile(new File([blob], fileName));
      if (session.ok) {
        opened++;
        if (session.value.beside) beside++;
        leftOut.push(...session.value.dropped);
      } else leftOut.push(`\u201c${fileName}\u201d (${session.issue.message})`);
      job.progress(n + 1, sessions.length);
    }
    return ok({ opened, beside, leftOut });
  } finally {
    job.end();
  }
}
