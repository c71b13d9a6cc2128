import { checkSession } from '../core/model/check-session';
import type { Session } from '../core/model/session';
import { database, type StoredSession } from './database';
import { withParts } from './session-parts';
import { summaryOf, textOr, unreadable, type SessionSummary } from './session-summary';
import { TEXT } from '../text/storage';

/** A row as it was stored, with its parts in their places. */
export async function joined(row: StoredSession): Promise<StoredSession> {
  const parts = await database.parts.where('session').equals(row.id).toArray();
  return { ...row, document: withParts(row.document, parts) as Session };
}

/** What is listed of a row without a summary, whatever is in it: one that is damaged must not hide the others. */
export async function summaryOfRow(row: StoredSession): Promise<SessionSummary> {
  const { id, document } = await joined(row);
  const [name, updatedAt] = [textOr(row.name, TEXT.sessionWithoutName), textOr(row.updatedAt, '')];
  const checked = checkSession(document);
  if (!checked.ok) {
    return { ...unreadable(document), id, name, updatedAt, damage: checked.issue.message };
  }
  const summary = summaryOf(checked.value, updatedAt);
  await database.summaries.put(summary);
  return { ...summary, name, damage: null };
}
