import type { Measured } from '../reading';
import type { DisplayUnit } from '../units';

interface Usual {
  /** SI. */
  readonly sd: number;
  /** Share of the value, where performers differ in proportion. */
  readonly share: number;
}

/**
 * How much one performer differs from attempt to attempt where there are too few attempts to tell (common practice:
 * some degrees in a joint angle, one or two hundredths of a second in a phase, some per cent of a speed or rate).
 */
const USUAL: Readonly<Record<DisplayUnit, Usual>> = {
  deg: { sd: (3 * Math.PI) / 180, share: 0 },
  ms: { sd: 0.012, share: 0.03 },
  s: { sd: 0.012, share: 0.01 },
  '%': { sd: 0.02, share: 0 },
  m: { sd: 0.03, share: 0.02 },
  '%BH': { sd: 0.015, share: 0.02 },
  'm/s': { sd: 0, share: 0.04 },
  'BH/s': { sd: 0, share: 0.04 },
  'deg/s': { sd: 0, share: 0.08 },
  '/min': { sd: 0, share: 0.02 },
  n: { sd: 0.5, share: 0 },
  answer: { sd: 0.2, share: 0 },
};

/** Fewer attempts than this say nothing of how much they differ. */
export const LEAST_ATTEMPTS = 3;

/** The usual deviation of one attempt from a performer's own mean, SI. */
export const usualTrialSd = ({ value, unit }: Pick<Measured, 'value' | 'unit'>): number =>
  Math.hypot(USUAL[unit].sd, USUAL[unit].share * value);
