import { judgedCount, type Judged } from './state';
import { TEXT } from '../../text/core/judgement';

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
    n === 0 ? TEXT.nothingCouldBeJudged(measurable, of) : TEXT.ofMeasuresJudgedRead(n, of, measurable),
    ...(waiting > 0 ? [TEXT.forMomentThatIsOnly(waiting, waiting === 1 ? 'waits' : 'wait')] : []),
    ...(byOne > 0 ? [TEXT.judgedAgainstSinglePerformerTwo(byOne === 1 ? TEXT.one : TEXT.areByOne(byOne))] : []),
    ...(byChance >= 0.5 ? [TEXT.ofAnotherGoodPerformerAbout(byChance.toFixed(0))] : []),
  ];
}
