import { spread } from './warp-spread';
import { type Frames, EIGHT, distance, type Spread } from './warp-frames';

/** Curves of one trial: each a series over the same frames, NaN where missing. */
export type Features = readonly Float64Array[];

export interface Warp {
  /** Sum of the distances along the path. */
  readonly cost: number;
  /** Pairs of frames, from the first to the last. */
  readonly path: readonly (readonly [first: number, second: number])[];
}

function framesOf(curves: Features): Frames {
  const [k, n] = [curves.length, curves[0]!.length];
  const width = Math.ceil(k / EIGHT) * EIGHT;
  const data = new Float64Array(n * width);
  let gaps = false;
  curves.forEach((curve, c) => {
    for (let i = 0, at = c; i < n; i++, at += width) {
      const value = curve[i]!;
      data[at] = value;
      if (value !== value) gaps = true;
    }
  });
  return { length: n, curves: k, width, data, gaps };
}

/** Some of the frames, in the order in which they are named. */
function framesAt(frames: Frames, at: readonly number[]): Frames {
  const { width } = frames;
  const data = new Float64Array(at.length * width);
  let to = 0;
  for (const i of at) for (let c = 0; c < width; c++) data[to++] = frames.data[i * width + c]!;
  return { ...frames, length: at.length, data };
}

/** Cost of a path that goes straight from each of some pairs to the next. */
function costThrough(pairs: readonly (readonly [number, number])[], a: Frames, b: Frames): number {
  let cost = distance(a, b, ...pairs[0]!);
  for (let p = 1; p < pairs.length; p++) {
    const [[i0, j0], [i1, j1]] = [pairs[p - 1]!, pairs[p]!];
    const steps = Math.max(i1 - i0, j1 - j0);
    for (let s = 1; s <= steps; s++)
      cost += distance(a, b, i0 + Math.round((s * (i1 - i0)) / steps), j0 + Math.round((s * (j1 - j0)) / steps));
  }
  return cost;
}

/** Every so many frames are looked at for a first idea of the path; of fewer than so many it is not worth it. */
const COARSE = { every: 6, least: 60 };

/** Cost of some good whole path: the best path costs no more. */
function goodCost(a: Frames, b: Frames): number {
  if (Math.min(a.length, b.length) < COARSE.least)
    return costThrough(
      [
        [0, 0],
        [a.length - 1, b.length - 1],
      ],
      a,
      b,
    );
  const [ia, ib] = [a, b].map(({ length }) => [
    ...Array.from({ length: Math.ceil((length - 1) / COARSE.every) }, (_, i) => i * COARSE.every),
    length - 1,
  ]) as [number[], number[]];
  const { path } = warpFrames(framesAt(a, ia), framesAt(b, ib));
  return costThrough(
    path.map(([i, j]) => [ia[i]!, ib[j]!] as const),
    a,
    b,
  );
}

/** Sums of costs are compared with this much room for rounding. */
const ROUNDING = 1 + 1e-9;

/** Steps of a path: both advance, the first alone, the second alone. */
const STEPS = [
  [1, 1],
  [1, 0],
  [0, 1],
] as const;

function costAt({ rows, from, start, costs }: Spread, i: number, j: number): number {
  if (i < 0 || i >= rows) return Infinity;
  const at = start[i]! + j - from[i]!;
  return at < start[i]! || at >= start[i + 1]! ? Infinity : costs[at]!;
}

/** The pairs of the best path back from one of a spread. */
function pathBack(spread: Spread, i: number, j: number): [number, number][] {
  const path: [number, number][] = [[i, j]];
  while (i > 0 || j > 0) {
    const [both, first, second] = [costAt(spread, i - 1, j - 1), costAt(spread, i - 1, j), costAt(spread, i, j - 1)];
    const least = Math.min(both, first, second);
    if (least !== second || both === least) i--;
    if (least !== first || both === least) j--;
    path.push([i, j]);
  }
  return path;
}

const reversed = (frames: Frames): Frames =>
  framesAt(
    frames,
    Array.from({ length: frames.length }, (_, i) => frames.length - 1 - i),
  );

function warpFrames(a: Frames, b: Frames): Warp {
  const [n, m] = [a.length, b.length];
  const half = (goodCost(a, b) / 2) * ROUNDING;
  const [there, back] = [spread(a, b, half), spread(reversed(a), reversed(b), half)];
  // Where the first spread comes to the end by itself it needs no other.
  let cost = costAt(there, n - 1, m - 1);
  let meeting = null as readonly [number, number, number, number] | null;
  for (let r = 0; r < back.rows; r++) {
    const i = n - 1 - r;
    // Where the row's costs lie by the column of the second, which runs the other way.
    const after = back.start[r]! + m - 1 - back.from[r]!;
    for (const [di, dj] of STEPS) {
      const u = i - di;
      if (u < 0 || u >= there.rows) continue;
      const before = there.start[u]! - there.from[u]! - dj;
      const to = Math.min(there.start[u + 1]! - 1 - before, m - 1 - back.from[r]!);
      for (let j = Math.max(there.from[u]! + dj, after - back.start[r + 1]! + 1); j <= to; j++) {
        const sum = there.costs[before + j]! + back.costs[after - j]!;
        if (sum < cost) [cost, meeting] = [sum, [u, j - dj, i, j]];
      }
    }
  }
  const [i, j, i2, j2] = meeting ?? [n - 1, m - 1];
  const rest = i2 === undefined || j2 === undefined ? [] : pathBack(back, n - 1 - i2, m - 1 - j2);
  return { cost, path: [...pathBack(there, i, j).reverse(), ...rest.map(([p, q]) => [n - 1 - p, m - 1 - q] as const)] };
}

/**
 * Dynamic time warping with the classic steps (one frame in either or in both), first frames and last frames joined.
 * Paths are spread from both ends, each as far as half the cost of some whole path goes: the best path is the cheapest
 * of those that meet, since from one end or the other every pair of it costs no more. That changes neither cost nor
 * path and looks at few of all pairs. Source: Sakoe and Chiba 1978, Dynamic programming algorithm optimization for
 * spoken word recognition; pruning after Silva and Batista 2016, Speeding up all-pairwise dynamic time warping matrix
 * calculation; search from both ends after Pohl 1971, Bi-directional search.
 * @param a,b curves over n and m frames, as many in each
 */
export function warpWhole(a: Features, b: Features): Warp {
  return (a[0]?.length ?? 0) === 0 || (b[0]?.length ?? 0) === 0
    ? { cost: 0, path: [] }
    : warpFrames(framesOf(a), framesOf(b));
}

/**
 * Finds where the first trial lies inside the second: its ends may fall anywhere there, and it may run at half to
 * twice the rate. Every frame of the first counts once, so that long and short matches are compared fairly. Source:
 * asymmetric steps with a slope constraint (Sakoe and Chiba 1978), open at both ends (Müller 2007, Information
 * Retrieval for Music and Motion, subsequence matching).
 * @returns for every frame of the first its frame in the second (fractions where two frames share one), or null where
 * it does not fit
 */
export function warpInside(a: Features, b: Features): { readonly cost: number; readonly at: Float64Array } | null {
  const [n, m] = [a[0]?.length ?? 0, b[0]?.length ?? 0];
  if (n < 2 || m < n / 2) return null;
  const cost = Array.from({ length: n }, () => new Float64Array(m).fill(Infinity));
  const [fa, fb] = [framesOf(a), framesOf(b)];
  const local = Array.from({ length: n }, (_, i) =>
    Float64Array.from({ length: m }, (_unused, j) => distance(fa, fb, i, j)),
  );
  // 0: begins here, 1: one and one, 2: one and two, 3: two and one.
  const steps = Array.from({ length: n }, () => new Uint8Array(m));
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < m; j++) {
      const d = local[i]![j]!;
      let [best, step] = i === 0 ? [0, 0] : [Infinity, 1];
      if (i > 0 && j > 0 && cost[i - 1]![j - 1]! < best) [best, step] = [cost[i - 1]![j - 1]!, 1];
      if (i > 0 && j > 1 && cost[i - 1]![j - 2]! < best) [best, step] = [cost[i - 1]![j - 2]!, 2];
      if (i > 1 && j > 0 && cost[i - 2]![j - 1]! + local[i - 1]![j]! < best)
        [best, step] = [cost[i - 2]![j - 1]! + local[i - 1]![j]!, 3];
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
