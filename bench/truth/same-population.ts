import { judge } from '../../src/core/judgement/state';
import { compareSides } from '../../src/core/comparison/compare';
import { seriesMeasures, matchedSeries } from '../../src/core/comparison/matched-series';
import type { Side } from '../../src/core/comparison/side';
import type { Measure } from '../../src/core/model/measure';
import type { Movement } from '../../src/core/model/movement';
import { movementOf } from '../../src/movements';
import { dice } from '../made-clips';
import { measuresFor } from './measures';
import { systematicOf, attemptOf, mannerOf, MOVEMENTS_MADE, shootingOf, shot, type MadeMovement } from './population';

/** Everybody here is a good performer of one population: whatever is called a gap, or a stretch, is one by chance. */
export interface ByChance {
  readonly judged: number;
  readonly gaps: number;
  readonly compared: number;
  readonly withStretch: number;
}

/**
 * Measures that are compared with the reference alone, by next to no tolerance: what is asked is the range that the
 * references give.
 */
const byReferenceAlone = (measures: readonly Measure[]): readonly Measure[] =>
  measures.map(
    (m) =>
      ({
        ...m,
        target: { type: 'same-as-reference' as const, tolerance: 1e-6, source: 'bench' },
        margin: 0,
        better: undefined,
      }) as Measure,
  );

/**
 * One more member of a population against n others, or against n attempts of one.
 * @param attempts the references are attempts of a single performer
 */
export function byChance(comparisons: number, n: number, attempts: boolean, seed: number): ByChance {
  const total = { judged: 0, gaps: 0, compared: 0, withStretch: 0 };
  for (const id of MOVEMENTS_MADE) {
    const movement: Movement = { ...movementOf(id)!, measures: [...byReferenceAlone(measuresFor(id))] };
    for (let k = 0; k < comparisons; k++) {
      const roll = dice(seed + 613 * k + n + id.length);
      const { athlete, references } = compared(id, n, attempts, roll);
      for (const c of compareSides(movement, athlete, references)) {
        const judged = judge(c, undefined);
        // A spread of one performer's attempts, and a tolerance of nothing, is no range to be outside of.
        if (!judged.band || (judged.basis !== 'performers' && !attempts)) continue;
        total.judged++;
        if (judged.state === 'gap' && judged.basis === 'performers') total.gaps++;
      }
      for (const measure of seriesMeasures(movement)) {
        const series = matchedSeries(movement, measure, athlete, references);
        if (!series?.half || series.bandOf !== 'performers') continue;
        total.compared++;
        if (series.longest) total.withStretch++;
      }
    }
  }
  return total;
}

function compared(
  id: MadeMovement,
  n: number,
  attempts: boolean,
  roll: () => number,
): { readonly athlete: Side; readonly references: Side } {
  const from = { by: 'detector' } as const;
  const systematic = systematicOf(id, from, roll);
  const one = mannerOf(roll);
  const references = Array.from({ length: n }, (_, i) => [
    shot(
      id,
      attempts ? attemptOf(one, roll) : mannerOf(roll),
      attempts ? 'One' : `Performer ${i}`,
      'reference',
      shootingOf(from, roll),
      systematic,
      roll,
    ).detected,
  ]);
  return {
    athlete: [[shot(id, mannerOf(roll), 'Athlete', 'athlete', shootingOf(from, roll), systematic, roll).detected]],
    references,
  };
}
