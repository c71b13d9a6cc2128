interface Position {
  readonly x: number;
  readonly y: number;
}

/**
 * Squared change of velocity between three positions at increasing frames, per frame: what is left when the last one is
 * predicted from the two before.
 */
export function bendOf(a: Position, b: Position, c: Position, [i, j, k]: readonly [number, number, number]): number {
  const u = (k - j) / (j - i);
  const dx = c.x - b.x - u * (b.x - a.x);
  const dy = c.y - b.y - u * (b.y - a.y);
  return (dx * dx + dy * dy) / Math.max(1, k - j) ** 2;
}

/** Where a point was, at which frame, and how sure that is (0 to 1). */
export interface Sighting extends Position {
  readonly frame: number;
  readonly sure: number;
}

/** One of two alternatives at a frame: where it has each point, or null where it does not know; and what it costs. */
export interface Alternative {
  readonly points: readonly (Sighting | null)[];
  readonly cost: number;
}

/** Choices in a row that a path is told apart by; paths that differ only before them are compared, and one is left. */
const REMEMBERED = 4;

interface Chosen {
  readonly choice: 0 | 1;
  readonly before: Chosen | null;
}

interface Path {
  readonly cost: number;
  readonly chosen: Chosen | null;
  /** The last two sightings of each point along this path. */
  readonly last: readonly (readonly Sighting[])[];
}

function continued(path: Path, choice: 0 | 1, { points, cost }: Alternative, most: number): Path {
  let total = path.cost + cost;
  const last = path.last.map((before, k) => {
    const now = points[k];
    if (!now) return before;
    const [a, b] = before;
    if (a && b) {
      const bend = bendOf(a, b, now, [a.frame, b.frame, now.frame]);
      total += Math.min(a.sure, b.sure, now.sure) * Math.min(most, bend);
    }
    return [...before.slice(-1), now];
  });
  return { cost: total, chosen: { choice, before: path.chosen }, last };
}

/**
 * Of all ways to choose between two alternatives at every frame, the one by which points move most smoothly. Each point
 * is predicted from the last two places where the path itself has it, so that one that is hidden for some frames is
 * held against where it was before. Paths with the same last four choices compete (Viterbi 1967, with each survivor's
 * own memory: Raheli, Polydoros and Tzou 1995, per-survivor processing).
 * @param frames both alternatives for each frame, in their order
 * @param most no single change of velocity counts more than this, so that one wild point does not decide
 * @returns one choice for each frame
 */
export function smoothestChoice(frames: readonly (readonly [Alternative, Alternative])[], most: number): Uint8Array {
  const nothing: Path = { cost: 0, chosen: null, last: frames[0]?.[0].points.map(() => []) ?? [] };
  let paths = new Map<number, Path>([[0, nothing]]);
  for (const alternatives of frames) {
    const next = new Map<number, Path>();
    for (const [key, path] of paths) {
      for (const choice of [0, 1] as const) {
        const to = ((key << 1) | choice) & ((1 << REMEMBERED) - 1);
        const longer = continued(path, choice, alternatives[choice], most);
        const rival = next.get(to);
        if (!rival || longer.cost < rival.cost) next.set(to, longer);
      }
    }
    paths = next;
  }
  const best = [...paths.values()].reduce((least, path) => (path.cost < least.cost ? path : least));
  const choices: number[] = [];
  for (let chosen = best.chosen; chosen; chosen = chosen.before) choices.push(chosen.choice);
  return Uint8Array.from(choices.reverse());
}
