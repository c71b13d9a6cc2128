import { fail, ok, type Issue, type Result } from '../result';
import { TEXT } from '../../text/core/timing';

/** How the second clip follows the first. */
export type MatchMode = 'locked' | 'matched' | 'offset' | 'free';

/** Real time of each marked moment in one clip. */
export type EventTimes = Readonly<Record<string, number>>;

/** A monotone map from the real time of one clip to the real time of another, with the local ratio of rates. */
export interface TimeMap {
  /** Moments that the map runs through. */
  readonly through: readonly string[];
  /** Moments marked in only one of the clips. */
  readonly skipped: readonly string[];
  readonly map: (time: number) => number;
  readonly inverse: (time: number) => number;
  /** Seconds of the second clip that pass for one second of the first. */
  readonly rateAt: (time: number) => number;
}

type MapIssue = Issue<'no-common-moment' | 'moments-out-of-order'>;

function piecewise(from: readonly number[], to: readonly number[]): (time: number) => number {
  return (time) => {
    const last = from.length - 1;
    if (time <= from[0]!) return to[0]! + (time - from[0]!);
    if (time >= from[last]!) return to[last]! + (time - from[last]!);
    let i = 0;
    while (from[i + 1]! < time) i++;
    return to[i]! + ((time - from[i]!) * (to[i + 1]! - to[i]!)) / (from[i + 1]! - from[i]!);
  };
}

/** A moment in the movement's order. */
export interface OrderedEvent {
  readonly id: string;
  /** It may change places with a neighbour. */
  readonly eitherOrder?: boolean;
}

/**
 * The moments that all have, in their order; one that may change places with a neighbour is left out where one has it
 * there, so that matched time does not run back.
 */
export const commonOrder = (order: readonly OrderedEvent[], all: readonly EventTimes[]): readonly string[] =>
  order
    .filter(({ id, eitherOrder }, i) => {
      const [before, next] = [order[i - 1]?.id ?? '', order[i + 1]?.id ?? ''];
      const elsewhere = (times: EventTimes): boolean =>
        !((times[before] ?? -Infinity) < times[id]! && times[id]! < (times[next] ?? Infinity));
      return all.every((times) => id in times) && !(eitherOrder && all.some(elsewhere));
    })
    .map(({ id }) => id);

/**
 * Matched in every phase: straight lines between the moments that both clips have, real time outside them.
 * @param order the movement's moments in their order
 * @param names what the movement calls them
 * @returns an issue that names the moment when a clip has them in another order than the movement
 */
export function matchedMap(
  order: readonly OrderedEvent[],
  first: EventTimes,
  second: EventTimes,
  names: Readonly<Record<string, string>> = {},
): Result<TimeMap, MapIssue> {
  const through = commonOrder(order, [first, second]);
  const skipped = order.map(({ id }) => id).filter((id) => id in first !== id in second);
  if (through.length === 0) {
    return fail('no-common-moment', TEXT.noMomentIsMarked);
  }
  const called = (i: number): string => `\u201c${names[through[i]!] ?? through[i]}\u201d`;
  for (const times of [first, second]) {
    for (let i = 1; i < through.length; i++) {
      if (times[through[i]!]! <= times[through[i - 1]!]!) {
        return fail(
          'moments-out-of-order',
          TEXT.isMarkedAtSNot(
            called(i),
            times[through[i]!]!.toFixed(3),
            called(i - 1),
            times[through[i - 1]!]!.toFixed(3),
          ),
        );
      }
    }
  }
  const a = through.map((id) => first[id]!);
  const b = through.map((id) => second[id]!);
  const rateAt = (time: number): number => {
    for (let i = 1; i < a.length; i++) {
      if (time >= a[i - 1]! && time < a[i]!) return (b[i]! - b[i - 1]!) / (a[i]! - a[i - 1]!);
    }
    return 1;
  };
  return ok({ through, skipped, map: piecewise(a, b), inverse: piecewise(b, a), rateAt });
}

/** Locked at a moment: both run in real time and are together at that one moment. */
export function lockedMap(moment: string, first: EventTimes, second: EventTimes): Result<TimeMap, MapIssue> {
  const a = first[moment];
  const b = second[moment];
  if (a === undefined || b === undefined) {
    return fail('no-common-moment', TEXT.isNotMarkedInBoth(moment));
  }
  return ok({ through: [moment], skipped: [], map: (t) => t - a + b, inverse: (t) => t - b + a, rateAt: () => 1 });
}

/** Locked as they stand: both run in real time, the second clip ahead by a fixed time (seconds) of its own clock. */
export const offsetMap = (offset: number): TimeMap => ({
  through: [],
  skipped: [],
  map: (t) => t + offset,
  inverse: (t) => t - offset,
  rateAt: () => 1,
});

/** Both clips on one clock. */
export const SAME_TIME: TimeMap = offsetMap(0);

/** One map after another: first to second to third. */
export const chain = (first: TimeMap, second: TimeMap): TimeMap => ({
  through: first.through,
  skipped: first.skipped,
  map: (t) => second.map(first.map(t)),
  inverse: (t) => first.inverse(second.inverse(t)),
  rateAt: (t) => first.rateAt(t) * second.rateAt(first.map(t)),
});
