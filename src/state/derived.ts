import { judge, type Judged } from '../core/assessment/state';
import { prioritise, type Priorities } from '../core/assessment/priority';
import { compareAll } from '../core/comparison/compare';
import { timingTable, type TimingRow } from '../core/comparison/timing-table';
import type { Movement } from '../core/model/movement';
import type { Session } from '../core/model/session';
import { MOST_PANES, slotsOf, type Look, type Slot } from '../core/model/slots';
import { frameOfMarks, prepareTrack, type Performance } from '../core/performance/performance';
import type { Track } from '../core/points/track';
import { frameAtTime, timeAtFrame } from '../core/timing/clip-time';
import { joinedMap, type JoinedMap } from '../core/timing/joined-map';
import { movementOf, MOVEMENTS } from '../movements';
import { useDocument } from './document-store';

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
const NO_CHECKS: Session['checks'][string] = {};

/** A clip with what is known of it, and its place on the bench. */
export interface BenchClip extends Omit<Slot, 'clip' | 'root'> {
  readonly performance: Performance;
  /** Another camera of this clip's performance leads it; null for the first camera. */
  readonly join: { readonly rootId: string; readonly map: JoinedMap } | null;
}

/** One memory for each clip, so that a change of one leaves the others alone. */
function forEachClip<F>(make: () => F): (clipId: string) => F {
  const made = new Map<string, F>();
  return (clipId) => {
    if (!made.has(clipId)) made.set(clipId, make());
    return made.get(clipId)!;
  };
}

/** Frame positions, in another camera's clip, of the moments marked in the first camera's. */
function marksThrough(map: JoinedMap, root: Performance, times: Float64Array): Readonly<Record<string, number>> {
  return Object.fromEntries(Object.entries(root.marks).map(([id, frame]) => [id, Math.min(times.length - 1, Math.max(0, frameAtTime(times, map.map(timeAtFrame(root.times, frame)))))]));
}

type Prepared = ReturnType<typeof prepareTrack>;

function place(ready: Prepared, marks: Session['marks'][string], checks: Session['checks'][string], id: string, look: Look, root: Performance | null): BenchClip {
  const map = root && joinedMap(root.clip, ready.clip, ready.clip.joined!.pairs);
  return {
    id,
    look,
    performance: { ...ready, marks: map ? marksThrough(map, root, ready.times) : frameOfMarks(marks), checks },
    join: map && { rootId: root.clip.id, map },
  };
}

/** Marking a moment does not smooth the points again. */
const prepareOf = forEachClip(() => rememberLast(prepareTrack));
const placeOf = forEachClip(() => rememberLast(place));

function benchClips(session: Session): readonly BenchClip[] {
  const done = new Map<string, Performance>();
  return slotsOf(session.clips).map(({ clip, id, look, root }) => {
    const ready = prepareOf(clip.id)(clip, session.tracks[clip.id] ?? NO_TRACK, session.cutoff);
    const placed = placeOf(clip.id)(ready, session.marks[clip.id] ?? NO_MARKS, session.checks[clip.id] ?? NO_CHECKS, id, look, root === clip ? null : done.get(root.id)!);
    done.set(clip.id, placed.performance);
    return placed;
  });
}

/** Everything that follows from the document. */
export interface Derived {
  readonly session: Session;
  readonly movement: Movement;
  /** Every clip, performances before their further cameras. */
  readonly clips: readonly BenchClip[];
  /** Those that have a pane. */
  readonly panes: readonly BenchClip[];
  /** The first athlete and the reference that the athlete is compared with. */
  readonly athlete: Performance | null;
  readonly reference: Performance | null;
  readonly judged: readonly Judged[];
  readonly timing: readonly TimingRow[];
  readonly priorities: Priorities;
}

const viewsOf = (clips: readonly BenchClip[], root: Performance | null): readonly Performance[] =>
  root ? [root, ...clips.filter((c) => c.join?.rootId === root.clip.id).map((c) => c.performance)] : [];

function rememberViews(): (views: readonly Performance[]) => readonly Performance[] {
  let last: readonly Performance[] = [];
  return (views) => (last.length === views.length && last.every((v, i) => v === views[i]) ? last : (last = views));
}
const athleteViews = rememberViews();
const referenceViews = rememberViews();
const compare = rememberLast((movement: Movement, athlete: readonly Performance[], reference: readonly Performance[], errors: Session['measuredErrors']) =>
  athlete.length > 0 && reference.length > 0
    ? { comparisons: compareAll(movement, athlete, reference, errors), timing: timingTable(movement, athlete[0]!, reference[0]!) }
    : { comparisons: [], timing: [] },
);

export const derive = rememberLast((session: Session): Derived => {
  const movement = session.ownMovement ?? movementOf(session.movementId) ?? MOVEMENTS[0]!;
  const clips = benchClips(session);
  const first = (id: string): Performance | null => clips.find((c) => c.id === id)?.performance ?? null;
  const athlete = first('athlete');
  const reference = first('reference');
  const { comparisons, timing } = compare(movement, athleteViews(viewsOf(clips, athlete)), referenceViews(viewsOf(clips, reference)), session.measuredErrors);
  const judged = comparisons.map((c) => judge(c, session.decisions.find((d) => d.measureId === c.measure.id)));
  const priorities = prioritise(movement, judged, session);
  const panes = clips.filter((c) => c.performance.clip.onBench).slice(0, MOST_PANES);
  return { session, movement, clips, panes, athlete, reference, judged, timing, priorities };
});

/** For screens inside an open session. */
export function useDerived(): Derived {
  const session = useDocument((state) => state.session);
  if (!session) throw new Error('No session is open.');
  return derive(session);
}

/** The clip that keys and buttons act on: the one chosen, or the first. */
export function activeOf(derived: Derived, activeClip: string | null): BenchClip | null {
  return derived.panes.find((c) => c.performance.clip.id === activeClip) ?? derived.panes[0] ?? null;
}
