import { peaksOf, type FrameSpan } from '../signal/peaks';
import type { MomentRule, Movement } from '../model/movement';
import type { Performance } from '../performance/performance';
import { continuousCurve } from '../quantities';
import { contactEdges, crossingsOf } from './occurrences';
import { proposeMoments, speedOf, type Proposal } from './propose-moments';

/** The moments of one repetition; they follow each other in the movement's order. */
export type Repetition = readonly Proposal[];

/** A peak that stands out less than this share of the clip's most prominent one is no repetition of it. */
const LEAST_PROMINENCE = 0.4;

const prominent = (score: Float64Array): readonly number[] => {
  const peaks = peaksOf(score);
  const most = Math.max(0, ...peaks.map((p) => p.prominence));
  return peaks.filter((p) => p.prominence >= LEAST_PROMINENCE * most).map((p) => p.frame);
};

/** Every frame position at which a rule holds in the whole clip, in time order. */
function everyTime(performance: Performance, rule: MomentRule): readonly number[] {
  const whole: FrameSpan = { first: 0, last: performance.times.length - 1 };
  switch (rule.rule) {
    case 'contact':
      return Number.isNaN(performance.bodyHeight) ? [] : contactEdges(performance, rule.side, rule.edge).map((c) => c.frame);
    case 'crossing':
      return crossingsOf(performance, rule.of, rule.level, rule.direction, whole);
    case 'extreme': {
      const sign = rule.which === 'largest' ? 1 : -1;
      return prominent(continuousCurve(performance, rule.of, '%BH').map((v) => sign * v));
    }
    case 'peak-speed':
      return prominent(speedOf(performance, rule));
  }
}

/**
 * Finds the repetitions of a movement in one clip: every time that the moment they are counted by happens, with the other moments round it
 * by their own rules. One that lacks a moment that has a rule (cut off by the clip's ends, or hidden) is left out, as is one whose moments
 * do not follow each other.
 * @returns in time order; at most one where the movement does not repeat
 */
export function findRepetitions(movement: Movement, performance: Performance): readonly Repetition[] {
  const bare = { ...performance, marks: {} };
  const by = movement.moments.find((m) => m.id === movement.repeats?.by);
  const ruled = movement.moments.filter((m) => m.rule !== null).map((m) => m.id);
  const whole = (proposals: readonly Proposal[]): boolean => ruled.every((id) => proposals.some((p) => p.momentId === id)) && proposals.every((p, i) => i === 0 || p.frame > proposals[i - 1]!.frame);
  if (!by?.rule) return [proposeMoments(movement, bare)].filter(whole);
  const times = everyTime(bare, by.rule);
  const last = performance.times.length - 1;
  return times
    .map((frame, i) => proposeMoments(movement, { ...bare, marks: { [by.id]: frame } }, { first: Math.floor(times[i - 1] ?? 0), last: Math.ceil(times[i + 1] ?? last) }).concat({ momentId: by.id, frame, confidence: 1 }))
    .map((proposals) => movement.moments.flatMap((m) => proposals.find((p) => p.momentId === m.id) ?? []))
    .filter(whole);
}
