import { frameAtTime, timeAtFrame } from '../timing/clip-time';

/** Speed of sound in dry air at 20 degrees Celsius, metres a second (ISO 9613-1: 343.2). */
const SPEED_OF_SOUND = 343.2;

/** How long sound is on its way, seconds; 2.9 ms a metre. A degree more or less changes it by 0.2 %. */
export const soundDelay = (metres: number): number => metres / SPEED_OF_SOUND;

/** A clip whose sound runs in real time. */
export interface HeardClip {
  /** Real time of every frame, seconds. */
  readonly times: Float64Array;
  /** How far its microphone is from what is heard, metres; null where nobody said so, and it counts as none. */
  readonly metres: number | null;
}

/** Frame position, inside the clip, at which something came that is heard at a time. */
export function frameOfSound(times: Float64Array, heardAt: number, metres: number | null): number {
  const frame = frameAtTime(times, heardAt - soundDelay(metres ?? 0));
  return Math.min(times.length - 1, Math.max(0, frame));
}

/**
 * Frame positions of one instant in two cameras that heard the same.
 * @param later seconds by which a sound comes later on `own`'s clock than on `first`'s
 * @returns null where they have no time in common
 */
export function pairBySound(
  first: HeardClip,
  own: HeardClip,
  later: number,
): { readonly own: number; readonly other: number } | null {
  const offset = later - soundDelay((own.metres ?? 0) - (first.metres ?? 0));
  const [lastFirst, lastOwn] = [first.times, own.times].map((times) => times[times.length - 1]!) as [number, number];
  const [from, to] = [Math.max(0, -offset), Math.min(lastFirst, lastOwn - offset)];
  if (!(to > from)) return null;
  // A whole frame of the first camera, in the middle of what both film.
  const other = Math.round(frameAtTime(first.times, (from + to) / 2));
  return { own: frameAtTime(own.times, timeAtFrame(first.times, other) + offset), other };
}
