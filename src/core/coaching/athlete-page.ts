import { judgedCount, type Judged } from '../judgement/state';
import { measureName, type Movement } from '../model/movement';
import type { Practice, Stage } from '../model/practice';
import type { Note, Session } from '../model/session';
import { usualWords } from '../measures';
import { correctionOf } from './correction';
import { doseText, ladderOf } from './ladder';
import type { PlanItem } from './plan';
import { usualDrills, usualSelfCheck } from './usual-words';
import { TEXT } from '../../text/core/coaching';

/** What an athlete carries out of the room: no deviations, no shares of a height, few words. */
export interface AthletePage {
  readonly good: readonly string[];
  readonly corrections: readonly AthleteCorrection[];
  /** What the eye found that is no correction yet. */
  readonly seen: readonly string[];
  /** What is said where there is nothing to work on; nothing judged is not nothing found. */
  readonly without: string | null;
}

export interface AthleteCorrection {
  readonly id: string;
  readonly title: string;
  readonly cue: string;
  /** What is to be seen in the pictures. */
  readonly seen: string;
  /** The next stages, from the first that is not passed. */
  readonly stages: readonly { readonly drill: string; readonly dose: string }[];
  /** What must be so before the stage after them; empty where nothing is practised. */
  readonly goOn: string;
  readonly check: string;
  readonly load: string;
  /** What its pictures show: its measure, or the finding that it was made of. */
  readonly measureId: string | null;
  readonly noteId: string | null;
}

const MOST_GOOD = 4;
const MOST_DRILLS = 2;
/** In place of a number that only an analyst reads. */
const AS_SHOWN = TEXT.asInSecondPicture;

/** Strengths before what is on target, and what the eye found before both. */
function goodOf(movement: Movement, judged: readonly Judged[], notes: readonly Note[]): readonly string[] {
  const named = (state: Judged['state']): readonly string[] =>
    judged.filter((j) => j.state === state).map(({ measure }) => measureName(movement, measure));
  const seen = notes.filter((n) => n.kind === 'good' && n.text.trim()).map((n) => n.text.trim());
  return [...new Set([...seen, ...named('strength'), ...named('on-target')])].slice(0, MOST_GOOD);
}

/** Stages to go on with, and when the first of them is passed. */
function nextStages(ladder: readonly Stage[], passed: number): Pick<AthleteCorrection, 'stages' | 'goOn'> {
  const next = ladder.slice(Math.min(passed, Math.max(0, ladder.length - 1)));
  return {
    stages: next.slice(0, MOST_DRILLS).map((stage) => ({ drill: stage.drill, dose: doseText(stage) })),
    goOn: next[0]?.pass ?? '',
  };
}

function pageCorrection(
  movement: Movement,
  item: PlanItem,
  practice: Pick<Practice, 'ladders' | 'passed'>,
  minor: boolean,
): AthleteCorrection {
  const { title, moment, cue, seen, ladder, selfCheck, load } = correctionOf(movement, item, minor);
  const own = practice.ladders[item.id];
  const passed = practice.passed[item.id]?.length ?? 0;
  if (!item.gap)
    return {
      id: item.id,
      title,
      cue: cue || title,
      seen: seen === title ? '' : seen,
      ...nextStages(own ?? ladder, passed),
      check: selfCheck,
      load,
      measureId: null,
      noteId: item.own.noteId,
    };
  const { measure, excess } = item.gap.judged;
  const words = { ...usualWords(measure), ...measure.coaching };
  // No number that only an analyst reads: the pictures are what is compared with.
  const drills = measure.coaching?.drills ?? usualDrills(movement, measure, AS_SHOWN);
  const shown = ladderOf(drills, { target: null, risk: item.gap.parts.risk, minor });
  return {
    id: item.id,
    title: moment ? `${title}, ${moment.toLowerCase()}` : title,
    cue,
    seen: measure.kind === 'checkpoint' ? measure.question : excess < 0 ? words.seenLow : words.seenHigh,
    ...nextStages(own ?? measure.coaching?.ladder ?? shown, passed),
    check: measure.coaching?.selfCheck || usualSelfCheck(movement, measure, AS_SHOWN),
    load,
    measureId: measure.id,
    noteId: null,
  };
}

/**
 * One side of paper for an athlete: what is good first, then what is worked on.
 * @param minor whether the performer is under age, which changes the load
 */
export function athletePage(
  movement: Movement,
  items: readonly PlanItem[],
  judged: readonly Judged[],
  { notes, practice }: Pick<Session, 'notes' | 'practice'>,
  minor: boolean,
): AthletePage {
  const corrections = items.slice(0, 3).map((item) => pageCorrection(movement, item, practice, minor));
  const made = items.map(({ own }) => own?.noteId);
  const seen = notes
    .filter((n) => n.kind === 'work-on' && n.text.trim() && !made.includes(n.id))
    .map((n) => n.text.trim());
  const nothing = judgedCount(judged).judged === 0 ? TEXT.nothingWasJudgedYetSo : TEXT.nothingToChangeWasFound;
  return {
    good: goodOf(movement, judged, notes),
    corrections,
    seen,
    without: corrections.length + seen.length === 0 ? nothing : null,
  };
}
