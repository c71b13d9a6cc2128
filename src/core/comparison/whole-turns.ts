import { seriesUnitOf } from '../measures';
import type { Measure } from '../model/measure';

/**
 * A measure's curve brought beside another by whole turns, where it is of an angle that goes round: where unwrapping
 * began says nothing.
 */
export function besideByTurns(measure: Measure, values: Float64Array, first: Float64Array): Float64Array {
  if (seriesUnitOf(measure) !== 'deg') return values;
  const apart = Array.from(values, (v, k) => v - first[k]!).filter((v) => !Number.isNaN(v));
  if (apart.length === 0) return values;
  const turns = 2 * Math.PI * Math.round(apart.reduce((sum, v) => sum + v, 0) / apart.length / (2 * Math.PI));
  return values.map((v) => v - turns);
}
