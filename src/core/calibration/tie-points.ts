import { factorise, forward, backward, inverseOf } from '../geometry/cholesky';
import type { Vec2 } from '../geometry/vec2';
import type { Clip } from '../model/clip';

/** A place that stands still, as it was pressed in the pictures of several frames. */
export type TiePoint = Clip['tiePoints'][number];

/** What a place that was seen again tells between two frames. */
export interface Sighting {
  readonly frame: number;
  readonly other: number;
  /** Variance with which it was pressed and its pictures were brought together, widths squared. */
  readonly variance: number;
}

/** Every place from each frame to the next in which it was pressed, frames in their order. */
export const sightingsOf = (
  ties: readonly TiePoint[],
): readonly { readonly from: TiePoint['seen'][number]; readonly to: TiePoint['seen'][number] }[] =>
  ties.flatMap(({ seen }) => {
    const inOrder = [...seen].sort((a, b) => a.frame - b.frame);
    return inOrder.slice(1).map((to, k) => ({ from: inOrder[k]!, to }));
  });

type Pressed = TiePoint['seen'][number];

/** Every two places that were pressed in the same frames, from each of those frames to the next. */
export const seenTogether = (
  ties: readonly TiePoint[],
): readonly { readonly from: readonly [Pressed, Pressed]; readonly to: readonly [Pressed, Pressed] }[] =>
  ties.flatMap((one, i) =>
    ties.slice(i + 1).flatMap((other) => {
      const both = [...one.seen]
        .sort((a, b) => a.frame - b.frame)
        .flatMap((seen) => {
          const beside = other.seen.find(({ frame }) => frame === seen.frame);
          return beside ? [[seen, beside] as const] : [];
        });
      return both.slice(1).map((to, k) => ({ from: both[k]!, to }));
    }),
  );

/** How far a chain of pictures is off, as places that were seen again tell. */
export interface Tied {
  /** What brings every sighting together: the shift of a frame's places against another frame's, widths. */
  shift(apart: readonly Vec2[], frame: number, other: number): Vec2;
  /** The share of the chain's variance between two frames that is left, 0 to 1. */
  left(frame: number, other: number): number;
}

/**
 * The drift of a chain of pictures is a random walk whose variance grows along it; a place that is seen again says where
 * it stood at two of its ends (kriging of a Wiener process, Matheron 1963).
 * @param variance of the chain from its first frame, widths squared, growing
 */
export function tiedBy(sightings: readonly Sighting[], variance: (frame: number) => number): Tied | null {
  const n = sightings.length;
  /** Signed part that two stretches of the chain share. */
  const shared = (a: number, b: number, c: number, d: number): number => {
    const [p, q] = [Math.min(a, b), Math.max(a, b)];
    const [r, s] = [Math.min(c, d), Math.max(c, d)];
    return Math.sign(b - a) * Math.sign(d - c) * Math.max(0, Math.min(q, s) - Math.max(p, r));
  };
  const ends = sightings.map(({ frame, other }) => [variance(frame), variance(other)] as const);
  const factor = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      factor[i * n + j] = shared(...ends[i]!, ...ends[j]!) + (i === j ? sightings[i]!.variance : 0);
  if (!factorise(factor, n)) return null;
  const inverse = inverseOf(factor, n);
  const to = (frame: number, other: number): readonly number[] => {
    const [a, b] = [variance(frame), variance(other)];
    return ends.map((end) => shared(a, b, ...end));
  };
  return {
    shift: (apart, frame, other) => {
      const weights = (of: (d: Vec2) => number): number => {
        const right = Float64Array.from(apart, of);
        forward(factor, n, right, 1);
        backward(factor, n, right, 1);
        return to(frame, other).reduce((sum, c, i) => sum + c * right[i]!, 0);
      };
      return { x: weights((d) => d.x), y: weights((d) => d.y) };
    },
    left: (frame, other) => {
      const prior = Math.abs(variance(other) - variance(frame));
      if (prior === 0) return 1;
      const c = to(frame, other);
      let told = 0;
      for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) told += c[i]! * inverse[i * n + j]! * c[j]!;
      return Math.min(1, Math.max(0, 1 - told / prior));
    },
  };
}
