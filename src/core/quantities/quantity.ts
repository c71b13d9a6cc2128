import type { PointRef, Quantity } from '../model/movement';
import type { UncertainPoint } from '../uncertainty/propagate';

export type QuantityName = Quantity['q'];
export type QuantityOf<Q extends QuantityName> = Extract<Quantity, { q: Q }>;

/** What a number is a measure of; lengths come in pixels and are turned into heights or metres afterwards. */
export type Dimension = 'angle' | 'length' | 'ratio';

/**
 * A number that follows from points at one frame. Everything else (when it is read, its error, its unit) is the same for all.
 */
export interface KindOfQuantity<Q extends QuantityName> {
  readonly q: Q;
  readonly dimension: Dimension;
  /** Formula and convention in words. */
  readonly convention: string;
  readonly refs: (quantity: QuantityOf<Q>) => readonly PointRef[];
  /**
   * @param points positions of the refs in movement coordinates (x forward, y up), pixels
   * @param ground y of the ground, pixels; NaN where it is not known
   * @returns NaN where the points do not define it
   */
  readonly value: (points: readonly UncertainPoint[], quantity: QuantityOf<Q>, ground: number) => number;
}
