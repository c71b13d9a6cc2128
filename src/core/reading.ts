import type { DisplayUnit } from './units';

/** Where a value was read: which clip, at which frames, from which points. */
export interface Provenance {
  readonly clipId: string;
  readonly frames: readonly number[];
  readonly points: readonly string[];
}

/** A measured value in SI (radians, seconds, ratio) with its standard deviation. */
export interface Measured {
  readonly measurable: true;
  readonly value: number;
  readonly sd: number;
  /** The part of the deviation that is alike in every clip measured the same way (the finder's idea of a joint). */
  readonly alikeSd: number;
  readonly unit: DisplayUnit;
  readonly provenance: Provenance;
}

export type NotMeasurableReason = 'moment-missing' | 'point-missing' | 'wrong-view' | 'view-too-oblique' | 'no-crossing' | 'too-uncertain' | 'no-scale' | 'order' | 'not-answered' | 'not-visible' | 'no-reference';

/** Why there is no value, and what would make it measurable. */
export interface NotMeasurable {
  readonly measurable: false;
  readonly reason: NotMeasurableReason;
  readonly message: string;
  readonly remedy: string;
}

export type Reading = Measured | NotMeasurable;

export const notMeasurable = (reason: NotMeasurableReason, message: string, remedy: string): NotMeasurable => ({
  measurable: false,
  reason,
  message,
  remedy,
});
