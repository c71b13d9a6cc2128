import { type Frames, EIGHT, distance, type Spread } from './warp-frames';

/**
 * Costs of the best paths from the first frames to every pair that a path of at most so much cost leads to, and to the
 * pairs right after those. Distances are written out by eights, since this is where the time goes.
 */
export function spread(a: Frames, b: Frames, most: number): Spread {
  const { width, data: fa } = a;
  const { length: m, data: fb } = b;
  const starts = new Int32Array(a.length + 1);
  const firsts = new Int32Array(a.length);
  // Room that is seldom outgrown; what is not touched costs nothing.
  let kept = new Float64Array(64 * (a.length + m));
  let size = 0;
  const gaps = a.gaps || b.gaps;
  // Columns are kept one place to the right, so that there is one before the first.
  let before = new Float64Array(m + 2).fill(Infinity);
  let now = new Float64Array(m + 2).fill(Infinity);
  before[0] = 0;
  let [from, to] = [0, 0];
  // Up to where costs of earlier rows stand in the two.
  let [endBefore, endNow] = [1, 0];
  let rows = 0;
  while (rows < a.length) {
    const i = rows++;
    const p = i * width;
    const [a0, a1, a2, a3, a4, a5, a6, a7] = [
      fa[p]!,
      fa[p + 1]!,
      fa[p + 2]!,
      fa[p + 3]!,
      fa[p + 4]!,
      fa[p + 5]!,
      fa[p + 6]!,
      fa[p + 7]!,
    ];
    let beside = Infinity;
    now[from] = Infinity;
    let j = from;
    for (; j < m; j++) {
      const best = Math.min(before[j]!, before[j + 1]!, beside);
      if (best <= most) {
        if (gaps) beside = best + distance(a, b, i, j);
        else {
          const q = j * width;
          const d0 = a0 - fb[q]!;
          const d1 = a1 - fb[q + 1]!;
          const d2 = a2 - fb[q + 2]!;
          const d3 = a3 - fb[q + 3]!;
          const d4 = a4 - fb[q + 4]!;
          const d5 = a5 - fb[q + 5]!;
          const d6 = a6 - fb[q + 6]!;
          const d7 = a7 - fb[q + 7]!;
          let sum = d0 * d0 + d1 * d1 + (d2 * d2 + d3 * d3) + (d4 * d4 + d5 * d5 + (d6 * d6 + d7 * d7));
          for (let c = EIGHT; c < width; c++) sum += (fa[p + c]! - fb[q + c]!) ** 2;
          beside = best + Math.sqrt(sum);
        }
      } else {
        beside = Infinity;
        if (j > to) break;
      }
      now[j + 1] = beside;
    }
    if (size + j - from > kept.length) {
      const larger = new Float64Array(2 * kept.length + m);
      larger.set(kept);
      kept = larger;
    }
    firsts[i] = from;
    kept.set(now.subarray(from + 1, j + 1), size);
    size += j - from;
    starts[rows] = size;
    for (let c = j + 1; c < endNow; c++) now[c] = Infinity;
    // The next row goes on from what a good path can still lead through.
    to = j - 1;
    while (to >= from && now[to + 1]! > most) to--;
    while (from < to && now[from + 1]! > most) from++;
    if (to < from) break;
    before[0] = Infinity;
    [before, now] = [now, before];
    [endBefore, endNow] = [j + 1, endBefore];
  }
  return { rows, from: firsts, start: starts, costs: kept };
}
