import { judge, type Judged } from '../core/assessment/state';
import { prioritise, type Priorities } from '../core/assessment/priority';
import { compareAll } from '../core/comparison/compare';
import { timingTable, type TimingRow } from '../core/comparison/timing-table';
import type { Clip, Role } from '../core/model/clip';
import type { Movement } from '../core/model/movement';
import type { Session } from '../core/model/session';
import { frameOfMarks, prepareTrack, type Performance } from '../core/performance/performance';
import type { Track } from '../core/points/track';
import { movementOf, MOVEMENTS } from '../movements';
import { useDocument } from './document-store';

export const clipOf = (session: Session, role: Role): Clip | null => session.clips.find((clip) => clip.role === role) ?? null;

/** Remembers the last result: as long as the inputs are the same objects, every screen shares it. */
function rememberLast<In extends readonly unknown[], Out>(compute: (...inputs: In) => Out): (...inputs: In) => Out {
  let last: { readonly inputs: In; readonly out: Out } | null = null;
  return (...inputs) => {
    if (!last || inputs.some((input, i) => input !== last!.inputs[i])) last = { inputs, out: compute(...inputs) };
    return last.out;
  };
}

const NO_TRACK: Track = {};
const NO_MARKS: Session['marks'][string] = {};

/** The performance of one role; marking a moment does not smooth the points again. */
function performanceOfRole(role: Role): (session: Session) => Performance | null {
  const prepare = rememberLast(prepareTrack);
  const join = rememberLast((prepared: ReturnType<typeof prepareTrack>, marks: Session['marks'][string]): Performance => ({ ...prepared, marks: frameOfMarks(marks) }));
  return (session) => {
    const clip = clipOf(session, role);
    return clip && join(prepare(clip, session.tracks[clip.id] ?? NO_TRACK, session.cutoff), session.marks[clip.id] ?? NO_MARKS);
  };
}

/** Everything that follows from the document. */
export interface Derived {
  readonly session: Session;
  readonly movement: Movement;
  readonly athlete: Performance | null;
  readonly reference: Performance | null;
  readonly judged: readonly Judged[];
  readonly timing: readonly TimingRow[];
  readonly priorities: Priorities;
}

const athleteOf = performanceOfRole('athlete');
const referenceOf = performanceOfRole('reference');
const compare = rememberLast((movement: Movement, athlete: Performance | null, reference: Performance | null) =>
  athlete && reference
    ? { comparisons: compareAll(movement, athlete, reference), timing: timingTable(movement, athlete, reference) }
    : { comparisons: [], timing: [] },
);

export const derive = rememberLast((session: Session): Derived => {
  const movement = movementOf(session.movementId) ?? MOVEMENTS[0]!;
  const athlete = athleteOf(session);
  const reference = referenceOf(session);
  const { comparisons, timing } = compare(movement, athlete, reference);
  const judged = comparisons.map((c) => judge(c, session.decisions.find((d) => d.measureId === c.measure.id)));
  const priorities = prioritise(movement, judged, session);
  return { session, movement, athlete, reference, judged, timing, priorities };
});

/** For screens inside an open session. */
export function useDerived(): Derived {
  const session = useDocument((state) => state.session);
  if (!session) throw new Error('No session is open.');
  return derive(session);
}
