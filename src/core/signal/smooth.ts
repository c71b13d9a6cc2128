import { bridgeDropouts } from './dropouts';
import { singlePassCutoff, zeroLagLowPass } from './butterworth';
import { evenlySpaced, interpolateLinear, typicalInterval } from './resample';

export interface Smoothing {
  /** Corner of the whole zero-lag filter, Hz. */
  readonly cutoff: number;
  /** Longest dropout that is bridged, in frames. */
  readonly longestBridge: number;
}

function smoothRun(times: Float64Array, samples: Float64Array, cutoff: number): Float64Array {
  const interval = typicalInterval(times);
  const rate = 1 / interval;
  // Above about 0.45 of the rate there is nothing left to take away.
  const corner = Math.min(singlePassCutoff(cutoff), 0.45 * rate);
  if (evenlySpaced(times)) {
    const smoothed = zeroLagLowPass(samples, corner, rate);
    return smoothed.ok ? smoothed.value : samples;
  }
  const count = Math.max(2, Math.round((times[times.length - 1]! - times[0]!) / interval) + 1);
  const grid = Float64Array.from({ length: count }, (_, i) =>
    i === count - 1 ? times[times.length - 1]! : times[0]! + ((times[times.length - 1]! - times[0]!) * i) / (count - 1),
  );
  const even = grid.map((t) => interpolateLinear(times, samples, t));
  const smoothed = zeroLagLowPass(even, corner, (count - 1) / (grid[count - 1]! - grid[0]!));
  return smoothed.ok ? times.map((t) => interpolateLinear(grid, smoothed.value, t)) : samples;
}

/**
 * Smooths a coordinate over time: short dropouts are bridged, each run of data between longer ones is filtered by
 * itself. Clips of variable frame rate are filtered on an even grid and read back at their own times.
 * Runs too short to filter keep their raw values.
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
    if (end - start > 1) out.set(smoothRun(times.slice(start, end), bridged.slice(start, end), smoothing.cutoff), start);
    start = end;
  }
  return out;
}
