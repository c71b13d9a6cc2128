import type { Clip } from '../model/clip';
import { typicalInterval } from '../signal/resample';
import { seconds, type Seconds } from '../units';

type Timed = Pick<Clip, 'frameTimes' | 'fileRate' | 'captureRate'>;

/** Real time passes slower than file time when the camera took more frames per second than the file plays. */
const realPerFile = (clip: Timed): number => clip.fileRate / clip.captureRate;

/** Real time of every frame, from the first frame. */
export function realTimes(clip: Timed): Float64Array {
  const factor = realPerFile(clip) * 1e-6;
  return clip.frameTimes.map((us) => us * factor);
}

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
