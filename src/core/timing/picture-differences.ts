import type { Gray } from '../signal/gray';

/** Side of the blocks in which something moves or does not, pixels. */
const BLOCK = 8;
/** Blocks that change at least so much of what the liveliest one changes are looked at. */
const LIVELY = 0.5;
/** Where no block changes by more, of 255, nothing tells a blend from rest. */
const LEAST_CHANGE = 6;
/** What is left of a change beside a change of brightness alone: less is a light that flickers, or a fade. */
const LEAST_BESIDE_LIGHT = 0.2;

/** Mean change of every block from one picture to another, row by row. */
function changesOf(a: Gray, b: Gray): readonly { readonly x: number; readonly y: number; readonly change: number }[] {
  const blocks = [];
  for (let y = 0; y + BLOCK <= a.height; y += BLOCK)
    for (let x = 0; x + BLOCK <= a.width; x += BLOCK) {
      let sum = 0;
      for (let v = y; v < y + BLOCK; v++)
        for (let u = x; u < x + BLOCK; u++) sum += Math.abs(a.values[v * a.width + u]! - b.values[v * a.width + u]!);
      blocks.push({ x, y, change: sum / BLOCK ** 2 });
    }
  return blocks;
}

/** How much the liveliest part of a picture differs from the same part of another, mean over a block, 0 to 255. */
export const liveliest = (a: Gray, b: Gray): number => Math.max(0, ...changesOf(a, b).map(({ change }) => change));

/**
 * How much of a picture a mixture of the one before and the one after leaves unexplained, where something moves: the
 * rest of a least-squares fit of one weight for all pixels, over the change between the two. A blend leaves next to
 * nothing; a picture that was filmed shows what moves somewhere else than either.
 * @returns a share, 0 to about 1; null where nothing moves, or nothing but the light
 */
export function leftByMixture(before: Gray, now: Gray, after: Gray): number | null {
  const blocks = changesOf(before, after);
  const most = Math.max(0, ...blocks.map(({ change }) => change));
  if (most < LEAST_CHANGE) return null;
  const { width } = before;
  let [dd, de, ee, db, bb] = [0, 0, 0, 0, 0];
  for (const { x, y, change } of blocks) {
    if (change < LIVELY * most) continue;
    for (let v = y; v < y + BLOCK; v++)
      for (let u = x; u < x + BLOCK; u++) {
        const i = v * width + u;
        const b = before.values[i]!;
        const d = after.values[i]! - b;
        const e = now.values[i]! - b;
        dd += d * d;
        de += d * e;
        ee += e * e;
        db += d * b;
        bb += b * b;
      }
  }
  const besideLight = bb > 0 ? (dd - (db * db) / bb) / dd : 1;
  if (besideLight < LEAST_BESIDE_LIGHT) return null;
  return Math.sqrt(Math.max(0, ee - (de * de) / dd) / dd);
}
