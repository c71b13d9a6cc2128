import type { PictureNeed } from '../calibration/camera-state';
import type { UsualWords } from '../model/words';
import type { PointRef, Quantity } from '../model/quantity';
import type { Vec2 } from '../geometry/vec2';
import type { Vec3 } from '../geometry/vec3';
import type { UncertainPoint } from '../statistics/propagate';

export type QuantityName = Quantity['type'];
export type QuantityOf<Q extends QuantityName> = Extract<Quantity, { type: Q }>;

/** What a number is a measure of; lengths come in pixels and are turned into heights or metres afterwards. */
export type Dimension = 'angle' | 'length' | 'ratio' | 'metres';

/** What is known of the place beside the points. */
export interface Surroundings {
  /** y of the ground in movement coordinates, pixels; NaN where it is not known. */
  readonly ground: number;
  /** From movement coordinates to metres on the ground; null where no rectangle on it is marked. */
  readonly toGround: ((p: Vec2) => Vec2) | null;
}

/**
 * A number that follows from points at one frame, with all that depends on what it is. When it is read, its error and
 * its unit are the same for all (`read.ts`).
 */
export interface KindOfQuantity<Q extends QuantityName> {
  readonly type: Q;
  readonly dimension: Dimension;
  /** A direction, which comes back to itself after a whole turn: differences, means and time series must know it. */
  readonly goesRound: boolean;
  /** What of the picture must stay as it is while it is compared from frame to frame. */
  readonly picture: PictureNeed;
  /** What it is called in a sentence. */
  readonly name: string;
  /** Formula and convention in words. */
  readonly convention: string;
  /** What is said of too little and too much of it. */
  readonly words: UsualWords;
  readonly refs: (quantity: QuantityOf<Q>) => readonly PointRef[];
  /**
   * @param points positions of the refs in movement coordinates (`axesOf`), pixels
   * @returns NaN where the points do not define it
   */
  readonly value: (points: readonly UncertainPoint[], quantity: QuantityOf<Q>, around: Surroundings) => number;
  /** The same from points in space, metres, where it does not depend on from where it is seen; null where it does. */
  readonly inSpace: ((points: readonly Vec3[], quantity: QuantityOf<Q>) => number) | null;
  /** No single camera shows it, whatever its view. */
  readonly onlyInSpace?: true;
}
