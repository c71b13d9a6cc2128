import type { Movement } from '../model/movement';
import type { RankedGap } from './priority';
import { TEXT } from '../../text/core/judgement';

/** What is always said: no movement can take it away. */
export const STANDING_CAUTION = TEXT.thisIsAidToCoaching;

export const MINOR_CAUTION = TEXT.thisPerformerIsUnderAge;

/** Cautions that apply to a comparison, without repeats: standing, for a minor, the movement's own, those of gaps. */
export function cautionsFor(movement: Movement, corrections: readonly RankedGap[], minor: boolean): readonly string[] {
  const risks = corrections.flatMap((gap) =>
    [gap.judged, ...gap.willFollow.map((f) => f.judged)].map((j) => j.measure.risk),
  );
  const texts = [
    STANDING_CAUTION,
    ...(minor ? [MINOR_CAUTION] : []),
    ...movement.cautions.filter((c) => c.always || risks.includes(c.id)).map((c) => c.text),
  ];
  return [...new Set(texts)];
}
