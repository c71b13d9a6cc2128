import { refsOfMeasure } from '../measures';
import { inRegion } from '../anatomy/regions';
import { eventsOf, type Measure } from '../model/measure';
import type { Movement } from '../model/movement';
import type { Note } from '../model/session';
import { partsOf } from '../trial/places';
import type { Judged, State } from './state';

/** What a measure says of a finding that was made by eye. */
export type NumberSays = 'agrees' | 'disagrees' | 'open' | 'not-measurable';

const GOOD: readonly State[] = ['on-target', 'strength', 'style'];

/**
 * Whether the number agrees with the eye: a gap with something to work on, on target with something good. What lies
 * within the measuring error, or is only shown, leaves it open.
 */
export function numberSays(kind: Note['kind'], { state }: Pick<Judged, 'state'>): NumberSays {
  if (state === 'not-measurable') return 'not-measurable';
  const number = state === 'gap' ? 'work-on' : GOOD.includes(state) ? 'good' : null;
  return number === null ? 'open' : number === kind ? 'agrees' : 'disagrees';
}

/** Whether a measure is one of a region of the body: most of its points lie there. */
function ofRegion(measure: Measure, region: string): boolean {
  const points = refsOfMeasure(measure).flatMap((ref) =>
    partsOf(ref, { dominantSide: 'right', segmentTable: 'male' }, {}).map(({ id }) => id),
  );
  return measure.region === region || (points.length > 0 && points.every((id) => inRegion(region, id)));
}

/**
 * Measures that may prove a finding, the likeliest first: those of its moment, then those of its region of the body.
 * @param moment id of the key event at which it was made, null between two
 */
export function measuresFor(
  { measures }: Pick<Movement, 'measures'>,
  { moment, region }: { readonly moment: string | null; readonly region: string | null },
): readonly Measure[] {
  const fits = (measure: Measure): number =>
    (moment !== null && eventsOf(measure).includes(moment) ? 2 : 0) +
    (region !== null && ofRegion(measure, region) ? 1 : 0);
  return [...measures].sort((a, b) => fits(b) - fits(a));
}
