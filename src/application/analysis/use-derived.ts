import { derive, type Derived } from './derived';
import { useDocument } from '../stores/document-store';
import { useSpace } from './space';

/** Everything that follows from the open session, for screens inside it. */
export function useDerived(): Derived {
  const session = useDocument((state) => state.session);
  if (!session) throw new Error('No session is open.');
  return derive(
    session,
    useSpace((state) => state.bodies),
  );
}
