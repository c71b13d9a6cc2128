import type { Plane } from '../model/measure';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
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
  trial: Trial,
): Reading {
  const common = { ...UNLISTED, plane, of, from, to, output: 'time', lengthIn: '%BH' } as const;
  return event === 'peak-rate'
    ? peakRate.evaluate({ ...common, kind: 'peak-rate', direction: 'either' }, trial)
    : extreme.evaluate({ ...common, kind: 'extreme', which: event }, trial);
}
