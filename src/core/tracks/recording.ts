/** One named marker through a recording; NaN where it was not seen. */
export interface Marker {
  readonly name: string;
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Null in a recording of a flat picture. */
  readonly z: Float64Array | null;
  /** How sure a detector is of it, 0 to 1; NaN where something else placed it, left out where that is everywhere. */
  readonly confidence?: Float64Array;
}

export const LENGTH_UNITS = { m: 1, cm: 0.01, mm: 0.001, in: 0.0254, px: null, unknown: null } as const;
export type LengthUnit = keyof typeof LENGTH_UNITS;
export const isLengthUnit = (word: string): word is LengthUnit => Object.hasOwn(LENGTH_UNITS, word);

/** Points of one subject from elsewhere: motion capture, another program, a spreadsheet. */
export interface Recording {
  /** Subject's name, where the file gives one. */
  readonly name: string;
  /** Samples per second. */
  readonly rate: number;
  readonly unit: LengthUnit;
  /** Axis that points up (for a flat picture, y points down). */
  readonly up: 'y' | 'z';
  readonly markers: readonly Marker[];
}

/** Frames per second from an interval that a file has rounded: 1 / 0.0083333 is 120. */
export function rateOfInterval(seconds: number): number {
  const rate = 1 / seconds;
  const whole = Math.round(rate);
  return Math.abs(rate - whole) < ROUNDED * rate ? whole : rate;
}
/** Intervals have four digits or more. */
const ROUNDED = 1e-5;

export const framesOf = (recording: Recording): number => recording.markers[0]?.x.length ?? 0;

/** The frames from one to another of a recording, both included. */
export function cutRecording(
  recording: Recording,
  { first, last }: { readonly first: number; readonly last: number },
): Recording {
  const cut = (values: Float64Array): Float64Array => values.slice(first, last + 1);
  return {
    ...recording,
    markers: recording.markers.map((m) => ({
      name: m.name,
      x: cut(m.x),
      y: cut(m.y),
      z: m.z && cut(m.z),
      ...(m.confidence ? { confidence: cut(m.confidence) } : {}),
    })),
  };
}

export function emptyMarker(name: string, frames: number, spatial: boolean): Marker {
  const missing = (): Float64Array => new Float64Array(frames).fill(NaN);
  return { name, x: missing(), y: missing(), z: spatial ? missing() : null };
}
