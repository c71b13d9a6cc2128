import { carryOver } from '../../core/events/carry-over';
import { findRepetitions } from '../../core/events/repetitions';
import type { Proposal } from '../../core/events/propose-events';
import type { Movement } from '../../core/model/movement';
import type { ReferenceModel } from '../../core/model/reference-model';
import type { OwnCorrection, Session } from '../../core/model/session';
import type { Trial } from '../../core/trial/trial';
import { counterpartsOf, judgedAs, withFirst, type Compared } from '../analysis/judged-as';
import { mainsOf } from '../bench/bench-clips';
import { player } from '../bench/bench-player';
import { edit, useDocument } from '../stores/document-store';
import { asMarks, takeProposals } from '../events/proposals';

/** What is compared with what, and by which measure it is judged. Each is one undoable step. */

/** Finds every repetition in a clip; the first is marked, and the mean of all counts. Returns how many there are. */
export function findRepetitionsOf(movement: Movement, trial: Trial): number {
  const last = trial.times.length - 1;
  const all = findRepetitions(movement, trial).map((repetition) => asMarks(repetition, last));
  const { id } = trial.clip;
  if (all.length === 0) return 0;
  edit((session) => {
    session.repetitions[id] = { all, chosen: 0, average: all.length > 1 };
    session.marks[id] = all[0]!;
  });
  return all.length;
}

/** Shows another repetition of a clip; what was marked in the one before is kept with it. */
export function chooseRepetition(clipId: string, chosen: number): void {
  edit((session) => {
    const known = session.repetitions[clipId];
    const marks = known?.all[chosen];
    if (!known || !marks) return;
    const all = known.all.map((m, i) => (i === known.chosen ? (session.marks[clipId] ?? m) : m));
    session.repetitions[clipId] = { ...known, all, chosen };
    session.marks[clipId] = all[chosen]!;
  });
  const frames = Object.values(useDocument.getState().session?.marks[clipId] ?? {}).map((mark) => mark.frame);
  if (frames.length > 0) player.goTo(clipId, Math.round(Math.min(...frames)));
}

/** Adds the marks of the clip as one more repetition, and begins an empty one. */
export function addRepetition(clipId: string): void {
  edit((session) => {
    const known = session.repetitions[clipId] ?? { all: [session.marks[clipId] ?? {}], chosen: 0, average: false };
    const all = [...known.all.map((m, i) => (i === known.chosen ? (session.marks[clipId] ?? m) : m)), {}];
    session.repetitions[clipId] = { ...known, all, chosen: all.length - 1 };
    session.marks[clipId] = {};
  });
}

/** Takes the repetition that is shown away; one must stay. */
export function removeRepetition(clipId: string): void {
  edit((session) => {
    const known = session.repetitions[clipId];
    if (!known || known.all.length < 2) return;
    const all = known.all.filter((_, i) => i !== known.chosen);
    const chosen = Math.min(known.chosen, all.length - 1);
    session.repetitions[clipId] = { all, chosen, average: known.average && all.length > 1 };
    session.marks[clipId] = all[chosen]!;
  });
}

/** Whether a clip counts with the mean of its repetitions. */
export function averageRepetitions(clipId: string, average: boolean): void {
  edit((session) => {
    const known = session.repetitions[clipId];
    if (known) session.repetitions[clipId] = { ...known, average };
  });
}

/**
 * Carries the moments of one trial over to another one's moments that nobody has marked yet: those that somebody marked
 * also in place of what is only proposed there.
 */
export function carryEventsOver(movement: Movement, from: Trial, to: Trial): readonly Proposal[] {
  const { marks, timing } = to;
  const kept = Object.entries(marks).filter(([id]) => !timing?.[id] || from.timing?.[id] || !(id in from.marks));
  const carried = carryOver(movement, from, { ...to, marks: Object.fromEntries(kept) });
  if (carried.length > 0) takeProposals(to, carried);
  return carried;
}

export function changeReferenceModel(change: Partial<ReferenceModel>): void {
  edit((session) => {
    session.referenceModel = { ...session.referenceModel, ...change } as Session['referenceModel'];
  });
}

export function chooseSchool(school: string | null): void {
  edit((session) => {
    session.school = school;
  });
}

/** Says how important a measure is here, or takes that back (null). */
export function weigh(measureId: string, importance: number | null): void {
  edit((session) => {
    const importances = { ...session.importances };
    if (importance === null) delete importances[measureId];
    else importances[measureId] = importance;
    session.importances = importances;
  });
}

/** Marks a criterion by eye with a reason, or leaves it to its measure again (null). */
export function markCriterion(criterionId: string, byEye: Session['criteria'][string] | null): void {
  edit((session) => {
    const criteria = { ...session.criteria };
    if (byEye === null) delete criteria[criterionId];
    else criteria[criterionId] = byEye;
    session.criteria = criteria;
  });
}

/** Puts the clips that are judged and compared first of their roles. */
const ahead = (session: Session, ids: readonly (string | undefined)[]): void => {
  session.clips = withFirst(session.clips, ids);
};

/** Makes one attempt of the athlete the one that is judged, and another the reference; one undoable step. */
export function compareAttempts(judged: string, reference: string): void {
  edit((session) => {
    ahead(session, [judged]);
    session.referenceModel = { ...session.referenceModel, kind: 'own', own: { clipId: reference, repetition: 0 } };
  });
}

/** Makes a reference the one that the judged athlete is compared with. */
export function compareWith(compared: Compared, reference: string): void {
  const judged = mainsOf(compared.clips, 'athlete')[0];
  if (judged) chooseCounterpart(compared, judged.trial.clip.id, reference);
  else edit((session) => ahead(session, [reference]));
}

/** Gives an athlete's clip a reference of its own; everybody else keeps theirs. */
export function chooseCounterpart(compared: Compared, athlete: string, reference: string): void {
  const judged = mainsOf(compared.clips, 'athlete')[0]?.trial.clip.id;
  edit((session) => {
    session.referenceModel.counterparts = { ...counterpartsOf(compared), [athlete]: reference };
    if (judged === athlete) ahead(session, [reference]);
  });
}

/** Makes another athlete the one who is judged, reported and shown first (`judgedAs`). One undoable step. */
export function judgeAthlete(compared: Compared, athlete: string): void {
  const part = judgedAs(compared, athlete);
  edit((session) => {
    Object.assign(session, part);
  });
}

/** Adds a correction of the analyst's own, changes it, or takes it away (null). */
export function changeOwnCorrection(id: string | null, correction: Omit<OwnCorrection, 'id'> | null): void {
  edit((session) => {
    if (id === null) {
      if (correction) session.ownCorrections.push({ id: `own-${crypto.randomUUID()}`, ...correction });
    } else
      session.ownCorrections = correction
        ? session.ownCorrections.map((c) => (c.id === id ? { id, ...correction } : c))
        : session.ownCorrections.filter((c) => c.id !== id);
  });
}
