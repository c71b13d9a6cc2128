import { bridgeDropouts } from './dropouts';
import { singlePassCutoff, zeroLagLowPass } from './butterworth';
import { evenlySpaced, typicalInterval } from './resample';
import { lambdaOf, smoothingSpline } from './smoothing-spline';

export interface Smoothing {
  /** Cut-off frequency of the whole zero-lag filter, Hz. */
  readonly cutoff: number;
  /** Longest dropout that is bridged, in frames. */
  readonly longestBridge: number;
  /** How much each sample counts against a usual one; left out, all alike. */
  readonly weights?: Float64Array | undefined;
}

/** Weights that differ by less than this are alike. */
const ALIKE_WEIGHTS = 1.5;

function smoothRun(
  times: Float64Array,
  samples: Float64Array,
  cutoff: number,
  weights: Float64Array | null,
): Float64Array {
  const interval = typicalInterval(times);
  const rate = 1 / interval;
  // Above about 0.45 of the rate there is nothing left to take away.
  const corner = Math.min(singlePassCutoff(cutoff), 0.45 * rate);
  const alike = !weights || Math.max(...weights) < ALIKE_WEIGHTS * Math.min(...weights);
  if (alike && evenlySpaced(times)) {
    const smoothed = zeroLagLowPass(samples, corner, rate);
    return smoothed.ok ? smoothed.value : samples;
  }
  // The same response for samples at their own times, and of their own weights.
  return samples.length <= LEAST_SAMPLES
    ? samples
    : smoothingSpline(times, samples, weights ?? new Float64Array(samples.length).fill(1), lambdaOf(corner, interval));
}

/** Fewer samples than this are too few to smooth. */
const LEAST_SAMPLES = 6;

/**
 * Smooths a coordinate over time: short dropouts are bridged, each run of data between longer ones is smoothed by
 * itself. Evenly spaced samples of equal weight go through the zero-lag Butterworth filter; others through the
 * smoothing spline that has the same response. Runs too short to smooth keep their raw values.
 * @param times real seconds, one per sample, increasing
 * @param samples one coordinate, NaN where missing
 */
export function smoothCoordinate(times: Float64Array, samples: Float64Array, smoothing: Smoothing): Float64Array {
  const bridged = bridgeDropouts(samples, smoothing.longestBridge);
  const out = Float64Array.from(bridged);
  for (let start = 0; start < bridged.length; start++) {
    if (Number.isNaN(bridged[start]!)) continue;
    let end = start;
    while (end < bridged.length && !Number.isNaN(bridged[end]!)) end++;
    if (end - start > 1)
      out.set(
        smoothRun(
          times.slice(start, end),
          bridged.slice(start, end),
          smoothing.cutoff,
          smoothing.weights?.slice(start, end) ?? null,
        ),
        start,
      );
    start = end;
  }
  return out;
}
