/** Three frames of a chain, with the choice (0 or 1) made at each. */
export interface ChoiceStep {
  readonly frames: readonly [number, number, number];
  readonly choices: readonly [number, number, number];
}

export interface ChoiceProblem {
  /** Frames at which there is something to choose by, increasing. */
  readonly frames: readonly number[];
  /** Cost of making a choice at a frame. */
  readonly cost: (frame: number, choice: number) => number;
  /** Cost of the change of velocity that three choices in a row make. */
  readonly bend: (step: ChoiceStep) => number;
}

/**
 * Of all ways to choose between two alternatives at every frame, the one with the least total cost (Viterbi 1967, with
 * the last two choices as state).
 * @returns one choice for each of the frames given
 */
export function smoothestChoice({ frames, cost, bend }: ChoiceProblem): Uint8Array {
  const choices = new Uint8Array(frames.length);
  if (frames.length < 3) return choices.map((_, n) => (cost(frames[n]!, 1) < cost(frames[n]!, 0) ? 1 : 0));
  // State: the choices of the last two frames, coded as 2 * before + now.
  let costs = [0, 1, 2, 3].map((s) => cost(frames[0]!, s >> 1) + cost(frames[1]!, s & 1));
  const back: Uint8Array[] = [];
  for (let n = 2; n < frames.length; n++) {
    const at = [frames[n - 2]!, frames[n - 1]!, frames[n]!] as const;
    const next = new Array<number>(4).fill(Infinity);
    const from = new Uint8Array(4);
    for (let s = 0; s < 4; s++) {
      for (const now of [0, 1]) {
        const to = ((s & 1) << 1) | now;
        const total = costs[s]! + cost(at[2], now) + bend({ frames: at, choices: [s >> 1, s & 1, now] });
        if (total < next[to]!) {
          next[to] = total;
          from[to] = s;
        }
      }
    }
    costs = next;
    back.push(from);
  }
  let state = costs.indexOf(Math.min(...costs));
  for (let n = frames.length - 1; n >= 2; n--) {
    choices[n] = state & 1;
    state = back[n - 2]![state]!;
  }
  choices[1] = state & 1;
  choices[0] = state >> 1;
  return choices;
}

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
