import type { Measure, MeasureKind } from '../model/movement';
import type { Reading } from '../reading';
import type { DisplayUnit } from '../units';
import type { Primitive } from '../geometry/primitives';
import type { Performance } from '../performance/performance';

export type MeasureOf<K extends MeasureKind> = Extract<Measure, { kind: K }>;

/** Everything the product knows of one kind of measure. */
export interface KindOfMeasure<K extends MeasureKind> {
  readonly kind: K;
  readonly unit: DisplayUnit | ((measure: MeasureOf<K>) => DisplayUnit);
  /** Formula and convention in words, for tables and tooltips. */
  readonly convention: string;
  readonly evaluate: (measure: MeasureOf<K>, performance: Performance) => Reading;
  /** Athlete minus reference in SI; angles that go round are wrapped. */
  readonly subtract: (athlete: number, reference: number) => number;
  /** What is drawn on a frame for this measure; nothing for measures of time. */
  readonly draw: (measure: MeasureOf<K>, performance: Performance, frame: number) => readonly Primitive[];
  /** The measure as a curve over frames (SI, NaN where missing), for kinds that are one. */
  readonly curve?: (measure: MeasureOf<K>, performance: Performance) => Float64Array;
  /** Unit of the curve where it is not the measure's own. */
  readonly curveUnit?: (measure: MeasureOf<K>) => DisplayUnit;
}
