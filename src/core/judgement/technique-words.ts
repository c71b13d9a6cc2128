import { measureName, type Movement } from '../model/movement';
import { COVERAGE_95 } from '../statistics/normal';
import { inUnit } from '../units';
import type { Technique } from './technique';
import { TEXT } from '../../text/core/judgement';

/** Which way of doing it was measured, by which number, or why none is named. */
export function techniqueWords(movement: Movement, { school, ways }: Technique): string {
  const { reading, school: nearest, probability } = ways[0]!;
  const measure = movement.measures.find(({ id }) => id === nearest.when!.measure)!;
  const name = measureName(movement, measure);
  if (!reading.measurable) return TEXT.techniqueIsNotNamed(name, reading.message);
  const [value, plusMinus] = [reading.value, COVERAGE_95 * reading.sd].map((si) => inUnit(si, reading.unit));
  const read = `${value!.replace(/^-/, '\u2212')} \u00b1 ${plusMinus}`;
  return school
    ? TEXT.techniqueIs(school.name, name, read)
    : TEXT.techniqueIsUnsure(name, read, nearest.name, Math.round(100 * probability));
}
