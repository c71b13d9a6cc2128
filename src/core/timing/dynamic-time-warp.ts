/** Curves of one performance: each a series over the same frames, NaN where missing. */
export type Features = readonly Float64Array[];

export interface Warp {
  /** Sum of the distances along the path. */
  readonly cost: number;
  /** Pairs of frames, from the first to the last. */
  readonly path: readonly (readonly [first: number, second: number])[];
}

/** Euclidean distance of two frames over the curves that both know, scaled up for those missing; 0 where none is known. */
function distanceOf(a: Features, b: Features, i: number, j: number): number {
  let sum = 0;
  let known = 0;
  for (let k = 0; k < a.length; k++) {
    const d = a[k]![i]! - b[k]![j]!;
    if (d !== d) continue;
    sum += d * d;
    known++;
  }
  return known === 0 ? 0 : Math.sqrt((sum * a.length) / known);
}

/** Frames one after the other, all curves of a frame side by side, so that a frame is read in one go. */
function byFrames(curves: Features): Float64Array {
  const [k, n] = [curves.length, curves[0]!.length];
  const out = new Float64Array(n * k);
  for (let c = 0; c < k; c++) for (let i = 0; i < n; i++) out[i * k + c] = curves[c]![i]!;
  return out;
}

/** Distance of frame i of the first to frame j of the second. */
type Distance = (i: number, j: number) => number;

const hasGaps = (curves: Features): boolean => curves.some((curve) => curve.some(Number.isNaN));

function distances(a: Features, b: Features): Distance {
  if (hasGaps(a) || hasGaps(b)) return (i, j) => distanceOf(a, b, i, j);
  const k = a.length;
  const [fa, fb] = [byFrames(a), byFrames(b)];
  return (i, j) => {
    let sum = 0;
    let p = i * k;
    let q = j * k;
    for (let c = 0; c < k; c++) {
      const d = fa[p++]! - fb[q++]!;
      sum += d * d;
    }
    return Math.sqrt(sum);
  };
}

/** Cost of a path that goes on to the nearest next pair each time: no best path costs more. */
function greedyCost(n: number, m: number, distance: Distance): number {
  let [i, j] = [0, 0];
  let cost = distance(0, 0);
  while (i < n - 1 || j < m - 1) {
    const both = i < n - 1 && j < m - 1 ? distance(i + 1, j + 1) : Infinity;
    const first = i < n - 1 ? distance(i + 1, j) : Infinity;
    const second = j < m - 1 ? distance(i, j + 1) : Infinity;
    const least = Math.min(both, first, second);
    cost += least;
    if (least === both || least === first) i++;
    if (least === both || least === second) j++;
  }
  return cost;
}

/** Cost of a path that goes straight from each of some pairs to the next. */
function costThrough(pairs: readonly (readonly [number, number])[], distance: Distance): number {
  let cost = distance(...pairs[0]!);
  for (let p = 1; p < pairs.length; p++) {
    const [[i0, j0], [i1, j1]] = [pairs[p - 1]!, pairs[p]!];
    const steps = Math.max(i1 - i0, j1 - j0);
    for (let s = 1; s <= steps; s++) cost += distance(i0 + Math.round((s * (i1 - i0)) / steps), j0 + Math.round((s * (j1 - j0)) / steps));
  }
  return cost;
}

/** Every so many frames are looked at for a first idea of the path; of fewer than so many it is not worth it. */
const COARSE = { every: 6, least: 60 };

/** Cost of some good whole path: the best path costs no more. */
function goodCost(a: Features, b: Features, distance: Distance): number {
  const [n, m] = [a[0]!.length, b[0]!.length];
  const straight = costThrough([[0, 0], [n - 1, m - 1]], distance);
  if (Math.min(n, m) < COARSE.least) return Math.min(straight, greedyCost(n, m, distance));
  const chosen = (length: number): number[] => [...Array.from({ length: Math.ceil((length - 1) / COARSE.every) }, (_, i) => i * COARSE.every), length - 1];
  const [ia, ib] = [chosen(n), chosen(m)];
  const thin = (curves: Features, at: readonly number[]): Features => curves.map((curve) => Float64Array.from(at, (i) => curve[i]!));
  const { path } = warpWhole(thin(a, ia), thin(b, ib));
  return Math.min(straight, costThrough(path.map(([i, j]) => [ia[i]!, ib[j]!] as const), distance));
}

/** Sums of costs are compared with this much room for rounding. */
const ROUNDING = 1 + 1e-9;

/** What stays the same for all rows of a warp. */
interface Rows {
  readonly m: number;
  readonly most: number;
  /** Frames one after the other; null where samples are missing, and every distance is asked for. */
  readonly frames: { readonly a: Float64Array; readonly b: Float64Array; readonly curves: number } | null;
  readonly distance: Distance;
  /** 0: both advance, 1: the first alone, 2: the second alone. */
  readonly steps: Uint8Array;
}

/** Distance of a frame of each, from frames one after the other; written out by fours, since this is where the time goes. */
function between(a: Float64Array, b: Float64Array, p: number, q: number, curves: number): number {
  const end = p + curves;
  let sum = 0;
  for (const fours = end - 3; p < fours; p += 4, q += 4) {
    const d0 = a[p]! - b[q]!;
    const d1 = a[p + 1]! - b[q + 1]!;
    const d2 = a[p + 2]! - b[q + 2]!;
    const d3 = a[p + 3]! - b[q + 3]!;
    sum += d0 * d0 + d1 * d1 + (d2 * d2 + d3 * d3);
  }
  for (; p < end; p++, q++) sum += (a[p]! - b[q]!) ** 2;
  return Math.sqrt(sum);
}

/**
 * One row of costs. Columns are kept one place to the right, so that there is one before the first.
 * @param reach columns of the row before that are worth going on from; becomes those of this row
 */
function advance(i: number, before: Float64Array, now: Float64Array, reach: Int32Array, { m, most, frames, distance, steps }: Rows): void {
  const from = reach[0]!;
  const to = reach[1]!;
  let first = -1;
  let last = -1;
  let beside = Infinity;
  const fa = frames ? frames.a : before;
  const fb = frames ? frames.b : before;
  const curves = frames ? frames.curves : 0;
  const p = i * curves;
  now[from] = Infinity;
  let j = from;
  for (; j < m; j++) {
    let best = i === 0 && j === 0 ? 0 : before[j]!;
    let step = 0;
    const alone = before[j + 1]!;
    if (alone < best) {
      best = alone;
      step = 1;
    }
    if (beside < best) {
      best = beside;
      step = 2;
    }
    let cost = Infinity;
    if (best <= most) {
      cost = best + (curves > 0 ? between(fa, fb, p, j * curves, curves) : distance(i, j));
      if (cost > most) cost = Infinity;
      else {
        steps[i * m + j] = step;
        if (first < 0) first = j;
        last = j;
      }
    }
    now[j + 1] = cost;
    beside = cost;
    if (cost === Infinity && j > to) {
      j++;
      break;
    }
  }
  // The next row looks one column farther than this one went.
  for (let c = j; c < m && c <= Math.max(to, last) + 1; c++) now[c + 1] = Infinity;
  reach[0] = first;
  reach[1] = last;
}

/**
 * Dynamic time warping with the classic steps (one frame in either or in both), first frames and last frames joined. Pairs whose cost so far
 * is already above that of some whole path are not looked at, which changes neither cost nor path.
 * Source: Sakoe and Chiba 1978, Dynamic programming algorithm optimization for spoken word recognition; pruning after Silva and Batista
 * 2016, Speeding up all-pairwise dynamic time warping matrix calculation.
 * @param a,b curves over n and m frames, as many in each
 */
export function warpWhole(a: Features, b: Features): Warp {
  const [n, m] = [a[0]?.length ?? 0, b[0]?.length ?? 0];
  if (n === 0 || m === 0) return { cost: 0, path: [] };
  const distance = distances(a, b);
  const most = goodCost(a, b, distance) * ROUNDING;
  const steps = new Uint8Array(n * m);
  const rows: Rows = { m, most, distance, steps, frames: hasGaps(a) || hasGaps(b) ? null : { a: byFrames(a), b: byFrames(b), curves: a.length } };
  let before = new Float64Array(m + 1).fill(Infinity);
  let now = new Float64Array(m + 1).fill(Infinity);
  const reach = new Int32Array(2);
  for (let i = 0; i < n; i++) {
    advance(i, before, now, reach, rows);
    [before, now] = [now, before];
  }
  const path: (readonly [number, number])[] = [];
  let [i, j] = [n - 1, m - 1];
  for (;;) {
    path.push([i, j]);
    if (i === 0 && j === 0) break;
    const step = steps[i * m + j]!;
    if (step !== 2) i--;
    if (step !== 1) j--;
  }
  return { cost: before[m]!, path: path.reverse() };
}

/**
 * Finds where the first performance lies inside the second: its ends may fall anywhere there, and it may run at half to twice the rate.
 * Every frame of the first counts once, so that long and short matches are compared fairly.
 * Source: asymmetric steps with a slope constraint (Sakoe and Chiba 1978), open at both ends (Müller 2007, Information Retrieval for
 * Music and Motion, subsequence matching).
 * @returns for every frame of the first its frame in the second (fractions where two frames share one), or null where it does not fit
 */
export function warpInside(a: Features, b: Features): { readonly cost: number; readonly at: Float64Array } | null {
  const [n, m] = [a[0]?.length ?? 0, b[0]?.length ?? 0];
  if (n < 2 || m < n / 2) return null;
  const cost = Array.from({ length: n }, () => new Float64Array(m).fill(Infinity));
  const local = Array.from({ length: n }, (_, i) => Float64Array.from({ length: m }, (_unused, j) => distanceOf(a, b, i, j)));
  // 0: begins here, 1: one and one, 2: one and two, 3: two and one.
  const steps = Array.from({ length: n }, () => new Uint8Array(m));
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < m; j++) {
      const d = local[i]![j]!;
      let [best, step] = i === 0 ? [0, 0] : [Infinity, 1];
      if (i > 0 && j > 0 && cost[i - 1]![j - 1]! < best) [best, step] = [cost[i - 1]![j - 1]!, 1];
      if (i > 0 && j > 1 && cost[i - 1]![j - 2]! < best) [best, step] = [cost[i - 1]![j - 2]!, 2];
      if (i > 1 && j > 0 && cost[i - 2]![j - 1]! + local[i - 1]![j]! < best) [best, step] = [cost[i - 2]![j - 1]! + local[i - 1]![j]!, 3];
      cost[i]![j] = best + d;
      steps[i]![j] = step;
    }
  }
  const end = cost[n - 1]!.reduce((least, c, j, all) => (c < all[least]! ? j : least), 0);
  if (!Number.isFinite(cost[n - 1]![end]!)) return null;
  const at = new Float64Array(n);
  let [i, j] = [n - 1, end];
  for (;;) {
    at[i] = j;
    const step = steps[i]![j]!;
    if (step === 0) break;
    if (step === 3) {
      at[i - 1] = j - 0.5;
      i -= 2;
    } else i -= 1;
    j -= step === 2 ? 2 : 1;
  }
  return { cost: cost[n - 1]![end]!, at };
}
