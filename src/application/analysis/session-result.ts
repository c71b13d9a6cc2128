import { correctionOf } from '../../core/coaching/correction';
import { readOnce, type SessionResult } from '../../core/coaching/progress';
import { setUpOf } from '../../core/model/conditions';
import { dayOf } from '../../core/model/session';
import type { Derived } from './derived';

/** What a session found of its athlete, for a look back at a later one. */
export function resultOf({ session, movement, judged, plan, athlete }: Derived): SessionResult {
  const readings = judged.flatMap((j) => readOnce(j, session.clips) ?? []);
  return {
    sessionId: session.id,
    name: session.name,
    on: dayOf(session),
    readings,
    missing: Object.fromEntries(
      judged.flatMap(({ measure, athlete }) => (athlete.measurable ? [] : [[measure.id, athlete.message]])),
    ),
    asked: plan.items.map((item) => ({
      id: item.id,
      title: correctionOf(movement, item, false).title,
      own: item.own !== null,
    })),
    setUp: setUpOf(session.setUp, athlete?.clip.setUp ?? []),
    result: athlete?.clip.result ?? null,
    correctionVerdicts: session.correctionVerdicts,
  };
}
