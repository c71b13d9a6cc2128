import { judgedCount, type Judged } from './state';

/**
 * What a verdict rests on, in sentences: how much was judged at all, what waits for the analyst, and what the
 * references can say.
 */
export function judgedSummary(judged: readonly Judged[]): readonly string[] {
  const { judged: n, measurable, of, byChance } = judgedCount(judged);
  const waiting = judged.filter((j) =>
    [j.athlete, j.reference].some((r) => !r.measurable && r.reason === 'unsure-moment'),
  ).length;
  const byOne = judged.filter((j) => j.basis === 'one-performer').length;
  return [
    n === 0
      ? `Nothing could be judged; ${measurable} of ${of} measures were read. This says nothing about the athlete.`
      : `${n} of ${of} measures judged, ${measurable} read.`,
    ...(waiting > 0
      ? [
          `${waiting} ${waiting === 1 ? 'waits' : 'wait'} for a moment that is only a guess: confirm it, or mark ` +
            'it, at Moments.',
        ]
      : []),
    ...(byOne > 0
      ? [
          `${byOne === 1 ? 'One is' : `${byOne} are`} judged against a single performer: two good performers ` +
            'differ too.',
        ]
      : []),
    ...(byChance >= 0.5
      ? [
          `Of another good performer about ${byChance.toFixed(0)} would lie outside the references\u2019 range ` +
            'by chance.',
        ]
      : []),
  ];
}
