import { derive, type Derived } from './derive';
import { useDocument } from './document-store';

export * from './derive';

/** For screens inside an open session. */
export function useDerived(): Derived {
  const session = useDocument((state) => state.session);
  if (!session) throw new Error('No session is open.');
  return derive(session);
}
