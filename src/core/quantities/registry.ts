import type { PictureNeed } from '../calibration/camera-state';
import { wrapAngle } from '../geometry/angle';
import type { PointRef, Quantity } from '../model/quantity';
import type { DisplayUnit } from '../units';
import { facing, jointAngleQuantity, lineSeparation, segmentAngleQuantity } from './angles';
import { relativeInertia } from './relative-inertia';
import { directionOnAxes, positionOnAxes } from './on-axes';
import { alignment, box, distanceQuantity, groundDistance, height, offset } from './lengths';
import type { Dimension, KindOfQuantity, QuantityName } from './quantity';

/**
 * The registry: a new quantity is one entry here and in the schema; every kind of measure that takes one can then use
 * it.
 */
export const QUANTITIES: { readonly [Q in QuantityName]: KindOfQuantity<Q> } = {
  'joint-angle': jointAngleQuantity,
  'segment-angle': segmentAngleQuantity,
  'line-separation': lineSeparation,
  facing,
  distance: distanceQuantity,
  'ground-distance': groundDistance,
  offset,
  'position-on-axes': positionOnAxes,
  'direction-on-axes': directionOnAxes,
  height,
  box,
  alignment,
  'relative-inertia': relativeInertia,
};

export const kindOfQuantity = (quantity: Quantity): KindOfQuantity<QuantityName> =>
  QUANTITIES[quantity.type] as unknown as KindOfQuantity<QuantityName>;
export const refsOfQuantity = (quantity: Quantity): readonly PointRef[] =>
  kindOfQuantity(quantity).refs(quantity as never);
export const dimensionOf = (quantity: Quantity): Dimension => kindOfQuantity(quantity).dimension;
export const pictureOfQuantity = (quantity: Quantity): PictureNeed => kindOfQuantity(quantity).picture;
export const goesRound = (quantity: Quantity): boolean => kindOfQuantity(quantity).goesRound;

/** In which unit a length is wanted. */
export type LengthIn = 'm' | '%BH';

const UNIT_OF: Readonly<Record<Exclude<Dimension, 'length'>, DisplayUnit>> = { angle: 'deg', ratio: '%', metres: 'm' };

export function unitOfQuantity(quantity: Quantity, lengthIn: LengthIn): DisplayUnit {
  const dimension = dimensionOf(quantity);
  return dimension === 'length' ? lengthIn : UNIT_OF[dimension];
}

/** One value of a quantity minus another; the only place where directions are subtracted. */
export const difference = (quantity: Quantity, a: number, b: number): number =>
  goesRound(quantity) ? wrapAngle(a - b) : a - b;
