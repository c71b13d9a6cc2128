import { interpolateLinear } from './resample';

/** When something that moves comes to rest, or begins to move. */
export interface ChangePoint {
  /** On the scale of `times`. */
  readonly time: number;
  /** Standard deviation of it. */
  readonly sd: number;
}

export interface ChangeSearch {
  /** It rests after the change (touch-down), or before it (lift-off). */
  readonly restsAfter: boolean;
  /** About where; the change is looked for from `earliest` to `latest`. */
  readonly earliest: number;
  readonly latest: number;
  /** How much of the movement, and of the rest, is looked at. */
  readonly moving: number;
  readonly resting: number;
  /** How much each sample counts, 1 for one that is seen as well as can be; left out, all alike. */
  readonly weights?: Float64Array;
}

/** Steps of the search, seconds. */
const STEP = 0.001;
/** Beyond so many median residuals a sample counts no more than one there. */
const CLIP = 4;

/**
 * Least squares of samples on a few columns by normal equations; the residual sum of squares, or Infinity where they do
 * not decide.
 */
function residualSquares(rows: readonly (readonly number[])[], values: readonly number[]): number {
  const k = rows[0]!.length;
  const a = Array.from({ length: k }, (_, i) => [
    ...Array.from({ length: k }, (_u, j) => rows.reduce((s, r) => s + r[i]! * r[j]!, 0)),
    rows.reduce((s, r, n) => s + r[i]! * values[n]!, 0),
  ]);
  for (let c = 0; c < k; c++) {
    const pivot = a[c]![c]!;
    if (Math.abs(pivot) < 1e-14) return Infinity;
    for (let r = 0; r < k; r++) {
      if (r === c) continue;
      const factor = a[r]![c]! / pivot;
      for (let j = c; j <= k; j++) a[r]![j] = a[r]![j]! - factor * a[c]![j]!;
    }
  }
  const beta = a.map((row, i) => row[k]! / row[i]!);
  return values.reduce((sum, v, n) => sum + (v - rows[n]!.reduce((s, x, i) => s + x * beta[i]!, 0)) ** 2, 0);
}

/**
 * The instant at which a point's coordinates turn from moving to resting, or the other way round: both are fitted at
 * once by a level and, on the moving side, a parabola that begins there (least squares over every instant in question;
 * a hinge, as in segmented regression, Seber and Wild 1989, ch. 9).
 * @param coordinates each at `times`, NaN where missing; not smoothed, since smoothing rounds the corner
 * @returns null where too little is known on either side
 */
export function changePoint(
  times: Float64Array,
  coordinates: readonly Float64Array[],
  { restsAfter, earliest, latest, moving, resting, weights }: ChangeSearch,
): ChangePoint | null {
  const [from, to] = restsAfter ? [earliest - moving, latest + resting] : [earliest - resting, latest + moving];
  const inside = Array.from(times.keys()).filter((i) => times[i]! >= from && times[i]! <= to);
  const known = coordinates.map((c) => inside.filter((i) => !Number.isNaN(c[i]!)));
  const before = inside.filter((i) => times[i]! < earliest).length;
  const after = inside.filter((i) => times[i]! > latest).length;
  if (before < 2 || after < 2 || known.some((k) => k.length < 5)) return null;
  const squaresAt = (t: number): number =>
    coordinates.reduce((total, c, n) => {
      const away = (i: number): number => Math.max(0, restsAfter ? t - times[i]! : times[i]! - t) / moving;
      const bends = known[n]!.filter((i) => away(i) > 0).length >= 4;
      // Weighted least squares: each row and its value times the root of the weight.
      const root = (i: number): number => Math.sqrt(weights?.[i] ?? 1);
      const rows = known[n]!.map((i) => (bends ? [1, away(i), away(i) ** 2] : [1, away(i)]).map((v) => v * root(i)));
      return (
        total +
        residualSquares(
          rows,
          known[n]!.map((i) => c[i]! * root(i)),
        )
      );
    }, 0);
  const instants = Array.from(
    { length: Math.max(1, Math.round((latest - earliest) / STEP)) + 1 },
    (_, k) => earliest + k * STEP,
  );
  const squares = instants.map(squaresAt);
  const best = squares.reduce((b, s, k) => (s < squares[b]! ? k : b), 0);
  if (!Number.isFinite(squares[best]!)) return null;
  const samples = known.reduce((sum, k) => sum + k.length, 0);
  const variance = squares[best]! / Math.max(1, samples - 4 * coordinates.length);
  // Where the sum of squares has grown by the variance the instant is one deviation away.
  const grown = squares.map((s) => s - squares[best]! <= variance);
  let [low, high] = [best, best];
  while (grown[low - 1]) low--;
  while (grown[high + 1]) high++;
  const atEdge = best === 0 || best === squares.length - 1;
  return {
    time: instants[best]!,
    sd: Math.max(STEP, ((high - low + 1) * STEP) / 2, atEdge ? (latest - earliest) / 4 : 0),
  };
}

/** Samples whose distance from a smooth curve is beyond `CLIP` times the usual one, brought back to it. */
export function withoutStrays(times: Float64Array, raw: Float64Array, smooth: Float64Array): Float64Array {
  const away = raw.map((v, i) => v - smooth[i]!);
  const sorted = Array.from(away, Math.abs)
    .filter((v) => !Number.isNaN(v))
    .sort((a, b) => a - b);
  const limit = CLIP * Math.max(1e-9, sorted[sorted.length >> 1] ?? 0) + 1e-9;
  return raw.map((v, i) =>
    Math.abs(away[i]!) > 3 * limit ? smooth[i]! : Number.isNaN(v) ? interpolateLinear(times, smooth, times[i]!) : v,
  );
}
