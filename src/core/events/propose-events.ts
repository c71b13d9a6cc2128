import { cameraRefusal } from '../trial/camera-refusal';
import type { FrameSpan } from '../signal/peaks';
import type { KeyEventRule } from '../model/key-event-rule';
import type { KeyEvent, Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { proposalSd } from '../trial/key-events';
import { findByRule, pictureOfRule, type Found } from './find-by-rule';

/** A moment as the points suggest it. */
export interface Proposal extends Found {
  readonly eventId: string;
}

/**
 * Two moments that all but coincide may be found this much out of order, seconds; which is right is for an eye to say.
 */
const ALL_BUT_TOGETHER = 0.03;

/** The frames between those that come before a moment and those that come after it, as far as they are known. */
function inOrder(movement: Movement, eventId: string, known: ReadonlyMap<string, Found>, slack: number): FrameSpan {
  const { moments } = movement;
  const place = moments.findIndex((m) => m.id === eventId);
  /** Whether it and the one so many places on may come either way round. */
  const either = (by: 1 | -1): boolean => moments[place]!.eitherOrder || moments[place + by]?.eitherOrder === true;
  const frames = (some: Movement['moments']): number[] => some.flatMap(({ id }) => known.get(id)?.frame ?? []);
  return {
    first: Math.max(-Infinity, ...frames(moments.slice(0, Math.max(0, either(-1) ? place - 1 : place)))) - slack,
    last: Math.min(Infinity, ...frames(moments.slice(either(1) ? place + 2 : place + 1))) + slack,
  };
}

/** What a proposal loses that hangs on a moment which a moving camera hides. */
const WITHOUT_NEIGHBOUR = 0.5;

/**
 * Proposes the moments of a movement from the points, each between those before and after it that are known. A rule
 * that looks before or after another moment waits for that one; a mark that a person set counts as it stands. Moments
 * whose rule finds nothing, or has none, are left out, and so are those that a moving camera hides.
 */
export function proposeEvents(
  movement: Movement,
  trial: Trial,
  inside: FrameSpan = { first: 0, last: trial.times.length - 1 },
): readonly Proposal[] {
  if (trial.clip.pictures) return [];
  const known = new Map<string, Found>(
    Object.entries(trial.marks).map(([id, frame]) => [id, { frame, confidence: 1, sd: 0, systematic: 0 }]),
  );
  const proposals: Proposal[] = [];
  const ruled = movement.moments.filter(
    (m): m is KeyEvent & { rule: KeyEventRule } => m.rule !== null && !known.has(m.id),
  );
  const open = ruled.filter(({ rule }) => cameraRefusal(trial, pictureOfRule(rule)) === null);
  const hidden = new Set(ruled.filter((moment) => !open.includes(moment)).map(({ id }) => id));
  for (let progress = true; progress;) {
    progress = false;
    for (const moment of [...open]) {
      const { after, before } = moment.rule;
      if ([after, before].some((id) => id !== null && !known.has(id) && open.some((m) => m.id === id))) continue;
      const [from, to] = [after && known.get(after), before && known.get(before)];
      const between = inOrder(movement, moment.id, known, ALL_BUT_TOGETHER / trial.interval);
      const span = {
        first: Math.max(inside.first, Math.ceil(between.first), from ? Math.floor(from.frame) + 1 : 0),
        last: Math.min(inside.last, Math.floor(between.last), to ? Math.ceil(to.frame) - 1 : Infinity),
      };
      open.splice(open.indexOf(moment), 1);
      progress = true;
      const found = span.last > span.first ? findByRule(trial, moment.rule, span) : null;
      if (!found) continue;
      // No proposal is surer than the ones it hangs on.
      const alone = [after, before].some((id) => id !== null && hidden.has(id)) ? WITHOUT_NEIGHBOUR : 1;
      const confidence =
        alone * found.confidence * Math.min(1, from ? from.confidence + 0.3 : 1, to ? to.confidence + 0.3 : 1);
      known.set(moment.id, { ...found, confidence });
      proposals.push({
        eventId: moment.id,
        frame: found.frame,
        confidence,
        sd: Math.max(found.sd, proposalSd(confidence)),
        systematic: found.systematic,
      });
    }
  }
  return movement.moments.flatMap((m) => proposals.find((p) => p.eventId === m.id) ?? []);
}
