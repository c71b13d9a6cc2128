import { exposeWorker } from '../media/expose-worker';
import type { SessionResult } from '../core/coaching/progress';
import type { Session } from '../core/model/session';
import { ok, type Result } from '../core/result';
import { slotsOf } from '../core/model/slots';
import { allStoredSessions } from '../storage/sessions';
import { bodiesOf } from './bodies';
import { baseOf, derive } from './derived';
import { resultOf, sameAthlete } from './session-result';

export interface StoredOf {
  readonly id: string;
  readonly updatedAt: string;
}

const athleteOf = (session: Session): string | undefined =>
  slotsOf(session.clips).find((slot) => slot.id === 'athlete')?.clip.performer.name;

/** Sessions as they were when they were looked for. */
let found: ReadonlyMap<string, Session> = new Map();

/** Measures other sessions of an athlete away from the page. */
const worker = {
  /** The sessions of an athlete and a movement in this browser. */
  async sessionsOf(athlete: string, movementId: string): Promise<Result<readonly StoredOf[], never>> {
    const all = (await allStoredSessions()).filter(
      ({ session }) => baseOf(session).id === movementId && sameAthlete(athleteOf(session) ?? '', athlete),
    );
    found = new Map(all.map(({ session }) => [session.id, session]));
    return ok(all.map(({ session, updatedAt }) => ({ id: session.id, updatedAt })));
  },
  /** What one of them found. */
  resultOf: (id: string): Promise<Result<SessionResult, never>> =>
    Promise.resolve(ok(resultOf(derive(found.get(id)!, bodiesOf(derive(found.get(id)!).clips))))),
};
export type HistoryWorker = typeof worker;

exposeWorker(worker);
