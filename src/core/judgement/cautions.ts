import type { Movement } from '../model/movement';
import type { RankedGap } from './priority';

/** What is always said: no movement can take it away. */
export const STANDING_CAUTION =
  'This is an aid to coaching, not a diagnosis. Stop on pain. Change technique at reduced load and speed under a ' +
  'qualified coach, within the rules of the sport and the safeguarding policy of the club; see a licensed ' +
  'clinician about pain or a suspected injury.';

export const MINOR_CAUTION =
  'This performer is under age: growing bones and joints tolerate less. Keep to the age group\u2019s limits on ' +
  'load and repetitions, and agree changes with a guardian and the coach.';

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
