import { typicalInterval } from '../signal/resample';

/** Rates that cameras state. */
const NOMINAL_RATES = [
  24000 / 1001,
  24,
  25,
  30000 / 1001,
  30,
  48,
  50,
  60000 / 1001,
  60,
  90,
  100,
  120000 / 1001,
  120,
  150,
  180,
  200,
  240000 / 1001,
  240,
  300,
  480,
  500,
  600,
  960,
  1000,
];

/**
 * The rate that a camera would state for a measured one. Containers round times, to a millisecond at worst (Matroska),
 * so a short clip measures its rate only roughly; a rate that is near none stays as it is.
 * @param span seconds over which it was measured
 */
function nominalRate(rate: number, span: number): number {
  const slack = Math.max(0.001, (rate * 0.001) / span);
  const nearest = NOMINAL_RATES.reduce((best, r) => (Math.abs(r - rate) < Math.abs(best - rate) ? r : best));
  return Math.round((Math.abs(nearest - rate) <= slack ? nearest : rate) * 1000) / 1000;
}

const MICRO = 1e-6;

/**
 * Frames per second of a file: one over the usual interval, so that a hole leaves it as it is.
 * @param frameTimes microseconds, increasing
 * @returns null of a single frame
 */
export function fileRateOf(frameTimes: Float64Array): number | null {
  const usual = typicalInterval(frameTimes) * MICRO;
  if (!(usual > 0)) return null;
  return nominalRate(1 / usual, usual * (frameTimes.length - 1));
}

/** An interval that is longer than the usual one by this is a hole: what tells a dropped frame from a rounded time. */
const HOLE = 1.6;

/** A place in which frames are missing. */
export interface Hole {
  /** The frame before it. */
  readonly after: number;
  /** How long it is, from frame to frame. */
  readonly seconds: number;
}

/** Where frames are missing of a file whose frames otherwise come evenly; none of one whose rate varies throughout. */
export function holesIn(frameTimes: Float64Array): readonly Hole[] {
  const usual = typicalInterval(frameTimes);
  const holes = Array.from({ length: Math.max(0, frameTimes.length - 1) }, (_, i) => ({
    after: i,
    seconds: (frameTimes[i + 1]! - frameTimes[i]!) * MICRO,
  })).filter(({ seconds }) => seconds > HOLE * usual * MICRO);
  return holes.length > MOST_HOLES * frameTimes.length ? [] : holes;
}
const MOST_HOLES = 0.1;
