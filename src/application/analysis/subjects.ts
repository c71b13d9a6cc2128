import { compareSides } from '../../core/comparison/compare';
import { readSide, type Side } from '../../core/comparison/side';
import { decisionsFor } from '../../core/judgement/decisions';
import { prioritise, type RankedGap } from '../../core/judgement/priority';
import { judge, type Judged } from '../../core/judgement/state';
import { performerKey } from '../../core/model/performer';
import { counterpartOf } from '../../core/model/reference-model';
import type { Reading } from '../../core/reading';
import { rememberLast, type BenchClip } from '../bench/bench-clips';
import { sideOfClip, type Derived } from './derived';

/** One of the athletes of a session: a seat of a crew, a partner, or another attempt. */
export interface Subject {
  readonly clip: BenchClip;
  /** The reference that is theirs alone; null where all are compared with the same, or with none. */
  readonly counterpart: BenchClip | null;
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

/** Whether each athlete can have a reference of their own. */
export const hasCounterparts = ({ session, clips }: Pick<Derived, 'session' | 'clips'>): boolean =>
  (session.referenceModel.kind === 'one' || session.referenceModel.kind === 'phases') &&
  mainsOf(clips, 'athlete').length > 1 &&
  mainsOf(clips, 'reference').length > 0;

export const mainsOf = (clips: readonly BenchClip[], role: 'athlete' | 'reference'): readonly BenchClip[] =>
  clips.filter((c) => c.join === null && c.trial.clip.role === role);

/** The reference of one athlete's clip, where it has one of its own. */
export function counterpartIn({ session, clips }: Pick<Derived, 'session' | 'clips'>, on: BenchClip): BenchClip | null {
  const [athletes, references] = (['athlete', 'reference'] as const).map((role) => mainsOf(clips, role));
  const clipsOf = (list: readonly BenchClip[]) => list.map(({ trial }) => trial.clip);
  const found = counterpartOf(session.referenceModel, clipsOf(athletes!), clipsOf(references!), on.trial.clip.id);
  return references!.find(({ trial }) => trial.clip === found) ?? null;
}

function subjectOf(derived: Derived, clip: BenchClip): Subject {
  const { movement, session, sides } = derived;
  const counterpart = hasCounterparts(derived) ? counterpartIn(derived, clip) : null;
  if (clip.id === 'athlete') {
    const { judged, priorities } = derived;
    return { clip, counterpart, judged, gaps: priorities.proposed };
  }
  const own: Side = counterpart ? sideOfClip(derived, counterpart) : [];
  // Nobody is compared with the very performance that is looked at.
  const isOwn = session.referenceModel.kind === 'own' && session.referenceModel.own?.clipId === clip.trial.clip.id;
  const reference = counterpart ? own : isOwn ? [] : sides.referenceOf;
  const decisions = decisionsFor(session.decisions, performerKey(clip.trial.clip.performer));
  const judged = compareSides(movement, sideOfClip(derived, clip), reference, session.measuredErrors).map((c) =>
    judge(
      c,
      decisions.find((d) => d.measureId === c.measure.id),
    ),
  );
  return {
    clip,
    counterpart,
    judged,
    gaps: prioritise(movement, judged, { order: [], daysToCompetition: session.daysToCompetition, decisions }).proposed,
  };
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
