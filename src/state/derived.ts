import { markSheet, type SheetResult } from '../core/judgement/criteria';
import { judge, type Judged } from '../core/judgement/state';
import { prioritise, type Priorities } from '../core/judgement/priority';
import { planOf, type Plan } from '../core/coaching/plan';
import { compareSides } from '../core/comparison/compare';
import type { Side, Views } from '../core/comparison/side';
import { timingTable, type TimingRow } from '../core/comparison/timing-table';
import { momentsOf, type Measure } from '../core/model/measure';
import { withImportances, withSchool, type Movement } from '../core/model/movement';
import type { Session } from '../core/model/session';
import { MOST_PANES, slotsOf, type StyleKey, type Slot } from '../core/model/slots';
import { momentsOfMarks, type Moments } from '../core/trial/moments';
import { prepareTrack, type Trial } from '../core/trial/trial';
import type { Track } from '../core/tracks/track';
import { frameAtTime, timeAtFrame } from '../core/timing/clip-time';
import { syncMap, type SyncMap } from '../core/timing/sync-map';
import { movementOf, MOVEMENTS } from '../movements';

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
export interface BenchClip extends Omit<Slot, 'clip' | 'main'> {
  readonly trial: Trial;
  /** Another camera of this clip's trial leads it; null for the first camera. */
  readonly join: { readonly mainId: string; readonly map: SyncMap } | null;
}

/** One memory for each clip, so that a change of one leaves the others alone. */
function forEachClip<F>(make: () => F): (clipId: string) => F {
  const made = new Map<string, F>();
  return (clipId) => {
    if (!made.has(clipId)) made.set(clipId, make());
    return made.get(clipId)!;
  };
}

/**
 * Frame positions, in another camera's clip, of the moments marked in the first camera's; they are as sure as there.
 */
function momentsThrough(map: SyncMap, main: Trial, times: Float64Array): Moments {
  const marks = Object.fromEntries(
    Object.entries(main.marks).map(([id, frame]) => [
      id,
      Math.min(times.length - 1, Math.max(0, frameAtTime(times, map.map(timeAtFrame(main.times, frame))))),
    ]),
  );
  return { marks, timing: main.timing };
}

type Prepared = ReturnType<typeof prepareTrack>;

function place(
  ready: Prepared,
  marks: Session['marks'][string],
  checks: Session['checks'][string],
  id: string,
  styleKey: StyleKey,
  main: Trial | null,
): BenchClip {
  const map = main && syncMap(main.clip, ready.clip, ready.clip.sync!.pairs);
  return {
    id,
    styleKey,
    trial: { ...ready, ...(map ? momentsThrough(map, main, ready.times) : momentsOfMarks(marks)), checks },
    join: map && { mainId: main.clip.id, map },
  };
}

/** Marking a moment does not smooth the points again. */
const prepareOf = forEachClip(() => rememberLast(prepareTrack));
const placeOf = forEachClip(() => rememberLast(place));

function benchClips(session: Session): readonly BenchClip[] {
  const done = new Map<string, Trial>();
  return slotsOf(session.clips).map(({ clip, id, styleKey, main }) => {
    const ready = prepareOf(clip.id)(
      clip,
      session.tracks[clip.id] ?? NO_TRACK,
      session.cutoff,
      session.spatial[clip.id],
    );
    const placed = placeOf(clip.id)(
      ready,
      session.marks[clip.id] ?? NO_MARKS,
      session.checks[clip.id] ?? NO_CHECKS,
      id,
      styleKey,
      main === clip ? null : done.get(main.id)!,
    );
    done.set(clip.id, placed.trial);
    return placed;
  });
}

/** Everything that follows from the document. */
export interface Derived {
  readonly session: Session;
  readonly movement: Movement;
  /** Every clip, trials before their further cameras. */
  readonly clips: readonly BenchClip[];
  /** Those that have a pane. */
  readonly panes: readonly BenchClip[];
  /** The first athlete and the reference that the athlete is compared with. */
  readonly athlete: Trial | null;
  readonly reference: Trial | null;
  /** What is compared with what: one trial each, or several. */
  readonly sides: Sides;
  readonly judged: readonly Judged[];
  readonly timing: readonly TimingRow[];
  readonly priorities: Priorities;
  /** What is worked on: proposed gaps and the analyst's own corrections, in one order. */
  readonly plan: Plan;
  /** The criteria sheet, where the movement has one. */
  readonly sheet: SheetResult | null;
}

/** All cameras of a trial with the marks of one repetition of it. */
function viewsWith(clips: readonly BenchClip[], main: Trial, moments: Moments | null): Views {
  const first = moments ? { ...main, ...moments } : main;
  return [
    first,
    ...clips
      .filter((c) => c.join?.mainId === main.clip.id)
      .map((c) => (moments ? { ...c.trial, ...momentsThrough(c.join!.map, first, c.trial.times) } : c.trial)),
  ];
}

/** The moments of every repetition of a clip; those of the chosen one are the clip's own. */
export function repetitionsOf(session: Pick<Session, 'repetitions' | 'marks'>, clipId: string): readonly Moments[] {
  const known = session.repetitions[clipId];
  return (known?.all ?? []).map((marks, i) =>
    momentsOfMarks(i === known!.chosen ? (session.marks[clipId] ?? marks) : marks),
  );
}

/** A clip's part in a side: its chosen repetition, or every one where their mean counts. */
function membersOf(session: Pick<Session, 'repetitions' | 'marks'>, clips: readonly BenchClip[], main: Trial): Side {
  const all = repetitionsOf(session, main.clip.id);
  return session.repetitions[main.clip.id]?.average && all.length > 1
    ? all.map((moments) => viewsWith(clips, main, moments))
    : [viewsWith(clips, main, null)];
}

/** Every repetition of a clip, as all its cameras see it. */
export const repetitionViews = ({ session, clips }: Pick<Derived, 'session' | 'clips'>, on: BenchClip): Side =>
  repetitionsOf(session, on.trial.clip.id).map((moments) => viewsWith(clips, on.trial, moments));

export interface Sides {
  readonly athlete: Side;
  readonly reference: Side;
  /** The reference of one measure, where it depends on the phase. */
  readonly referenceOf: (measure: Measure) => Side;
}

/** What is compared with what. */
const sidesOf = rememberLast(
  (
    movement: Movement,
    clips: readonly BenchClip[],
    repetitions: Session['repetitions'],
    marks: Session['marks'],
    model: Session['referenceModel'],
  ): Sides => {
    const session = { repetitions, marks };
    const mains = clips.filter((c) => c.join === null);
    const of = (clipId: string): Side =>
      mains.filter((c) => c.trial.clip.id === clipId).flatMap((c) => membersOf(session, clips, c.trial));
    const athlete = mains.find((c) => c.id === 'athlete');
    const references = mains.filter((c) => c.trial.clip.role === 'reference').map((c) => c.trial.clip.id);
    const first = references[0] === undefined ? [] : of(references[0]);
    const reference = ((): Side => {
      switch (model.kind) {
        case 'one':
        case 'phases':
          return first;
        case 'several':
          return references.filter((id) => !model.without.includes(id)).flatMap(of);
        case 'own': {
          const main = mains.find((c) => c.trial.clip.id === model.own?.clipId);
          const own = main && model.own ? repetitionsOf(session, model.own.clipId)[model.own.repetition] : undefined;
          return main ? [viewsWith(clips, main.trial, own ?? null)] : [];
        }
        case 'published':
          return [];
      }
    })();
    const phaseOf = (measure: Measure): string | undefined => {
      const at = momentsOf(measure)[0];
      // What is read at a moment is the work of the phase that ends there.
      return (movement.phases.find((p) => p.to === at) ?? movement.phases.find((p) => p.from === at))?.from;
    };
    const referenceOf = (measure: Measure): Side => {
      const chosen = model.kind === 'phases' ? model.phases[phaseOf(measure) ?? ''] : undefined;
      const side = chosen === undefined ? [] : of(chosen);
      return side.length > 0 ? side : reference;
    };
    return { athlete: athlete ? of(athlete.trial.clip.id) : [], reference, referenceOf };
  },
);

const sameElements = <T>(): ((list: readonly T[]) => readonly T[]) => {
  let last: readonly T[] = [];
  return (list) => (last.length === list.length && last.every((v, i) => v === list[i]) ? last : (last = list));
};
const settledClips = sameElements<BenchClip>();

const compare = rememberLast((movement: Movement, sides: Sides, errors: Session['measuredErrors']) =>
  sides.athlete.length > 0 ? compareSides(movement, sides.athlete, sides.referenceOf, errors) : [],
);
const timingOf = rememberLast((movement: Movement, sides: Sides): readonly TimingRow[] =>
  sides.athlete.length > 0 && sides.reference.length > 0 ? timingTable(movement, sides.athlete, sides.reference) : [],
);
/** The session's movement as its document says. */
export const baseOf = (session: Pick<Session, 'ownMovement' | 'movementId'>): Movement =>
  session.ownMovement ?? movementOf(session.movementId) ?? MOVEMENTS[0]!;
const movementFor = rememberLast(
  (base: Movement, school: string | null, importances: Session['importances']): Movement =>
    withImportances(withSchool(base, school), importances),
);
const sheetOf = rememberLast(
  (movement: Movement, judged: readonly Judged[], byEye: Session['criteria']): SheetResult | null =>
    movement.sheet && judged.length > 0 ? markSheet(movement.sheet, judged, byEye) : null,
);

export const derive = rememberLast((session: Session): Derived => {
  const movement = movementFor(baseOf(session), session.school, session.importances);
  const clips = settledClips(benchClips(session));
  const sides = sidesOf(movement, clips, session.repetitions, session.marks, session.referenceModel);
  const first = (id: string): Trial | null => clips.find((c) => c.id === id)?.trial ?? null;
  const judged = compare(movement, sides, session.measuredErrors).map((c) =>
    judge(
      c,
      session.decisions.find((d) => d.measureId === c.measure.id),
    ),
  );
  const priorities = prioritise(movement, judged, session);
  return {
    session,
    movement,
    clips,
    panes: clips.filter((c) => c.trial.clip.onBench).slice(0, MOST_PANES),
    athlete: first('athlete'),
    reference: first('reference'),
    sides,
    judged,
    timing: timingOf(movement, sides),
    priorities,
    plan: planOf(priorities, session.ownCorrections, session.order),
    sheet: sheetOf(movement, judged, session.criteria),
  };
});

/** The clip that keys and buttons act on: the one chosen, or the first. */
export function activeOf(derived: Derived, activeClip: string | null): BenchClip | null {
  return derived.panes.find((c) => c.trial.clip.id === activeClip) ?? derived.panes[0] ?? null;
}
