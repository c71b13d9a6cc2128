/** What the application asks of the browser before it begins. */
export { missingFeatures } from '../../media/browser-features';
export { isNewer as dataAreNewer } from '../../storage/database';

/** Asks the browser not to clear what is kept when it runs short. */
export const askToPersist = async (): Promise<boolean> =>
  (await globalThis.navigator?.storage?.persist?.().catch(() => false)) ?? false;
