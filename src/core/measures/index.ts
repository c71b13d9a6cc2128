import type { Measure, MeasureKind } from '../model/movement';
import type { Primitive } from '../overlay/scene';
import type { Reading } from '../reading';
import { duration } from './duration';
import { jointAngle } from './joint-angle';
import { jointChange } from './joint-change';
import type { KindOfMeasure } from './kind';
import { lead } from './lead';
import type { Performance } from '../performance/performance';
import { segmentAngleKind } from './segment-angle';
import { share } from './share';

/** The registry: a new kind of measure is one file and one line here. */
export const MEASURE_KINDS: { readonly [K in MeasureKind]: KindOfMeasure<K> } = {
  'joint-angle': jointAngle,
  'joint-change': jointChange,
  'segment-angle': segmentAngleKind,
  duration,
  share,
  lead,
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
