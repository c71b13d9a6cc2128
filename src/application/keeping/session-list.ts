export { listSessions as allSessions, type SessionSummary } from '../../storage/session-list';
