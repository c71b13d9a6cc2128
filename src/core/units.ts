declare const brand: unique symbol;
type Brand<T, Name extends string> = T & { readonly [brand]: Name };

/** Seconds of real time unless a name says *file time*. */
export type Seconds = Brand<number, 'Seconds'>;
export type Microseconds = Brand<number, 'Microseconds'>;
export type Radians = Brand<number, 'Radians'>;
/** Position of a frame in presentation order; fractions lie between two frames. */
export type FrameIndex = Brand<number, 'FrameIndex'>;

export const seconds = (value: number): Seconds => value as Seconds;
export const microseconds = (value: number): Microseconds => value as Microseconds;
export const radians = (value: number): Radians => value as Radians;

interface UnitOfDisplay {
  readonly toSi: number;
  readonly suffix: string;
  readonly decimals: number;
}

/**
 * Units in which movements state targets and screens show values. Inside the core all is SI; a length or speed without
 * a scale is in standing heights, which are their own SI here.
 */
export const DISPLAY_UNITS = {
  deg: { toSi: Math.PI / 180, suffix: '\u00b0', decimals: 0 },
  s: { toSi: 1, suffix: ' s', decimals: 2 },
  n: { toSi: 1, suffix: '', decimals: 0 },
  ms: { toSi: 1e-3, suffix: ' ms', decimals: 0 },
  '%': { toSi: 1e-2, suffix: ' %', decimals: 0 },
  m: { toSi: 1, suffix: ' m', decimals: 2 },
  '%BH': { toSi: 1e-2, suffix: ' %ht', decimals: 0 },
  'm/s': { toSi: 1, suffix: ' m/s', decimals: 1 },
  'BH/s': { toSi: 1, suffix: ' ht/s', decimals: 1 },
  'deg/s': { toSi: Math.PI / 180, suffix: '\u00b0/s', decimals: 0 },
  /** An answer by eye: 1 is yes, a half partly, 0 no. */
  answer: { toSi: 1, suffix: '', decimals: 1 },
  '/min': { toSi: 1 / 60, suffix: ' /min', decimals: 0 },
} as const satisfies Readonly<Record<string, UnitOfDisplay>>;
export type DisplayUnit = keyof typeof DISPLAY_UNITS;

/** SI (radians, seconds, ratio, metres or standing heights) from a display unit, and back. */
export const toSi = (value: number, unit: DisplayUnit): number => value * DISPLAY_UNITS[unit].toSi;
export const fromSi = (value: number, unit: DisplayUnit): number => value / DISPLAY_UNITS[unit].toSi;

/**
 * Differences that matter in practice where a target states no width, SI: the same for a length in metres and in
 * heights, a time in s and in ms (common practice).
 */
const USUAL_TOLERANCE: Readonly<Record<DisplayUnit, number>> = {
  deg: Math.PI / 36,
  s: 0.02,
  ms: 0.02,
  n: 1,
  '%': 0.05,
  m: 0.05,
  '%BH': 0.03,
  'm/s': 0.35,
  'BH/s': 0.2,
  'deg/s': (50 * Math.PI) / 180,
  answer: 0.25,
  '/min': 5 / 60,
};
export const usualTolerance = (unit: DisplayUnit): number => USUAL_TOLERANCE[unit];

/** The answer that a value stands for. */
const answerText = (value: number): string => (value >= 0.75 ? 'yes' : value >= 0.25 ? 'partly' : 'no');

/** A number as text, with a minus sign in place of a hyphen before it. */
export const withMinusSign = (text: string): string => text.replace(/^-/, '\u2212');

/** A value in its display unit with so many decimals as its kind is known to; `more` adds some. */
export const inUnit = (si: number, unit: DisplayUnit, more = 0): string =>
  unit === 'answer'
    ? answerText(si)
    : `${fromSi(si, unit).toFixed(DISPLAY_UNITS[unit].decimals + more)}${DISPLAY_UNITS[unit].suffix}`;
