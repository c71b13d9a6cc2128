import { markSheet, type SheetResult } from '../../core/judgement/criteria';
import { judgeAll, type Judged } from '../../core/judgement/state';
import { schoolBy, techniqueOf, type Technique } from '../../core/judgement/technique';
import { prioritise, type Priorities } from '../../core/judgement/priority';
import { planOf, type Plan } from '../../core/coaching/plan';
import { compareSides } from '../../core/comparison/compare';
import type { Side, Views } from '../../core/comparison/side';
import { timingTable, type TimingRow } from '../../core/comparison/timing-table';
import { eventsOf, type Measure } from '../../core/model/measure';
import { withImportances, withSchool, type Movement, type School } from '../../core/model/movement';
import { decisionsFor, ownCorrectionsFor } from '../../core/judgement/by-performer';
import { performerKey } from '../../core/model/performer';
import type { Decision, Session } from '../../core/model/session';
import { MOST_PANES } from '../../core/model/slots';
import { eventsOfMarks, type KeyEvents } from '../../core/trial/key-events';
import type { Trial } from '../../core/trial/trial';
import { viewsOfBody, viewsOfRecorded } from '../../core/reconstruction/body-views';
import { movementOf, MOVEMENTS } from '../../movements';
import { benchClips, eventsThrough, mainsOf, rememberLast, type BenchClip } from '../bench/bench-clips';
import { NO_BODIES, type Bodies } from './bodies';

/** What is known of performances in space. */
interface InSpace {
  readonly spatial: Session['spatial'];
  readonly bodies: Bodies;
}
interface Known {
  readonly clips: readonly BenchClip[];
  readonly inSpace: InSpace;
}

/** Everything that follows from the document. */
export interface Derived {
  readonly session: Session;
  readonly movement: Movement;
  /** Which of the movement's ways the athlete's is, where a measure tells; null where none does. */
  readonly technique: Technique | null;
  /** The way by which is judged: the chosen one, else the one that was measured. */
  readonly school: School | null;
  /** Every clip, trials before their further cameras. */
  readonly clips: readonly BenchClip[];
  /** Bodies in space of those that several cameras saw. */
  readonly bodies: Bodies;
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
  /** What was decided about the judged athlete's measures. */
  readonly decisions: readonly Decision[];
  /** What is worked on: proposed gaps and the analyst's own corrections, in one order. */
  readonly plan: Plan;
  /** The criteria sheet, where the movement has one. */
  readonly sheet: SheetResult | null;
}

/** The planes of a trial whose points are known in space, whichever cameras there are. */
function viewsInSpace({ spatial, bodies }: InSpace, main: Trial): Views {
  const recorded = spatial[main.clip.id];
  const body = bodies.get(main.clip.id);
  if (recorded) return viewsOfRecorded(recorded, main);
  return body ? viewsOfBody(body, main) : [];
}

/** All cameras of a trial with the marks of one repetition of it, then its planes in space. */
function viewsWith({ clips, inSpace }: Known, main: Trial, moments: KeyEvents | null): Views {
  const first = moments ? { ...main, ...moments } : main;
  return [
    first,
    ...clips
      .filter((c) => c.join?.mainId === main.clip.id)
      .map((c) => (moments ? { ...c.trial, ...eventsThrough(c.join!.map, first, c.trial.times) } : c.trial)),
    ...viewsInSpace(inSpace, first),
  ];
}

/** The moments of every repetition of a clip; those of the chosen one are the clip's own. */
export function repetitionsOf(session: Pick<Session, 'repetitions' | 'marks'>, clipId: string): readonly KeyEvents[] {
  const known = session.repetitions[clipId];
  return (known?.all ?? []).map((marks, i) =>
    eventsOfMarks(i === known!.chosen ? (session.marks[clipId] ?? marks) : marks),
  );
}

/** A clip's part in a side: its chosen repetition, or every one where their mean counts. */
function membersOf(session: Pick<Session, 'repetitions' | 'marks'>, known: Known, main: Trial): Side {
  const all = repetitionsOf(session, main.clip.id);
  return session.repetitions[main.clip.id]?.average && all.length > 1
    ? all.map((moments) => viewsWith(known, main, moments))
    : [viewsWith(known, main, null)];
}

/** Every repetition of a clip, as all its cameras see it. */
export const repetitionViews = (
  { session, clips, bodies }: Pick<Derived, 'session' | 'clips' | 'bodies'>,
  on: BenchClip,
): Side => {
  const known = { clips, inSpace: { spatial: session.spatial, bodies } };
  return repetitionsOf(session, on.trial.clip.id).map((moments) => viewsWith(known, on.trial, moments));
};

/** A clip's own side of a comparison: its trial, or every repetition of it where their mean counts. */
export const sideOfClip = (
  { session, clips, bodies }: Pick<Derived, 'session' | 'clips' | 'bodies'>,
  { trial }: BenchClip,
): Side => membersOf(session, { clips, inSpace: { spatial: session.spatial, bodies } }, trial);

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
    spatial: Session['spatial'],
    bodies: Bodies,
  ): Sides => {
    const session = { repetitions, marks };
    const known = { clips, inSpace: { spatial, bodies } };
    const mains = mainsOf(clips);
    const of = (clipId: string): Side =>
      mains.filter((c) => c.trial.clip.id === clipId).flatMap((c) => membersOf(session, known, c.trial));
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
          return main ? [viewsWith(known, main.trial, own ?? null)] : [];
        }
        case 'published':
          return [];
      }
    })();
    const phaseOf = (measure: Measure): string | undefined => {
      const at = eventsOf(measure)[0];
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
const nameTechnique = rememberLast((movement: Movement, sides: Sides, errors: Session['measuredErrors']) =>
  techniqueOf(movement, sides.athlete, errors),
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

export const derive = rememberLast((session: Session, bodies: Bodies = NO_BODIES): Derived => {
  const base = baseOf(session);
  const clips = settledClips(benchClips(session, base));
  const sides = sidesOf(
    base,
    clips,
    session.repetitions,
    session.marks,
    session.referenceModel,
    session.spatial,
    bodies,
  );
  const first = (id: string): Trial | null => clips.find((c) => c.id === id)?.trial ?? null;
  const technique = nameTechnique(base, sides, session.measuredErrors);
  const school = schoolBy(session.school, technique);
  const movement = movementFor(base, school, session.importances);
  const athlete = first('athlete');
  const who = athlete && performerKey(athlete.clip.performer);
  const decisions = decisionsFor(session.decisions, who);
  const judged = judgeAll(compare(movement, sides, session.measuredErrors), decisions);
  const priorities = prioritise(movement, judged, {
    order: session.order,
    daysToCompetition: session.daysToCompetition,
    decisions,
  });
  return {
    session,
    movement,
    technique,
    school: movement.schools.find(({ id }) => id === school) ?? null,
    clips,
    bodies,
    panes: clips.filter((c) => c.trial.clip.onBench).slice(0, MOST_PANES),
    athlete,
    reference: first('reference'),
    sides,
    judged,
    timing: timingOf(movement, sides),
    priorities,
    decisions,
    plan: planOf(priorities, ownCorrectionsFor(session, who), session.order),
    sheet: sheetOf(movement, judged, session.criteria),
  };
});

/** The clip that keys and buttons act on: the one chosen, or the first. */
export function activeOf(derived: Derived, activeClip: string | null): BenchClip | null {
  return derived.panes.find((c) => c.trial.clip.id === activeClip) ?? derived.panes[0] ?? null;
}
