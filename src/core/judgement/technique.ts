import { differenceOf, unitOf } from '../measures';
import type { Movement, School } from '../model/movement';
import { readSide, type MeasuredErrors, type Side } from '../comparison/side';
import type { Measured, NotMeasurable } from '../reading';
import { normalCdf } from '../statistics/normal';
import { toSi } from '../units';

/** As sure as this a way of doing it must be before its targets are taken. */
export const SURE_OF_TECHNIQUE = 0.95;

/** Which of a movement's ways a performance is, by the measures that its schools name. */
export interface Technique {
  /** Null where none is sure enough. */
  readonly school: School | null;
  /** Every way that is known by a measure, how probable it is, and what was read; the most probable first. */
  readonly ways: readonly {
    readonly school: School;
    readonly probability: number;
    readonly reading: Measured | NotMeasurable;
  }[];
}

/** The school by which is judged: the one that was chosen, else that of the technique that was measured. */
export const schoolBy = (chosen: string | null, technique: Technique | null): string | null =>
  chosen ?? technique?.school?.id ?? null;

/** Probability that a true value lies inside limits; what goes round is taken the short way from their middle. */
function inside(reading: Measured, school: School, movement: Movement): number {
  const { measure: id, from, to } = school.when!;
  const measure = movement.measures.find((m) => m.id === id)!;
  const unit = unitOf(measure);
  const [low, high] = [toSi(from, unit), toSi(to, unit)];
  const off = differenceOf(measure, reading.value, (low + high) / 2);
  const half = (high - low) / 2;
  return normalCdf((half - off) / reading.sd) - normalCdf((-half - off) / reading.sd);
}

/**
 * Names the technique of a performance: the way inside whose limits its measure lies with 95 %. Null for a movement
 * whose ways are not known by a measure.
 * @param side the athlete's trials
 */
export function techniqueOf(movement: Movement, side: Side, errors: MeasuredErrors = {}): Technique | null {
  const known = movement.schools.filter((school) => school.when);
  if (known.length === 0 || side.length === 0) return null;
  const ways = known
    .map((school) => {
      const measure = movement.measures.find((m) => m.id === school.when!.measure)!;
      const { reading } = readSide(measure, side, errors);
      return { school, reading, probability: reading.measurable ? inside(reading, school, movement) : 0 };
    })
    .sort((a, b) => b.probability - a.probability);
  const [best] = ways;
  return { school: best!.probability >= SURE_OF_TECHNIQUE ? best!.school : null, ways };
}
