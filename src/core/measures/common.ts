import type { Plane } from '../model/measure';
import type { Quantity } from '../model/quantity';
import type { UsualWords } from '../model/words';
import { continuousSeries, kindOfQuantity, readQuantity, unitOfQuantity, type LengthIn } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import type { Trial } from '../trial/trial';
import { ownSd, sharedDifference, sharedVariance, type Measured, type Reading, type SharedError } from '../reading';
import { quadrature } from '../statistics/propagate';
import type { Primitive } from '../geometry/primitives';
import type { DisplayUnit } from '../units';

/** Parts that every measure of time needs when it is no measure of a movement. */
export const UNLISTED = {
  id: 'part',
  name: '',
  region: 'timing',
  plane: 'any',
  margin: 0,
  importance: 0,
  cost: 'weeks',
} as const;

/** What a measure takes of a quantity. */
export interface OfQuantity {
  readonly of: Quantity;
  readonly plane: Plane;
  readonly lengthIn: LengthIn;
}

export const quantityWords = (of: Quantity): UsualWords => kindOfQuantity(of).words;
export const drawOf = ({ of, lengthIn }: OfQuantity, trial: Trial, frame: number): readonly Primitive[] =>
  drawQuantity(of, trial, frame, lengthIn);

/** The series of a quantity itself. */
export const seriesOfQuantity = (holdsValue: boolean) => ({
  unit: ({ of, lengthIn }: OfQuantity): DisplayUnit => unitOfQuantity(of, lengthIn),
  values: ({ of, lengthIn }: OfQuantity, trial: Trial): Float64Array => continuousSeries(trial, of, lengthIn),
  read: ({ of, plane, lengthIn }: OfQuantity, trial: Trial, frame: number, timeSd?: number): Reading =>
    readQuantity(trial, of, { plane, frame, lengthIn, ...(timeSd === undefined ? {} : { timeSd }) }),
  of: ({ of, lengthIn }: OfQuantity): unknown => [of, lengthIn],
  holdsValue: (): boolean => holdsValue,
});

/**
 * How much of what a detector does systematically in all clips is the same at two moments of one movement: half, since
 * the posture is another.
 */
export const SAME_BETWEEN_MOMENTS = 0.5;

/**
 * Error of one reading minus another of the same clip: their own errors add up, what the clip's camera and scale do to
 * both is taken as a difference, and half of what the detector does systematically falls out.
 */
export function errorOfDifference(
  a: Measured,
  b: Measured,
): { readonly sd: number; readonly systematicSd: number; readonly shared: SharedError } {
  const shared = sharedDifference(a.shared, b.shared);
  const systematicSd = Math.sqrt(
    Math.max(0, a.systematicSd ** 2 + b.systematicSd ** 2 - 2 * SAME_BETWEEN_MOMENTS * a.systematicSd * b.systematicSd),
  );
  return { sd: quadrature(ownSd(a), ownSd(b), systematicSd, Math.sqrt(sharedVariance(shared))), systematicSd, shared };
}
