import { useEffect, useState } from 'react';
import type { SessionResult } from '../../core/coaching/progress';
import { performerKey } from '../../core/model/performer';
import { fail, ok, type Issue, type Result } from '../../core/result';
import { WorkerClient, type CrashIssue } from '../../media/worker-client';
import type { Derived } from '../analysis/derived';
import { whenStored } from '../stores/saving';
import { startJob } from '../stores/jobs';
import type { HistoryWorker } from './history-worker';
import { resultOf } from '../analysis/session-result';
import { TEXT } from '../../text/application/season';

/** Results of sessions by session and athlete, as they were last measured; what changed since is measured again. */
const measured = new Map<string, { readonly updatedAt: string; readonly result: SessionResult }>();

/**
 * What the other sessions of an athlete and movement found, measured in a worker. Sessions that cannot be read are
 * passed over.
 * @param openId the session that is open, which is left out
 */
export async function readHistory(
  { key, name }: { readonly key: string; readonly name: string },
  movementId: string,
  openId: string,
): Promise<Result<readonly SessionResult[], Issue<'cancelled'> | CrashIssue>> {
  await whenStored();
  const client = new WorkerClient<HistoryWorker>(
    new Worker(new URL('./history-worker.ts', import.meta.url), { type: 'module' }),
  );
  let job: ReturnType<typeof startJob> | null = null;
  try {
    const stored = await client.ask(client.remote.sessionsOf(key, movementId), TEXT.lookingForSessions);
    if (!stored.ok) return stored;
    const others = stored.value.filter(({ id }) => id !== openId);
    const keyOf = (id: string): string => JSON.stringify([id, key]);
    const changed = others.filter(({ id, updatedAt }) => measured.get(keyOf(id))?.updatedAt !== updatedAt);
    if (changed.length > 0) job = startJob('look-back', TEXT.measuringSessionsOfName(name));
    for (const [n, { id, updatedAt }] of changed.entries()) {
      const result = await client.ask(client.remote.resultOf(id, key), TEXT.measuringSession);
      if (job?.signal.aborted) return fail('cancelled', TEXT.measuringSessionsWasCancelled);
      if (!result.ok) return result;
      if (result.value) measured.set(keyOf(id), { updatedAt, result: result.value });
      job?.progress(n + 1, changed.length);
    }
    return ok(others.flatMap(({ id }) => measured.get(keyOf(id))?.result ?? []));
  } finally {
    job?.end();
    client.end();
  }
}

export interface History {
  /**
   * All sessions of the athlete and movement in order of their days, the open one among them; null while they are
   * measured.
   */
  readonly results: readonly SessionResult[] | null;
  readonly problem: string | null;
}

/** In order of their days; of one day the open session is the last. */
const inOrder = (others: readonly SessionResult[], open: SessionResult): readonly SessionResult[] =>
  [...others, open].sort((a, b) => a.on.localeCompare(b.on));

/** The open session among all of its athlete and movement; the open one is always as it is now. */
export function useHistory(derived: Derived): History {
  const { session, athlete } = derived;
  const name = athlete?.clip.performer.name ?? null;
  const key = athlete && performerKey(athlete.clip.performer);
  const movementId = derived.movement.id;
  const [found, setFound] = useState<{
    readonly others: readonly SessionResult[];
    readonly problem: string | null;
  } | null>(null);
  useEffect(() => {
    let current = true;
    if (name === null || key === null) return;
    void readHistory({ key, name }, movementId, session.id).then((others) => {
      if (current)
        setFound(others.ok ? { others: others.value, problem: null } : { others: [], problem: others.issue.message });
    });
    return () => {
      current = false;
    };
  }, [key, name, movementId, session.id]);
  if (key === null) return { results: [], problem: null };
  return { results: found && inOrder(found.others, resultOf(derived)), problem: found?.problem ?? null };
}
