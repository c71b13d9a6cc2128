import type { Reading } from '../../core/reading';
import { fromSi, type DisplayUnit } from '../../core/units';
import { COVERAGE_95 } from '../../core/uncertainty/normal';

const SUFFIX: Readonly<Record<DisplayUnit, string>> = { deg: '\u00b0', ms: ' ms', '%': ' %' };

/** A value in its display unit, without decimals that the error would make meaningless. */
export const inDisplayUnit = (si: number, unit: DisplayUnit): string => `${Math.round(fromSi(si, unit))}${SUFFIX[unit]}`;

export const signed = (si: number, unit: DisplayUnit): string => {
  const rounded = Math.round(fromSi(si, unit));
  return `${rounded > 0 ? '+' : rounded < 0 ? '\u2212' : ''}${Math.abs(rounded)}${SUFFIX[unit]}`;
};

export const plusMinus = (halfWidth: number, unit: DisplayUnit): string => `\u00b1${Math.max(1, Math.round(fromSi(halfWidth, unit)))}`;

export function readingText(reading: Reading): { value: string; plusMinus: string } {
  if (!reading.measurable) return { value: '\u2013', plusMinus: '' };
  return {
    value: inDisplayUnit(reading.value, reading.unit).replace('-', '\u2212'),
    plusMinus: plusMinus(COVERAGE_95 * reading.sd, reading.unit),
  };
}

export const milliseconds = (seconds: number): string => `${Math.round(seconds * 1000)} ms`;
export const signedMilliseconds = (seconds: number): string => signed(seconds, 'ms');

/** At how many frames a second a clip was taken, and what its file plays where that differs. */
export const rateText = ({ captureRate, fileRate }: { readonly captureRate: number; readonly fileRate: number }): string =>
  `${Number(captureRate.toFixed(2))}/s${Math.abs(captureRate - fileRate) > 0.01 ? ` (file ${Number(fileRate.toFixed(2))}/s)` : ''}`;
