import { differenceInCalendarDays, isValid, parseISO } from 'date-fns';

/** Where it stands when everything was saved last; the browser forgets it with all else. */
const KEY = 'proud-falcon-backup';
/** After so many days a backup is old, and so is work that none ever held (common practice). */
const OLD = 14;

/** Work that only this browser has. */
export interface BackupDue {
  /** Sessions changed since everything was saved last; all where it never was. */
  readonly changed: number;
  /** Days since then; null for never. */
  readonly days: number | null;
}

/** When everything was saved last, as an ISO time; null for never. */
export function lastBackup(): string | null {
  try {
    const at = localStorage.getItem(KEY);
    return at !== null && isValid(parseISO(at)) ? at : null;
  } catch {
    return null;
  }
}

export function rememberBackup(at: string): void {
  try {
    localStorage.setItem(KEY, at);
  } catch {
    // A browser that keeps nothing reminds again.
  }
}

/**
 * What a backup is due for; null where none is.
 * @param last when everything was saved last, as an ISO time
 */
export function backupDue(
  sessions: readonly { readonly updatedAt: string }[],
  last: string | null,
  now: string,
): BackupDue | null {
  const changed = sessions.filter(({ updatedAt }) => last === null || updatedAt > last);
  const age = (at: string): number => differenceInCalendarDays(parseISO(now), parseISO(at));
  // By their text, as ISO times go: thousands of sessions are not each read as a date. Damaged ones can have lost it.
  const times = changed.map(({ updatedAt }) => updatedAt).filter((at) => at !== '');
  const oldest = times.reduce((first, at) => (at < first ? at : first), times[0] ?? '');
  if (oldest === '') return null;
  const days = last === null ? null : age(last);
  return (days ?? age(oldest)) >= OLD ? { changed: changed.length, days } : null;
}
