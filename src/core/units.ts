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

/** Units in which movements state targets and screens show values; inside the core all is SI. */
export type DisplayUnit = 'deg' | 'ms' | '%';

const TO_SI: Readonly<Record<DisplayUnit, number>> = { deg: Math.PI / 180, ms: 1e-3, '%': 1e-2 };

/** Radians, seconds or a plain ratio from degrees, milliseconds or percent. */
export const toSi = (value: number, unit: DisplayUnit): number => value * TO_SI[unit];
export const fromSi = (value: number, unit: DisplayUnit): number => value / TO_SI[unit];
