import { compareSides } from '../../core/comparison/compare';
import { readSide } from '../../core/comparison/side';
import { decisionsFor } from '../../core/judgement/by-performer';
import { prioritise, type RankedGap } from '../../core/judgement/priority';
import { judgeAll, type Judged } from '../../core/judgement/state';
import { schoolBy, techniqueOf, type Technique } from '../../core/judgement/technique';
import type { Clip } from '../../core/model/clip';
import { withImportances, withSchool, type Movement } from '../../core/model/movement';
import { performerKey } from '../../core/model/performer';
import { counterpartOf } from '../../core/model/reference-model';
import type { Reading } from '../../core/reading';
import { mainsOf, rememberLast, type BenchClip } from '../bench/bench-clips';
import { baseOf, sideOfClip, type Derived } from './derived';

/** One of the athletes of a session: a seat of a crew, a partner, or another attempt. */
export interface Subject {
  readonly clip: BenchClip;
  /** The reference that is theirs alone; null where all are compared with the same, or with none. */
  readonly counterpart: BenchClip | null;
  /** By the technique that was measured of them, where the movement has several. */
  readonly movement: Movement;
  readonly technique: Technique | null;
  readonly judged: readonly Judged[];
  /** What to work on, first the first. */
  readonly gaps: readonly RankedGap[];
}

/** Readings of one reference performance, in the order of the movement's measures. */
export interface ReferenceColumn {
  readonly clip: BenchClip;
  readonly readings: readonly Reading[];
}

export interface Performers {
  readonly subjects: readonly Subject[];
  readonly references: readonly ReferenceColumn[];
}

type Compared = Pick<Derived, 'session' | 'clips'>;

/** Whether each athlete can have a reference of their own. */
export const hasCounterparts = ({ session, clips }: Compared): boolean =>
  session.referenceModel.kind === 'one' &&
  mainsOf(clips, 'athlete').length > 1 &&
  mainsOf(clips, 'reference').length > 0;

/** The reference of one athlete's clip, where it has one of its own; of the one who is judged it is the first. */
export function counterpartIn({ session, clips }: Compared, on: BenchClip): BenchClip | null {
  const [athletes, references] = [mainsOf(clips, 'athlete'), mainsOf(clips, 'reference')];
  if (on === athletes[0]) return references[0] ?? null;
  const clipsOf = (list: readonly BenchClip[]): Clip[] => list.map(({ trial }) => trial.clip);
  const found = counterpartOf(session.referenceModel, clipsOf(athletes), clipsOf(references), on.trial.clip.id);
  return references.find(({ trial }) => trial.clip === found) ?? null;
}

function subjectOf(derived: Derived, clip: BenchClip): Subject {
  const { session, sides } = derived;
  const counterpart = hasCounterparts(derived) ? counterpartIn(derived, clip) : null;
  if (clip.id === 'athlete') {
    const { movement, technique, judged, priorities } = derived;
    return { clip, counterpart, movement, technique, judged, gaps: priorities.proposed };
  }
  // Nobody is compared with the very performance that is looked at.
  const isOwn = session.referenceModel.kind === 'own' && session.referenceModel.own?.clipId === clip.trial.clip.id;
  const reference = counterpart ? sideOfClip(derived, counterpart) : isOwn ? [] : sides.referenceOf;
  const side = sideOfClip(derived, clip);
  const base = baseOf(session);
  const technique = techniqueOf(base, side, session.measuredErrors);
  const movement = withImportances(withSchool(base, schoolBy(session.school, technique)), session.importances);
  const decisions = decisionsFor(session.decisions, performerKey(clip.trial.clip.performer));
  const judged = judgeAll(compareSides(movement, side, reference, session.measuredErrors), decisions);
  const { daysToCompetition } = session;
  const gaps = prioritise(movement, judged, { order: [], daysToCompetition, decisions }).proposed;
  return { clip, counterpart, movement, technique, judged, gaps };
}

/** Everybody of a session beside one another: athletes judged each against their own reference, and the references. */
export const performersOf = rememberLast((derived: Derived): Performers => {
  const { movement, session, clips } = derived;
  return {
    subjects: mainsOf(clips, 'athlete').map((clip) => subjectOf(derived, clip)),
    references: mainsOf(clips, 'reference').map((clip) => ({
      clip,
      readings: movement.measures.map(
        (measure) => readSide(measure, sideOfClip(derived, clip), session.measuredErrors).reading,
      ),
    })),
  };
});
