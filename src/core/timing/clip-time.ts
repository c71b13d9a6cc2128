import type { Clip } from '../model/clip';
import { typicalInterval } from '../signal/resample';
import { seconds, type Seconds } from '../units';

type Timed = Pick<Clip, 'frameTimes' | 'fileRate' | 'captureRate'> & Partial<Pick<Clip, 'rateChanges'>>;

/** Frames per second as the camera took them at a frame; null where nobody knows. */
export function captureRateAt(
  { captureRate, rateChanges = [] }: Omit<Timed, 'frameTimes' | 'fileRate'>,
  frame: number,
): number | null {
  const last = rateChanges.findLast(({ from }) => from <= frame);
  return last ? last.captureRate : captureRate;
}

/**
 * The rates of a clip whose first frames were taken at another rate, null where nobody knows: what was the clip's then
 * stands for it. Changes after the first frame stay.
 */
export const withFirstRate = (
  { captureRate, rateChanges }: Pick<Clip, 'captureRate' | 'rateChanges'>,
  rate: number | null,
): Pick<Clip, 'captureRate' | 'rateChanges'> => ({
  captureRate: rate ?? captureRate,
  rateChanges: [
    ...(rate === null ? [{ from: 0, captureRate: null }] : []),
    ...rateChanges.filter(({ from }) => from > 0),
  ],
});

/**
 * Real time of every frame, from the first frame. It passes slower than file time where the camera took more frames per
 * second than the file plays; a frame is shown until the next, so that its own rate says how long. Where the rate is
 * not known it is taken as the clip's first.
 */
export function realTimes(clip: Timed): Float64Array {
  const { frameTimes, fileRate, captureRate, rateChanges = [] } = clip;
  const starts = [{ from: 0, captureRate }, ...rateChanges];
  const out = new Float64Array(frameTimes.length);
  starts.forEach(({ from, captureRate: own }, k) => {
    const perFile = (fileRate / (own ?? captureRate)) * 1e-6;
    const until = Math.min(frameTimes.length - 1, starts[k + 1]?.from ?? Infinity);
    for (let i = from + 1; i <= until; i++) out[i] = out[from]! + (frameTimes[i]! - frameTimes[from]!) * perFile;
    if (from === 0) out[0] = frameTimes[0]! * perFile;
  });
  return out;
}

/** Frames between which the time is not known, because nobody knows the capture rate there. */
export const unknownTimes = ({
  captureRate,
  rateChanges = [],
  frameTimes,
}: Timed): readonly (readonly [number, number])[] =>
  [{ from: 0, captureRate }, ...rateChanges].flatMap(({ from, captureRate: own }, k): [number, number][] =>
    own === null ? [[from, rateChanges[k]?.from ?? frameTimes.length - 1]] : [],
  );

/** Real interval of every frame to the next where the rate changes within the clip; null where it is one throughout. */
export const intervalsOf = (clip: Timed): Float64Array | null =>
  (clip.rateChanges ?? []).length === 0
    ? null
    : clip.frameTimes.map((_, frame) => 1 / (captureRateAt(clip, frame) ?? clip.captureRate));

/** Usual real interval between frames at a frame position. */
export const intervalAt = (
  { interval, intervals }: { readonly interval: number; readonly intervals?: Float64Array | undefined },
  frame: number,
): number => intervals?.[Math.min(intervals.length - 1, Math.max(0, Math.floor(frame)))] ?? interval;

/** Real time at a frame position; outside the clip the edge interval continues. */
export function timeAtFrame(times: Float64Array, frame: number): Seconds {
  const last = times.length - 1;
  if (last < 1) return seconds(times[0] ?? 0);
  const i = Math.min(last - 1, Math.max(0, Math.floor(frame)));
  return seconds(times[i]! + (frame - i) * (times[i + 1]! - times[i]!));
}

/** Frame position (fractional) at a real time; outside the clip the edge interval continues. */
export function frameAtTime(times: Float64Array, time: number): number {
  const last = times.length - 1;
  if (last < 1) return 0;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (times[middle]! <= time) low = middle;
    else high = middle;
  }
  return low + (time - times[low]!) / (times[high]! - times[low]!);
}

/** The whole frame nearest in time, inside the clip. */
export function nearestFrame(times: Float64Array, time: number): number {
  const position = frameAtTime(times, time);
  const low = Math.min(times.length - 1, Math.max(0, Math.floor(position)));
  const high = Math.min(times.length - 1, low + 1);
  return Math.abs(times[high]! - time) < Math.abs(time - times[low]!) ? high : low;
}

/** Typical real interval between frames, the unit of timing error; of a single picture what its camera says. */
export function frameInterval(clip: Timed): Seconds {
  const typical = typicalInterval(realTimes(clip));
  return seconds(Number.isFinite(typical) ? typical : 1 / clip.captureRate);
}
