import { deleteSession, listSessions, type SessionSummary } from '../../storage/sessions';
import { setSession, useDocument } from '../stores/document-store';
import { sweep } from './kept';
import { tellDeleted } from '../stores/windows';

export type { SessionSummary };

export const allSessions = (): Promise<readonly SessionSummary[]> => listSessions();

export async function removeSession(id: string): Promise<void> {
  if (useDocument.getState().session?.id === id) setSession(null);
  await deleteSession(id);
  tellDeleted(id);
  await sweep();
}
