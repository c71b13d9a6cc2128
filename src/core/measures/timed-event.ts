import type { Plane, Quantity } from '../model/movement';
import type { Performance } from '../performance/performance';
import type { Reading } from '../reading';
import { UNLISTED } from './common';
import { extreme } from './extreme';
import { peakRate } from './peak-rate';

export type TimedEvent = 'peak-rate' | 'largest' | 'smallest';

/** When an event of a quantity comes in a phase, from its beginning. */
export function timeOfEvent(
  of: Quantity,
  event: TimedEvent,
  { from, to, plane }: { readonly from: string; readonly to: string; readonly plane: Plane },
  performance: Performance,
): Reading {
  const common = { ...UNLISTED, plane, of, from, to, give: 'time', lengthIn: '%BH' } as const;
  return event === 'peak-rate'
    ? peakRate.evaluate({ ...common, kind: 'peak-rate', direction: 'either' }, performance)
    : extreme.evaluate({ ...common, kind: 'extreme', which: event }, performance);
}
