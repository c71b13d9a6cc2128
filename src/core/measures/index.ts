import type { Measure, MeasureKind, PointRef } from '../model/movement';
import type { Primitive } from '../geometry/primitives';
import type { Reading } from '../reading';
import { checkpoint } from './checkpoint';
import { duration } from './duration';
import { jointAngle } from './joint-angle';
import { jointChange } from './joint-change';
import type { KindOfMeasure } from './kind';
import { lead } from './lead';
import type { Performance } from '../performance/performance';
import { refsOfWay } from '../performance/way';
import { segmentAngleKind } from './segment-angle';
import { rate } from './rate';
import { share } from './share';
import { split } from './split';
import { count } from './count';
import { evenness, extreme, lag, order, peakRate, range, turn, value } from './of-quantity';
import { path, speed, steadiness, stop } from './of-point';
import { refsOfQuantity } from '../quantities';
import type { DisplayUnit } from '../units';

/** The registry: a new kind of measure is one file and one line here. */
export const MEASURE_KINDS: { readonly [K in MeasureKind]: KindOfMeasure<K> } = {
  'joint-angle': jointAngle,
  'joint-change': jointChange,
  'segment-angle': segmentAngleKind,
  duration,
  share,
  rate,
  lead,
  value,
  extreme,
  range,
  'peak-rate': peakRate,
  turn,
  evenness,
  lag,
  order,
  count,
  split,
  speed,
  path,
  steadiness,
  stop,
  checkpoint,
};

/** The kind of a measure, typed so that its functions take that measure. */
export const kindOf = (measure: Measure): KindOfMeasure<MeasureKind> =>
  MEASURE_KINDS[measure.kind] as unknown as KindOfMeasure<MeasureKind>;

export const evaluateMeasure = (measure: Measure, performance: Performance): Reading =>
  kindOf(measure).evaluate(measure, performance);

export const drawMeasure = (measure: Measure, performance: Performance, frame: number): readonly Primitive[] =>
  kindOf(measure).draw(measure, performance, frame);

export const curveOfMeasure = (measure: Measure, performance: Performance): Float64Array | null =>
  kindOf(measure).curve?.(measure, performance) ?? null;

/** Unit of a measure's value, and of its curve. */
export const unitOf = (measure: Measure): DisplayUnit => {
  const { unit } = kindOf(measure);
  return typeof unit === 'function' ? unit(measure as never) : unit;
};
export const curveUnitOf = (measure: Measure): DisplayUnit => kindOf(measure).curveUnit?.(measure as never) ?? unitOf(measure);

/** Points that a measure needs. */
export function refsOfMeasure(measure: Measure): readonly PointRef[] {
  if ('of' in measure) return refsOfQuantity(measure.of);
  if (measure.kind === 'order') return measure.steps.flatMap(({ of }) => refsOfQuantity(of));
  if (measure.kind === 'count') return measure.each.each === 'contact' ? (['dominant', 'opposite'] as const).flatMap((side) => [`${side}-heel`, `${side}-foot-index`] as const) : refsOfQuantity(measure.each.of);
  if ('first' in measure) return [...refsOfQuantity(measure.first), ...refsOfQuantity(measure.second)];
  if ('point' in measure) return refsOfWay(measure);
  return 'points' in measure ? measure.points : [];
}
