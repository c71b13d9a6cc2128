import { useMemo } from 'react';
import { judge, type Judged } from '../core/assessment/state';
import { prioritise, type Priorities } from '../core/assessment/priority';
import { compareAll } from '../core/comparison/compare';
import { timingTable, type TimingRow } from '../core/comparison/timing-table';
import type { Clip, Role } from '../core/model/clip';
import type { Movement } from '../core/model/movement';
import type { Session } from '../core/model/session';
import { preparePerformance, type Performance } from '../core/performance/performance';
import { movementOf, MOVEMENTS } from '../movements';
import { useDocument } from './document-store';

export const clipOf = (session: Session, role: Role): Clip | null => session.clips.find((clip) => clip.role === role) ?? null;

function usePerformance(session: Session, role: Role): Performance | null {
  const clip = clipOf(session, role);
  const track = clip ? session.tracks[clip.id] : undefined;
  const marks = clip ? session.marks[clip.id] : undefined;
  return useMemo(
    () => (clip ? preparePerformance(clip, track ?? {}, marks ?? {}, session.cutoff) : null),
    [clip, track, marks, session.cutoff],
  );
}

/** Everything that follows from the document, computed again only when its part of the document changes. */
export interface Derived {
  readonly session: Session;
  readonly movement: Movement;
  readonly athlete: Performance | null;
  readonly reference: Performance | null;
  readonly judged: readonly Judged[];
  readonly timing: readonly TimingRow[];
  readonly priorities: Priorities;
}

/** For screens inside an open session. */
export function useDerived(): Derived {
  const session = useDocument((state) => state.session);
  if (!session) throw new Error('No session is open.');
  const movement = movementOf(session.movementId) ?? MOVEMENTS[0]!;
  const athlete = usePerformance(session, 'athlete');
  const reference = usePerformance(session, 'reference');
  const comparisons = useMemo(
    () => (athlete && reference ? compareAll(movement, athlete, reference) : []),
    [movement, athlete, reference],
  );
  const { decisions, order, daysToCompetition } = session;
  const judged = useMemo(
    () => comparisons.map((c) => judge(c, decisions.find((d) => d.measureId === c.measure.id))),
    [comparisons, decisions],
  );
  const timing = useMemo(
    () => (athlete && reference ? timingTable(movement, athlete, reference) : []),
    [movement, athlete, reference],
  );
  const priorities = useMemo(
    () => prioritise(movement, judged, { decisions, order, daysToCompetition }),
    [movement, judged, decisions, order, daysToCompetition],
  );
  return { session, movement, athlete, reference, judged, timing, priorities };
}
