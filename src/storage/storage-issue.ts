import { fail, type Issue } from '../core/result';
import { TEXT } from '../text/storage';

export type StorageIssue = Issue<'not-found' | 'damaged' | 'newer' | 'overtaken' | 'storage-full' | 'storage-failed'>;

/** The browser says that there is no room in the error itself, or in what made it. */
function isFull(error: unknown): boolean {
  if (typeof error !== 'object' || error === null) return false;
  const { name, message, inner } = error as Partial<Record<'name' | 'message' | 'inner', unknown>>;
  return name === 'QuotaExceededError' || /quota|disk is full|no space/i.test(String(message)) || isFull(inner);
}

/** What a store that failed says, and what can be done about it. */
export function storageIssue(error: unknown, what: string): { readonly ok: false; readonly issue: StorageIssue } {
  const detail = error instanceof Error ? error.message : String(error);
  return isFull(error)
    ? fail('storage-full', TEXT.thereIsNoRoom(what))
    : fail('storage-failed', TEXT.browserCouldNotStoreLeave(what, detail.slice(0, 200)));
}
