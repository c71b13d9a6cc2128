import { cameraRefusal } from '../trial/camera-refusal';
import { peaksOf, type FrameSpan } from '../signal/peaks';
import type { KeyEventRule } from '../model/key-event-rule';
import type { KeyEvent, Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { continuousSeries } from '../quantities';
import { LEAST_SURE } from '../trial/key-events';
import { contactEdges } from './contacts';
import { crossingsOf, noiseOf } from './occurrences';
import { clashOf } from './order';
import { pictureOfRule, speedOf } from './find-by-rule';
import { proposeEvents, type Proposal } from './propose-events';

/** The moments of one repetition; they follow each other in the movement's order. */
export type Repetition = readonly Proposal[];

/**
 * A peak that stands out less than this share of what is usual for the clip is no repetition of it; one that stands out
 * hardly at all is not usual.
 */
const LEAST_PROMINENCE = 0.4;
const HARDLY = 0.12;

/**
 * Peaks that stand out of a curve like repetitions do: against the usual one, so that one deep repetition does not hide
 * the shallow ones.
 */
function prominent(score: Float64Array, noise: number): readonly number[] {
  const peaks = peaksOf(score);
  const most = Math.max(0, ...peaks.map((p) => p.prominence));
  const candidates = peaks.filter((p) => p.prominence > Math.max(HARDLY * most, 4 * noise));
  const usual = candidates.map((p) => p.prominence).sort((a, b) => a - b)[candidates.length >> 1] ?? 0;
  return candidates.filter((p) => p.prominence >= LEAST_PROMINENCE * usual).map((p) => p.frame);
}

/**
 * Round a moment that is counted its rule is asked again how sure it is, seconds; what it is where it finds nothing by
 * itself.
 */
const AROUND = 0.06;
const UNSURE = { confidence: 0.5, sd: 0.02 } as const;

/** Every frame position at which a rule holds in the whole clip, in time order. */
function everyTime(trial: Trial, rule: KeyEventRule): readonly number[] {
  if (cameraRefusal(trial, pictureOfRule(rule))) return [];
  const whole: FrameSpan = { first: 0, last: trial.times.length - 1 };
  switch (rule.rule) {
    case 'contact':
      return Number.isNaN(trial.bodyHeight) ? [] : contactEdges(trial, rule.side, rule.edge).map((c) => c.frame);
    case 'crossing':
      return crossingsOf(trial, rule.of, rule.level, rule.direction, whole);
    case 'extreme': {
      const sign = rule.which === 'largest' ? 1 : -1;
      return prominent(
        continuousSeries(trial, rule.of, '%BH').map((v) => sign * v),
        noiseOf(trial, rule.of, whole),
      );
    }
    case 'peak-speed':
      return prominent(speedOf(trial, rule), 0);
  }
}

/** Whether moments follow each other as the movement says. */
const inOrder = (movement: Movement, proposals: Repetition): boolean =>
  clashOf(movement, Object.fromEntries(proposals.map(({ eventId, frame }) => [eventId, frame]))) === null;

/** Every time that the counted moment happens, with what of the other moments is found round it. */
function repetitionsRound(
  movement: Movement,
  by: KeyEvent & { readonly rule: KeyEventRule },
  trial: Trial,
): readonly Repetition[] {
  const bare = { ...trial, marks: {}, timing: {} };
  const times = everyTime(bare, by.rule);
  const last = trial.times.length - 1;
  const alone = { ...movement, moments: [{ ...by, rule: { ...by.rule, after: null, before: null } }] };
  const reach = Math.ceil(AROUND / trial.interval);
  /** The counted moment itself, as surely as its own rule finds it there. */
  const counted = (frame: number): Proposal => {
    const [found] = proposeEvents(alone, bare, {
      first: Math.max(0, Math.floor(frame) - reach),
      last: Math.min(last, Math.ceil(frame) + reach),
    });
    return {
      eventId: by.id,
      frame,
      confidence: found?.confidence ?? UNSURE.confidence,
      sd: found?.sd ?? UNSURE.sd,
      systematic: found?.systematic ?? 0,
    };
  };
  return times
    .map((frame, i) =>
      proposeEvents(
        movement,
        { ...bare, marks: { [by.id]: frame } },
        { first: Math.floor(times[i - 1] ?? 0), last: Math.ceil(times[i + 1] ?? last) },
      ).concat(counted(frame)),
    )
    .map((proposals) => movement.moments.flatMap((m) => proposals.find((p) => p.eventId === m.id) ?? []));
}

const countedBy = (movement: Movement): (KeyEvent & { readonly rule: KeyEventRule }) | null => {
  const by = movement.moments.find((m) => m.id === movement.repeats?.by);
  return by?.rule ? { ...by, rule: by.rule } : null;
};

/**
 * Finds the repetitions of a movement in one clip: every time that the moment they are counted by happens, with the
 * other moments round it by their own rules. One that lacks a moment that has a rule (cut off by the clip's ends, or
 * hidden) is left out, as is one whose moments do not follow each other.
 * @returns in time order; at most one where the movement does not repeat
 */
export function findRepetitions(movement: Movement, trial: Trial): readonly Repetition[] {
  const ruled = movement.moments.filter((m) => m.rule !== null).map((m) => m.id);
  const whole = (proposals: Repetition): boolean =>
    ruled.every((id) => proposals.some((p) => p.eventId === id)) && inOrder(movement, proposals);
  const by = countedBy(movement);
  return (
    by ? repetitionsRound(movement, by, trial) : [proposeEvents(movement, { ...trial, marks: {}, timing: {} })]
  ).filter(whole);
}

/** How surely the least sure moment of a repetition was found. */
const leastSure = (repetition: Repetition): number => Math.min(...repetition.map((p) => p.confidence));

/** A mean of so many repetitions is hardly surer for one more. */
const LOOKED_AT = 5;

/**
 * Frame positions of the key events of a movement that repeats, of its surest repetitions: where a clip is worth looking
 * at closely; none where it does not repeat.
 */
export function repeatedEvents(movement: Movement, trial: Trial): readonly number[] {
  const by = countedBy(movement);
  if (!by) return [];
  const surest = repetitionsRound(movement, by, trial)
    .filter((r) => r.length > 1 && inOrder(movement, r))
    .sort((a, b) => b.length - a.length || leastSure(b) - leastSure(a));
  return surest.slice(0, LOOKED_AT).flatMap((r) => r.map((p) => p.frame));
}

/** How many of its moments are sure enough to be judged on. */
const sureOf = (repetition: Repetition): number =>
  repetition.filter(({ confidence }) => confidence >= LEAST_SURE).length;

/**
 * The moments of a trial as the points suggest them: of a movement that repeats, where nothing is marked yet,
 * those of the repetition of which most is found surely enough, and most surely; else each by its own rule.
 */
export function proposeTrial(movement: Movement, trial: Trial): readonly Proposal[] {
  if (trial.clip.pictures) return [];
  const by = countedBy(movement);
  if (!by || Object.keys(trial.marks).length > 0) return proposeEvents(movement, trial);
  const [best] = repetitionsRound(movement, by, trial)
    .filter((r) => inOrder(movement, r))
    .sort((a, b) => sureOf(b) - sureOf(a) || b.length - a.length || leastSure(b) - leastSure(a));
  return best ?? proposeEvents(movement, trial);
}
