import type { Clip } from '../model/clip';
import { realTimes, timeAtFrame } from './clip-time';
import type { TimeMap } from './time-map';

/** How the clock of another camera runs against the first camera's. */
export interface SyncMap extends TimeMap {
  /** Seconds by which the other clip's time is ahead at the first camera's zero. */
  readonly offset: number;
  /** Seconds gained per second of the first camera, 0 where one pair alone says nothing of it. */
  readonly drift: number;
  /** Largest distance of a pair from the line through all, seconds. */
  readonly misfit: number;
}

/** Clocks of cameras differ by far less; more is a wrong pair (common practice). */
const MOST_DRIFT = 0.02;

/**
 * Map from the real time of a trial's first camera to that of another one: the straight line through the instants
 * that are marked in both (least squares; with one pair both run at the same rate, with none both begin together).
 * @param pairs frame positions of the same instant, `own` in the other camera, `other` in the first
 */
export function syncMap(
  first: Clip,
  own: Clip,
  pairs: readonly { readonly own: number; readonly other: number }[],
): SyncMap {
  const firstTimes = realTimes(first);
  const ownTimes = realTimes(own);
  const t = pairs.map((pair) => timeAtFrame(firstTimes, pair.other) as number);
  const u = pairs.map((pair) => timeAtFrame(ownTimes, pair.own) as number);
  const n = pairs.length;
  const meanT = n === 0 ? 0 : t.reduce((sum, v) => sum + v, 0) / n;
  const meanU = n === 0 ? 0 : u.reduce((sum, v) => sum + v, 0) / n;
  const spread = t.reduce((sum, v) => sum + (v - meanT) ** 2, 0);
  const slope = spread > 0 ? t.reduce((sum, v, i) => sum + (v - meanT) * (u[i]! - meanU), 0) / spread : 1;
  const drift = Math.min(MOST_DRIFT, Math.max(-MOST_DRIFT, slope - 1));
  const rate = 1 + drift;
  const map = (time: number): number => meanU + rate * (time - meanT);
  return {
    through: [],
    skipped: [],
    map,
    inverse: (time) => meanT + (time - meanU) / rate,
    rateAt: () => rate,
    offset: map(0),
    drift,
    misfit: t.reduce((most, v, i) => Math.max(most, Math.abs(map(v) - u[i]!)), 0),
  };
}
