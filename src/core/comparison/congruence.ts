/** What two curves have in common where they overlap. */
export interface Overlap {
  readonly samples: number;
  /** Variance of either curve, unit squared. */
  readonly variances: readonly [number, number];
  /** Sums of the squares of either curve's rate of change, unit squared per second squared: noise is in them. */
  readonly slopes: readonly [number, number];
  /** Sum of the products of both rates: noise of neither is in it. */
  readonly commonSlopes: number;
}

/** How alike two performers of a crew move, and who is ahead. */
export interface Congruence {
  /** Seconds by which the second is behind the first where their curves are most alike. */
  readonly lag: number;
  /** Correlation there, -1..1. */
  readonly correlation: number;
  /** Root mean square difference there after the lag is taken out, unit of the curves. */
  readonly difference: number;
  readonly overlap: Overlap;
  /** Correlation at the next best lag, where it has another peak or the end of what is looked at; null where none is. */
  readonly rival: number | null;
}

/** Least overlap of two curves that says anything, share of what is known of the shorter. */
const LEAST_OVERLAP = 0.5;

/**
 * Lag and correlation of two curves sampled at the same even interval: the shift with the largest normalised
 * cross-correlation, refined between samples by a parabola.
 * @param interval seconds between samples
 * @param most largest lag that is looked at, seconds
 * @returns null where less than half overlaps or a curve does not move
 */
export function congruenceOf(
  first: Float64Array,
  second: Float64Array,
  interval: number,
  most: number,
): Congruence | null {
  const reach = Math.round(most / interval);
  const known = (series: Float64Array): number => series.reduce((n, v) => (Number.isNaN(v) ? n : n + 1), 0);
  const least = Math.max(3, LEAST_OVERLAP * Math.min(known(first), known(second)));
  const at = (shift: number): { r: number; rms: number; overlap: Overlap } | null => {
    let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
    let [ownSlopes, otherSlopes, commonSlopes] = [0, 0, 0];
    for (let i = 0; i < first.length; i++) {
      const [a, b] = [first[i]!, second[i + shift]];
      if (b === undefined || Number.isNaN(a) || Number.isNaN(b)) continue;
      n++;
      sa += a;
      sb += b;
      saa += a * a;
      sbb += b * b;
      sab += a * b;
      const [rate, otherRate] = [(first[i + 1]! - a) / interval, (second[i + shift + 1]! - b) / interval];
      if (Number.isNaN(rate * otherRate)) continue;
      ownSlopes += rate * rate;
      otherSlopes += otherRate * otherRate;
      commonSlopes += rate * otherRate;
    }
    if (n < least) return null;
    const [va, vb] = [saa - (sa * sa) / n, sbb - (sb * sb) / n];
    if (va <= 1e-12 * Math.max(1, saa) || vb <= 1e-12 * Math.max(1, sbb)) return null;
    return {
      r: (sab - (sa * sb) / n) / Math.sqrt(va * vb),
      rms: Math.sqrt(Math.max(0, saa - 2 * sab + sbb) / n),
      overlap: { samples: n, variances: [va / n, vb / n], slopes: [ownSlopes, otherSlopes], commonSlopes },
    };
  };
  const looked = Array.from({ length: 2 * reach + 1 }, (_, k) => {
    const here = at(k - reach);
    return here && { shift: k - reach, ...here };
  });
  const isPeak = (k: number): boolean =>
    looked[k] !== null && [k - 1, k + 1].every((beside) => (looked[beside]?.r ?? -Infinity) <= looked[k]!.r);
  const [best, rival] = looked.flatMap((here, k) => (here && isPeak(k) ? [here] : [])).sort((a, b) => b.r - a.r);
  if (!best) return null;
  const [before, after] = [at(best.shift - 1), at(best.shift + 1)];
  const bend = before && after ? before.r - 2 * best.r + after.r : 0;
  const fine = bend < 0 ? (before!.r - after!.r) / (2 * bend) : 0;
  return {
    lag: (best.shift + Math.max(-0.5, Math.min(0.5, fine))) * interval,
    correlation: best.r,
    difference: best.rms,
    overlap: best.overlap,
    rival: rival?.r ?? null,
  };
}

/** How long a curve must rest before it begins, seconds: nothing begins that was on its way when it is first known. */
const REST = 0.1;
/** How far it leaves where it rested when it begins, and how far it may wander while it rests, shares of its range. */
const LEAVES = 0.1;
const WANDERS = 0.05;

/** When a curve begins to move, seconds from its first sample, and how fast it goes there, unit per second. */
export interface Onset {
  readonly time: number;
  readonly slope: number;
}

/**
 * When a curve leaves where it rested: a tenth of its range away from the mean of its first tenth of a second, by
 * linear interpolation (a threshold above a resting baseline: common practice).
 * @param interval seconds between samples
 * @returns null where it does not rest first or never begins
 */
export function onsetOf(series: Float64Array, interval: number): Onset | null {
  const known = Array.from(series).filter((v) => !Number.isNaN(v));
  const range = Math.max(...known) - Math.min(...known);
  const start = series.findIndex((v) => !Number.isNaN(v));
  if (start < 0 || !(range > 0)) return null;
  const rest = series.subarray(start, start + Math.max(2, Math.ceil(REST / interval)));
  const base = rest.reduce((sum, v) => sum + v, 0) / rest.length;
  if (!rest.every((v) => Math.abs(v - base) <= WANDERS * range)) return null;
  const limit = LEAVES * range;
  for (let i = start + rest.length; i < series.length; i++) {
    const [a, b] = [Math.abs(series[i - 1]! - base), Math.abs(series[i]! - base)];
    if (b >= limit && a < limit) return { time: (i - 1 + (limit - a) / (b - a)) * interval, slope: (b - a) / interval };
  }
  return null;
}
