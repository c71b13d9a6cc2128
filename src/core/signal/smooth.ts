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
  // The same response for samples at their own times, and of their own weights: where they come less often each counts
  // for more of the time.
  return samples.length <= LEAST_SAMPLES
    ? samples
    : smoothingSpline(
        times,
        samples,
        Float64Array.from(
          samples,
          (_, i) => (weights?.[i] ?? 1) * Math.max(LEAST_PART, ownInterval(times, i) / interval),
        ),
        lambdaOf(corner, interval),
      );
}

/** How long a sample stands for: to the nearer of those beside it, since a hole on one side is no rate. */
const ownInterval = (times: Float64Array, i: number): number =>
  Math.min(times[i]! - (times[i - 1] ?? -Infinity), (times[i + 1] ?? Infinity) - times[i]!);

/** Two samples at almost one time count for no less than this of a usual one. */
const LEAST_PART = 0.1;

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
  const bridged = bridgeDropouts(samples, smoothing.longestBridge, times);
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
