import { DOCUMENTS } from '../../movements/documents';
import type { SessionSummary } from '../../application/keeping/session-list';

/** What a session measures by, as it is called. */
export const movementNameOf = ({
  movementName,
  movementId,
}: Pick<SessionSummary, 'movementName' | 'movementId'>): string =>
  movementName ?? DOCUMENTS.find(({ id }) => id === movementId)?.name ?? movementId;
