import { deleteSession } from '../../storage/sessions';
import { setSession, useDocument } from '../stores/document-store';
import { tellDeleted } from '../stores/windows';
import { sweep } from './kept';

export async function removeSession(id: string): Promise<void> {
  if (useDocument.getState().session?.id === id) setSession(null);
  await deleteSession(id);
  tellDeleted(id);
  await sweep();
}
