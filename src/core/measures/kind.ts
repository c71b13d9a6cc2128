import type { PictureNeed } from '../calibration/camera-state';
import type { Primitive } from '../geometry/primitives';
import type { Measure, MeasureKind } from '../model/measure';
import type { PointRef } from '../model/quantity';
import type { UsualWords } from '../model/words';
import type { Trial } from '../trial/trial';
import type { Reading } from '../reading';
import type { DisplayUnit } from '../units';

export type MeasureOf<K extends MeasureKind> = Extract<Measure, { kind: K }>;

/** What a measure is at every frame. */
export interface Series<K extends MeasureKind> {
  readonly unit: (measure: MeasureOf<K>) => DisplayUnit;
  /** Value at every frame, SI, NaN where missing, without jumps of whole turns. */
  readonly values: (measure: MeasureOf<K>, trial: Trial) => Float64Array;
  /** The value at one frame position with its error; `timeSd` is how sure the place of that position is, seconds. */
  readonly read: (measure: MeasureOf<K>, trial: Trial, frame: number, timeSd?: number) => Reading;
  /** Measures for which this is equal have the same series. */
  readonly of: (measure: MeasureOf<K>) => unknown;
  /** Whether the measure's own value is one of the series, so that an error found for one holds for the other. */
  readonly holdsValue: (measure: MeasureOf<K>) => boolean;
}

/** What of a clip a measure is read off. */
export type Reads = 'moments' | 'movement' | 'time';

/** Everything the product knows of one kind of measure, beside its schema. Nothing may be left out. */
export interface KindOfMeasure<K extends MeasureKind> {
  readonly kind: K;
  readonly unit: DisplayUnit | ((measure: MeasureOf<K>) => DisplayUnit);
  /** Formula and convention in words, for tables and tooltips. */
  readonly convention: string;
  /** How its error is computed, and what is drawn for it, in words. */
  readonly error: string;
  readonly drawn: string;
  /** What is said of too little and too much of it. */
  readonly words: (measure: MeasureOf<K>) => UsualWords;
  /** Points that it needs. */
  readonly refs: (measure: MeasureOf<K>) => readonly PointRef[];
  /** What of the picture must stay as it is through the clip for its value to be true. */
  readonly picture: (measure: MeasureOf<K>) => PictureNeed;
  /** Whether pictures at its moments are enough for it, or it needs the movement between them, or its true time too. */
  readonly reads: Reads | ((measure: MeasureOf<K>) => Reads);
  /** Of a kind that needs points in space: no single camera shows it, whatever its view. */
  readonly onlyInSpace?: true;
  /** Whether a proposed moment must be sure before it is read; an answer by eye is not read off its moment. */
  readonly needsSureEvents: boolean;
  /**
   * Its value in a trial whose view shows its plane and whose moments are there (`evaluateMeasure` sees to both).
   */
  readonly evaluate: (measure: MeasureOf<K>, trial: Trial) => Reading;
  /** One value minus another, SI; directions go round. */
  readonly difference: (measure: MeasureOf<K>, a: number, b: number) => number;
  /** What is drawn on a frame for this measure; nothing for measures of time. */
  readonly draw: (measure: MeasureOf<K>, trial: Trial, frame: number) => readonly Primitive[];
  /** Null for a measure that is nothing at a single frame. */
  readonly series: Series<K> | null;
}

/** The difference of plain numbers. */
export const plainDifference = (_measure: unknown, a: number, b: number): number => a - b;
