export { groundOf } from './ground';
export { continuousSeries, quantityAt, quantitySeries, readQuantity, type Mirror, type ReadAs } from './read';
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
export { isScale, scaleOf, type Scale } from './scale';
