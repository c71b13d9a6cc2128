import { Workbox } from 'workbox-window';
import { create } from 'zustand';
import { useJobs } from './jobs';
import { notify } from './notices';
import { otherWindows } from './windows';
import { TEXT } from '../../text/application/stores';

/** Takes the new version that waits; null while none does. */
export const useUpdate = create<{ readonly take: (() => Promise<void>) | null }>(() => ({ take: null }));

/**
 * Keeps the application for when its server is stopped, and offers a newer version once it was fetched whole. It is
 * never put under a window that is at work: the files of two versions do not go together.
 */
export function keepApplication(): void {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  const worker = new Workbox('/service-worker.js', { updateViaCache: 'none' });
  let taken = false;
  const take = async (): Promise<void> => {
    if (useJobs.getState().jobs.length > 0) return notify('error', TEXT.workIsUnderWayHere);
    if (await otherWindows()) return notify('error', TEXT.otherWindowsShowOldVersion);
    taken = true;
    worker.messageSkipWaiting();
  };
  worker.addEventListener('waiting', () => useUpdate.setState({ take }));
  worker.addEventListener('controlling', () => {
    if (taken) window.location.reload();
  });
  // Without it all works as before, as long as the server runs.
  void worker.register().catch(() => undefined);
}
