import type { Movement } from '../model/movement';
import type { Performance } from '../performance/performance';
import { timeAtFrame } from '../timing/clip-time';
import { COVERAGE_95 } from '../uncertainty/normal';
import { durationDifferenceSd, durationSd } from '../uncertainty/event-time';

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

function phaseTime(phase: Movement['phases'][number], whole: readonly [string, string], performance: Performance): PhaseTime | null {
  const at = (id: string): number | null => {
    const frame = performance.marks[id];
    return frame === undefined ? null : timeAtFrame(performance.times, frame);
  };
  const from = at(phase.from);
  const to = at(phase.to);
  if (from === null || to === null) return null;
  const first = at(whole[0]);
  const last = at(whole[1]);
  return {
    duration: to - from,
    share: first === null || last === null || last <= first ? null : (to - from) / (last - first),
    plusMinus: COVERAGE_95 * durationSd(performance.interval),
  };
}

/** Every phase in both clips: how long, what share, and how sure that is given the frame rates. */
export function timingTable(movement: Movement, athlete: Performance, reference: Performance): readonly TimingRow[] {
  const whole = [movement.moments[0]!.id, movement.moments[movement.moments.length - 1]!.id] as const;
  return movement.phases.map((phase) => {
    const a = phaseTime(phase, whole, athlete);
    const r = phaseTime(phase, whole, reference);
    return {
      phase,
      athlete: a,
      reference: r,
      difference: a && r ? a.duration - r.duration : null,
      plusMinus: a && r ? COVERAGE_95 * durationDifferenceSd(athlete.interval, reference.interval) : null,
    };
  });
}
