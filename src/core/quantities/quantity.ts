import type { PointRef, Quantity } from '../model/movement';
import type { Vec2 } from '../geometry/vec2';
import type { UncertainPoint } from '../statistics/propagate';

export type QuantityName = Quantity['q'];
export type QuantityOf<Q extends QuantityName> = Extract<Quantity, { q: Q }>;

/** What a number is a measure of; lengths come in pixels and are turned into heights or metres afterwards. */
export type Dimension = 'angle' | 'length' | 'ratio' | 'metres';

/** What is known of the place beside the points. */
export interface Surroundings {
  /** y of the ground in movement coordinates, pixels; NaN where it is not known. */
  readonly ground: number;
  /** Seen from above: 1 where turning to the left is anticlockwise in movement coordinates for a right-hander, -1 where it is the other way round. */
  readonly handed: 1 | -1;
  /** From movement coordinates to metres on the ground; null where no rectangle on it is marked. */
  readonly toGround: ((p: Vec2) => Vec2) | null;
}

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
   * @returns NaN where the points do not define it
   */
  readonly value: (points: readonly UncertainPoint[], quantity: QuantityOf<Q>, around: Surroundings) => number;
}
