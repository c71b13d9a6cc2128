import { cautionText } from './caution-text';
import type { RankedGap } from '../judgement/priority';
import { inUnit } from '../units';
import { eventsOf } from '../model/measure';
import type { Movement } from '../model/movement';
import type { Stage } from '../model/practice';
import type { Note, OwnCorrection } from '../model/session';
import { COVERAGE_95 } from '../statistics/normal';
import type { PlanItem } from './plan';
import { usualWords } from '../measures';
import { ladderOf } from './ladder';
import { usualDrills, usualSelfCheck, usualWhy } from './usual-words';
import { TEXT } from '../../text/core/coaching';

/** One thing to work on, ready to be read by an athlete. */
export interface Correction {
  readonly measureId: string;
  readonly title: string;
  /** Name of the moment at which it is seen; empty where it has none. */
  readonly moment: string;
  readonly seen: string;
  readonly shouldBe: string;
  readonly why: string;
  readonly cue: string;
  readonly drills: readonly string[];
  /** The drills as stages, each with its dose and what must be so before the next. */
  readonly ladder: readonly Stage[];
  readonly selfCheck: string;
  readonly willFollow: readonly string[];
  readonly caution: string | null;
  /** How much of it, and under which conditions. */
  readonly load: string;
  /** Whether the technique is to change, or equipment and conditions. */
  readonly change: OwnCorrection['change'];
  /** "first because ..." */
  readonly reason: string;
  /** Words of the findings by eye that show the same. */
  readonly byEye: readonly string[];
}

const cautionOf = (text: string | null, minor: boolean): string | null =>
  text === null ? null : minor ? TEXT.thisPerformerIsUnderAge(text) : text;

/** How much is practised: a growing body tolerates less (common practice). */
const loadOf = (risk: boolean, minor: boolean): string =>
  minor
    ? TEXT.fewRepetitionsNoAddedWeight(risk ? TEXT.onlyWithQualifiedCoachBeside : '')
    : risk
      ? TEXT.atReducedLoadAndSpeed
      : TEXT.fewFreshRepetitionsAtTime;

/** @param minor whether the performer is under age, which changes the load and the wording of a caution */
export function draftCorrection(movement: Movement, gap: RankedGap, minor = false): Correction {
  const { measure, athlete, band } = gap.judged;
  const unit = athlete.measurable ? athlete.unit : 'deg';
  const text = (si: number): string => inUnit(si, unit).replace(/^-/, '\u2212');
  const value = athlete.measurable ? text(athlete.value) : '';
  const plusMinus = athlete.measurable ? inUnit(COVERAGE_95 * athlete.sd, unit) : '';
  const words = usualWords(measure);
  const coaching = { seenLow: words.seenLow, seenHigh: words.seenHigh, ...measure.coaching };
  const low = gap.judged.excess < 0;
  const range = ((): string => {
    if (unit === 'answer') return 'yes';
    if (!band) return TEXT.asInReference;
    if (!Number.isFinite(band.low)) return TEXT.atMost(text(band.high));
    if (!Number.isFinite(band.high)) return TEXT.atLeast(text(band.low));
    return TEXT.toLowHigh(text(band.low), text(band.high));
  })();
  const drills = coaching.drills ?? usualDrills(movement, measure, range);
  const isNumber = unit !== 'answer' && band !== null;
  return {
    measureId: measure.id,
    title: measure.name,
    moment: movement.moments.find((m) => m.id === eventsOf(measure)[0])?.name ?? '',
    seen:
      measure.kind === 'checkpoint'
        ? `${measure.question} ${value}`
        : `${low ? coaching.seenLow : coaching.seenHigh}: ${value} \u00b1 ${plusMinus}`,
    shouldBe: range,
    why: coaching.why || usualWhy(movement, measure),
    cue: coaching.cue || `${measure.name}: ${(low ? words.cueLow : words.cueHigh).toLowerCase()}.`,
    drills,
    ladder:
      coaching.ladder ??
      ladderOf(drills, {
        target: isNumber ? `${measure.name.toLowerCase()} ${range}` : null,
        risk: gap.parts.risk,
        minor,
      }),
    selfCheck: coaching.selfCheck || usualSelfCheck(movement, measure, range),
    willFollow: gap.willFollow.map((f) => `${f.judged.measure.name}${f.because ? ` (${f.because})` : ''}`),
    caution: cautionOf(cautionText(movement, gap), minor),
    load: loadOf(gap.parts.risk, minor),
    change: 'technique',
    reason: gap.reason,
    byEye: [],
  };
}

/** A correction that the analyst wrote, in the same form. */
const ownAsCorrection = ({ id, noteId, ...own }: OwnCorrection, minor: boolean): Correction => ({
  ...own,
  measureId: id,
  ladder: own.change === 'set-up' ? [] : ladderOf(own.drills, { target: null, risk: false, minor }),
  byEye: [],
  moment: '',
  willFollow: [],
  caution: null,
  load: own.change === 'set-up' ? '' : loadOf(false, minor),
  reason: noteId === null ? TEXT.analystAdds : TEXT.eyeFound,
});

/**
 * One thing of the plan as a correction.
 * @param notes findings by eye, of which those count that name its measure
 */
export const correctionOf = (
  movement: Movement,
  item: PlanItem,
  minor: boolean,
  notes: readonly Note[] = [],
): Correction => ({
  ...(item.gap ? draftCorrection(movement, item.gap, minor) : ownAsCorrection(item.own, minor)),
  byEye: notes.flatMap((note) =>
    item.gap && note.kind === 'work-on' && note.text && note.measureId === item.gap.judged.measure.id
      ? [note.text]
      : [],
  ),
});

/** A finding by eye as a correction: its words, and what the movement knows of the measure that it names. */
export function correctionOfNote(movement: Movement, note: Note): Omit<OwnCorrection, 'id'> {
  const measure = movement.measures.find((m) => m.id === note.measureId);
  const words = note.text.trim();
  return {
    noteId: note.id,
    change: 'technique',
    title: words || measure?.name || TEXT.seenByEye,
    seen: words,
    shouldBe: '',
    why: measure ? measure.coaching?.why || usualWhy(movement, measure) : '',
    cue: measure?.coaching?.cue ?? '',
    drills: [...(measure?.coaching?.drills ?? [])],
    selfCheck: measure?.coaching?.selfCheck ?? '',
  };
}

const PLACES = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'];

/** What the n-th correction is called, from 0. */
export const placeName = (n: number): string => PLACES[n] ?? TEXT.noN(n + 1);
