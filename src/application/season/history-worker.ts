import { exposeWorker } from '../../media/expose-worker';
import { standingOf } from '../../core/coaching/athlete-standing';
import type { SessionResult } from '../../core/coaching/progress';
import type { Session } from '../../core/model/session';
import { ok, type Result } from '../../core/result';
import { standingId } from '../../storage/athletes';
import type { StoredStanding } from '../../storage/database';
import { readSession } from '../../storage/sessions';
import { listSessions, type SessionSummary } from '../../storage/session-list';
import { athletesIn } from '../../storage/athletes-in';
import { pictureOf } from './athlete-picture';
import { bodiesOf } from '../analysis/bodies';
import { derive, type Derived } from '../analysis/derived';
import { sessionJudgedAs } from '../analysis/judged-as';
import { practiceOf } from './practice-use-cases';
import { resultOf } from '../analysis/session-result';

export interface StoredOf {
  readonly id: string;
  readonly updatedAt: string;
}

/** A session measured as one of its athletes is judged in it. */
function measured(stored: Session, athlete: string): Derived {
  const session = sessionJudgedAs(derive(stored), athlete);
  return derive(session, bodiesOf(derive(session).clips));
}

async function storedOf(athlete: string, measuredBy: string): Promise<readonly SessionSummary[]> {
  const all = await listSessions();
  return all.filter((s) => s.damage === null && athletesIn(s).includes(athlete) && s.measuredBy === measuredBy);
}

/** Measures other sessions of an athlete away from the page. Sessions that cannot be read are passed over. */
const worker = {
  /** The sessions of an athlete and a movement in this browser. */
  async sessionsOf(athlete: string, measuredBy: string): Promise<Result<readonly StoredOf[], never>> {
    return ok((await storedOf(athlete, measuredBy)).map(({ id, updatedAt }) => ({ id, updatedAt })));
  },
  /** What one of them found of the athlete; null where it is gone. */
  async resultOf(id: string, athlete: string): Promise<Result<SessionResult | null, never>> {
    const read = await readSession(id);
    return ok(read.ok ? resultOf(measured(read.value, athlete)) : null);
  },
  /** How an athlete stands in a movement; null where no session of theirs can be read. */
  async standingOf(athlete: string, measuredBy: string): Promise<Result<StoredStanding | null, never>> {
    const stored = [...(await storedOf(athlete, measuredBy))].sort((a, b) => a.on.localeCompare(b.on));
    const results: SessionResult[] = [];
    let latest: Derived | null = null;
    for (const { id } of stored) {
      const read = await readSession(id);
      if (!read.ok) continue;
      latest = measured(read.value, athlete);
      results.push(resultOf(latest));
    }
    if (!latest) return ok(null);
    return ok({
      id: standingId(athlete, measuredBy),
      athlete,
      measuredBy,
      sessions: stored.map(({ id, updatedAt }) => ({ id, updatedAt })),
      ...standingOf(latest.movement.measures, results, practiceOf(latest).plan),
      picture: latest.athlete && (await pictureOf(latest.athlete)),
    });
  },
};
export type HistoryWorker = typeof worker;

exposeWorker(worker);
