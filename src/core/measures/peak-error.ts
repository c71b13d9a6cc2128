/**
 * The largest of many noisy values lies above the true peak, by most of their own deviation: what is said of a peak is so much wider
 * (calibrated with `npm run bench judge`).
 */
export const PEAK_WIDENING = 1.35;

/** What an edge of the phase that is off by its timing error does to a peak that lies at the edge: the curve's slope there times that error. */
export function edgeSd(curve: Float64Array, frame: number): number {
  const i = Math.round(frame);
  const slope = ((curve[i + 1] ?? curve[i]!) - (curve[i - 1] ?? curve[i]!)) / 2;
  return Number.isNaN(slope) ? 0 : Math.abs(slope) / Math.sqrt(12);
}
