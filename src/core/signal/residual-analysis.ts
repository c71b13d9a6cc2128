import { fail, ok, type Issue, type Result } from '../result';
import { smoothCoordinate } from './smooth';
import { typicalInterval } from './resample';
import { TEXT } from '../../text/core/signal';

/** How much smoothing at each cut-off takes away, and the cut-off at which that is what noise alone would be. */
export interface ResidualAnalysis {
  /** Corners that were tried, Hz, increasing. */
  readonly cutoffs: readonly number[];
  /** Root mean square of raw minus smoothed at each cut-off, unit of the samples. */
  readonly residuals: readonly number[];
  /** The straight line that the residual of noise follows: value at 0 Hz and slope per Hz. */
  readonly noise: { readonly intercept: number; readonly slope: number };
  /** Cut-off frequency at which the residual equals the intercept, Hz. */
  readonly cutoff: number;
}

/** Corners between these are tried; movement of the body lies below (common practice: 2 to 20 Hz). */
const LOWEST = 1;
const HIGHEST_SHARE = 0.4;
const STEP = 0.5;
/** The upper part of the corners, where only noise is left. */
const NOISE_SHARE = 0.5;
const FEWEST_SAMPLES = 20;
/** Noise smaller than this share of the movement is rounding. */
const LEAST_NOISE = 1e-4;

/**
 * Residual analysis of one coordinate (Winter 2009, Biomechanics and Motor Control of Human Movement, 4th ed.,
 * 3.4.4.3): a line is laid through the residuals at high cut-offs, and the cut-off is chosen whose residual is the
 * line's value at 0 Hz.
 * @param times real seconds, increasing
 * @param samples one coordinate; NaN where missing, longest bridged dropout as in smoothing
 */
export function residualAnalysis(
  times: Float64Array,
  samples: Float64Array,
  longestBridge: number,
): Result<ResidualAnalysis, Issue<'too-short' | 'no-noise'>> {
  const known = samples.reduce((count, v) => count + (Number.isNaN(v) ? 0 : 1), 0);
  if (known < FEWEST_SAMPLES) return fail('too-short', TEXT.residualAnalysisNeedsAtLeast(FEWEST_SAMPLES, known));
  const highest = HIGHEST_SHARE / typicalInterval(times);
  const cutoffs = Array.from(
    { length: Math.max(4, Math.floor((highest - LOWEST) / STEP) + 1) },
    (_, i) => LOWEST + i * STEP,
  );
  const residuals = cutoffs.map((cutoff) => {
    const smoothed = smoothCoordinate(times, samples, { cutoff, longestBridge });
    const sum = samples.reduce((total, v, i) => total + (Number.isNaN(v) ? 0 : (v - smoothed[i]!) ** 2), 0);
    return Math.sqrt(sum / known);
  });
  const from = Math.floor(cutoffs.length * (1 - NOISE_SHARE));
  const noise = lineThrough(cutoffs.slice(from), residuals.slice(from));
  const present = Array.from(samples).filter((v) => !Number.isNaN(v));
  const extent = Math.max(...present) - Math.min(...present);
  // Without noise there is no line that noise follows, and no cut-off that it asks for.
  if (!(noise.intercept > LEAST_NOISE * Math.max(1, extent)))
    return fail('no-noise', TEXT.thereIsNoNoise(Math.max(0, noise.intercept).toPrecision(2), extent.toFixed(1)));
  const i = residuals.findIndex((r) => r <= noise.intercept);
  if (i <= 0) return ok({ cutoffs, residuals, noise, cutoff: cutoffs[Math.max(0, i)]! });
  const u = (residuals[i - 1]! - noise.intercept) / (residuals[i - 1]! - residuals[i]!);
  return ok({ cutoffs, residuals, noise, cutoff: cutoffs[i - 1]! + u * (cutoffs[i]! - cutoffs[i - 1]!) });
}

/** Least squares line. */
function lineThrough(x: readonly number[], y: readonly number[]): { intercept: number; slope: number } {
  const meanX = x.reduce((s, v) => s + v, 0) / x.length;
  const meanY = y.reduce((s, v) => s + v, 0) / y.length;
  const slope =
    x.reduce((s, v, i) => s + (v - meanX) * (y[i]! - meanY), 0) / x.reduce((s, v) => s + (v - meanX) ** 2, 0);
  return { intercept: meanY - slope * meanX, slope };
}
