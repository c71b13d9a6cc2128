import type { Movement } from '../src/core/model/movement';
import type { Session } from '../src/core/model/session';
import { markByHand } from '../src/core/trial/key-events';

type Marks = Session['marks'][string];

/** What a person marks for an instant: the first whole frame after it, the last one before it, or the nearest. */
const WHOLE = { first: Math.ceil, last: Math.floor, nearest: Math.round } as const;

/** Moments on whole frames, as a person marks them. */
export const marked = (
  movement: Movement,
  moments: Readonly<Record<string, number>>,
  rate: number,
  last: number,
): Marks =>
  Object.fromEntries(
    Object.entries(moments).map(([id, time]) => {
      const as = movement.moments.find((m) => m.id === id)?.frame ?? 'nearest';
      return [id, markByHand(Math.max(0, Math.min(last, WHOLE[as](time * rate))), as)];
    }),
  );
