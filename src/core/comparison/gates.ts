import { compareMeasure } from './compare';
import { durationBetween } from '../measures/duration';
import type { Movement } from '../model/movement';
import type { Measured } from '../reading';
import { mainViews, type Side } from './side';

/** One gate of a course (a moment of the movement), against the reference. Seconds. */
export interface Gate {
  readonly eventId: string;
  readonly name: string;
  /** From the first common moment. */
  readonly athlete: number;
  readonly reference: number;
  /** Behind the reference so far: positive is slower. */
  readonly behind: number;
  /** Lost since the gate before: positive is lost, negative gained. */
  readonly lost: number;
  /** Half of the 95 % interval of both. */
  readonly plusMinus: number;
}

/**
 * Times at every moment that all trials have, from the first of them, with the running gain or loss; of several
 * trials the mean.
 */
export function gatesOf(movement: Movement, athlete: Side, reference: Side): readonly Gate[] {
  const [a, r] = [mainViews(athlete), mainViews(reference)];
  const common = movement.moments.filter((m) => [...a, ...r].every(([p]) => p!.marks[m.id] !== undefined));
  const [start] = common;
  if (!start || common.length < 2 || a.length === 0 || r.length === 0) return [];
  let before = 0;
  return common.map((m) => {
    const time = compareMeasure(durationBetween(start.id, m.id), a, r);
    const behind = time.difference!;
    const gate = {
      eventId: m.id,
      name: m.name,
      athlete: (time.athlete as Measured).value,
      reference: (time.reference as Measured).value,
      behind,
      lost: behind - before,
      plusMinus: m === start ? 0 : time.plusMinus!,
    };
    before = behind;
    return gate;
  });
}
