import { format, isValid } from 'date-fns';
import type { Clip, RateChange } from '../../core/model/clip';
import type { Reading } from '../../core/reading';
import { DISPLAY_UNITS, fromSi, inUnit, withMinusSign, type DisplayUnit } from '../../core/units';
import { COVERAGE_95 } from '../../core/statistics/normal';
import { captureRateAt } from '../../core/timing/clip-time';
import { TEXT } from '../../text/components/common';

/** A value in its display unit, without decimals that the error would make meaningless. */
export const inDisplayUnit = (si: number, unit: DisplayUnit): string =>
  inUnit(si, unit).replace(/^-(0(\.0+)?)(?!\d)/, '$1');

export const signed = (si: number, unit: DisplayUnit): string => {
  // Answers by eye have no difference worth a number.
  if (unit === 'answer') return Math.abs(si) < 0.25 ? TEXT.alike : TEXT.notAlike;
  const text = inUnit(Math.abs(si), unit);
  const isZero = Number.parseFloat(text) === 0;
  return `${isZero ? '' : si > 0 ? '+' : '\u2212'}${text}`;
};

export const plusMinus = (halfWidth: number, unit: DisplayUnit): string => {
  if (unit === 'answer') return '';
  const { decimals } = DISPLAY_UNITS[unit];
  return `\u00b1${Math.max(10 ** -decimals, fromSi(halfWidth, unit)).toFixed(decimals)}`;
};

export function readingText(reading: Reading): { value: string; plusMinus: string } {
  if (!reading.measurable) return { value: '\u2013', plusMinus: '' };
  return {
    value: withMinusSign(inDisplayUnit(reading.value, reading.unit)),
    plusMinus: plusMinus(COVERAGE_95 * reading.sd, reading.unit),
  };
}

export const milliseconds = (seconds: number): string => withMinusSign(TEXT.secondsMs(Math.round(seconds * 1000)));
export const signedMilliseconds = (seconds: number): string => signed(seconds, 'ms');

type RatedClip = Pick<Clip, 'captureRate' | 'fileRate' | 'rateChanges'>;
/** A rate, `?` where nobody knows it. */
export const ownRate = (rate: number | null): string => (rate === null ? '?' : String(Number(rate.toFixed(2))));
/** The rate of each stretch, from the first frame on. */
const stretchesOf = (clip: Omit<RatedClip, 'fileRate'>): readonly RateChange[] => [
  { from: 0, captureRate: captureRateAt(clip, 0) },
  ...clip.rateChanges.filter(({ from }) => from > 0),
];

/** The same in words: `30 frames per second, 240 from frame 31, not known from frame 271`. */
export function ratesInWords(clip: Omit<RatedClip, 'fileRate'>): string {
  const [first, ...further] = stretchesOf(clip);
  return [
    first!.captureRate === null
      ? TEXT.framesPerSecondNotKnown
      : TEXT.ownRateFramesPerSecond(ownRate(first!.captureRate)),
    ...further.map((c) =>
      TEXT.rateFromFrame(c.captureRate === null ? TEXT.notKnown : ownRate(c.captureRate), c.from + 1),
    ),
  ].join(', ');
}

/** At how many frames a second a clip was taken, and what its file plays where that differs. */
export function rateText({ fileRate, ...clip }: RatedClip): string {
  const rates = stretchesOf(clip).map(({ captureRate }) => captureRate);
  const [first] = rates;
  const ofFile = first !== null && Math.abs(first! - fileRate) > 0.01 ? TEXT.fileOwnRateS(ownRate(fileRate)) : '';
  return `${rates.map(ownRate).join(', ')}/s${ofFile}`;
}

/** `1 frame`, `12 frames`. */
export const countOf = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;

/** A size as a disk shows it. */
export const megabytes = (bytes: number): string =>
  bytes >= 1e9
    ? TEXT.bytesGb((bytes / 1e9).toFixed(1))
    : bytes >= 1e5
      ? TEXT.bytesMb((bytes / 1e6).toFixed(1))
      : TEXT.ceilKB(Math.ceil(bytes / 1e3));

/** A time of an ISO date with its hour, as it is written on screens. */
export function stampText(iso: string): string {
  const time = new Date(iso);
  return isValid(time) ? format(time, 'd MMM yyyy, HH:mm') : TEXT.noDate;
}

/** An ISO date as it is written on screens. */
export function dayText(on: string, as = 'd MMM yyyy'): string {
  const day = new Date(`${on}T00:00:00`);
  return isValid(day) ? format(day, as) : TEXT.noDate;
}

/** A name as part of a file's name. */
export const fileSafe = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'session';
