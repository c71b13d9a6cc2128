import { expose } from 'comlink';
import type { SessionResult } from '../core/coaching/progress';
import { dayOf, type Session } from '../core/model/session';
import { ok, type Result } from '../core/result';
import { slotsOf } from '../core/model/slots';
import { allStoredSessions, loadSession, type StorageIssue } from '../storage/sessions';
import { baseOf, derive } from './derive';
import { resultOf, sameAthlete } from './session-result';

export interface StoredOf {
  readonly id: string;
  readonly on: string;
  readonly updatedAt: string;
}

const athleteOf = (session: Session): string | undefined => slotsOf(session.clips).find((slot) => slot.id === 'athlete')?.clip.performer.name;

/** Measures other sessions of an athlete away from the page. */
const worker = {
  /** The sessions of an athlete and a movement in this browser. */
  async sessionsOf(athlete: string, movementId: string): Promise<Result<readonly StoredOf[], never>> {
    const all = (await allStoredSessions()).filter(({ session }) => baseOf(session).id === movementId && sameAthlete(athleteOf(session) ?? '', athlete));
    return ok(all.map(({ session, updatedAt }) => ({ id: session.id, on: dayOf(session), updatedAt })));
  },
  async resultOf(id: string): Promise<Result<SessionResult, StorageIssue>> {
    const session = await loadSession(id);
    return session.ok ? ok(resultOf(derive(session.value))) : session;
  },
};
export type LookBackWorker = typeof worker;

expose(worker);
