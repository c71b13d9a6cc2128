export { groundOf } from './ground';
export { continuousSeries, quantityAt, quantitySeries, readQuantity, type ReadAs } from './read';
export type { Mirror } from './in-space';
export {
  difference,
  dimensionOf,
  goesRound,
  kindOfQuantity,
  QUANTITIES,
  pictureOfQuantity,
  refsOfQuantity,
  unitOfQuantity,
  type LengthIn,
} from './registry';
export { gradientOf } from './reading-error';
export { isScale, scaleOf, type Scale } from './scale';
