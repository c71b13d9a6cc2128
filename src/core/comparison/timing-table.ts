import { compareMeasure } from './compare';
import { UNLISTED } from '../measures/common';
import { durationBetween } from '../measures/duration';
import type { Movement } from '../model/movement';
import type { Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { mainViews, readSide, type Side } from './side';

export interface PhaseTime {
  /** Seconds. */
  readonly duration: number;
  /** Of the time from the first to the last moment of all phases, 0..1; null while one of those is missing. */
  readonly share: number | null;
  /** Half width of the 95 % interval of the duration, seconds. */
  readonly plusMinus: number;
}

export interface TimingRow {
  readonly phase: Movement['phases'][number];
  readonly athlete: PhaseTime | null;
  readonly reference: PhaseTime | null;
  /** Athlete minus reference, seconds, and half its 95 % interval. */
  readonly difference: number | null;
  readonly plusMinus: number | null;
}

const timeOf = (duration: Reading, share: Reading): PhaseTime | null =>
  duration.measurable
    ? { duration: duration.value, share: share.measurable ? share.value : null, plusMinus: COVERAGE_95 * duration.sd }
    : null;

/** Every phase of both sides: how long, what share, and how sure that is; of several trials the mean. */
export function timingTable(movement: Movement, athlete: Side, reference: Side): readonly TimingRow[] {
  const whole: [string, string] = [movement.moments[0]!.id, movement.moments.at(-1)!.id];
  const [a, r] = [mainViews(athlete), mainViews(reference)];
  return movement.phases.map((phase) => {
    const times = compareMeasure(durationBetween(phase.from, phase.to), a, r);
    const share = (side: Side): Reading =>
      readSide({ ...UNLISTED, kind: 'share', from: phase.from, to: phase.to, whole }, side).reading;
    return {
      phase,
      athlete: timeOf(times.athlete, share(a)),
      reference: timeOf(times.reference, share(r)),
      difference: times.difference,
      plusMinus: times.plusMinus,
    };
  });
}
