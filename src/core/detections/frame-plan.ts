import type { PointId } from '../anatomy/body-points';
import { typicalInterval } from '../signal/resample';
import { bodyHeightPixels } from '../tracks/point-error';
import type { Track } from '../tracks/track';
import { interpolationResiduals } from './fill-between';

/**
 * People move so slowly that a joint detected this often is interpolated as well as it is detected, but where a limb
 * is fast, seconds.
 */
const OFTEN_ENOUGH = 0.034;
/** The first pass is so many times as coarse: a first answer, from which key events are proposed. */
const COARSE = 2;
/**
 * A joint that lies farther than this from where its neighbours put it moves too fast, or was detected wrongly: the
 * frames beside it are detected too. Share of standing height (chosen on nine clips of `npm run bench points`, and held
 * against others there).
 */
const TOO_FAR = 0.07;
/**
 * Round a key event frames are detected so far and so close, seconds: when a foot lands or leaves is fitted to those
 * that were detected.
 */
const ROUND_EVENTS = { reach: 0.025, apart: 0.0085 };
/** Joints that say how fast a limb is; feet are detected with more noise than they tell by. */
const LIMBS = ['shoulder', 'elbow', 'wrist', 'hip', 'knee', 'ankle'].flatMap((joint): PointId[] => [
  `left-${joint}` as PointId,
  `right-${joint}` as PointId,
]);
/** Seconds before the first and after the last key event that are refined, too. */
const BESIDE_EVENTS = 0.1;

/** What is known of a clip so far. */
export interface KnownSoFar {
  readonly track: Track;
  /** Key events, as far as they are marked or proposed, frame positions; none where nothing is known of them. */
  readonly events: readonly number[];
}

/** Which frames of a clip are detected, and in which order. */
export interface FramePlan {
  /** The frames to detect next, increasing; none when enough are known. */
  readonly next: (known: KnownSoFar | null) => readonly number[];
  /** How many frames it will be in all, roughly. */
  readonly expected: number;
}

/** How many frames there are from one detected frame to the next, at the usual distance. */
export const detectionStep = (times: Float64Array): number =>
  Math.max(1, Math.floor(OFTEN_ENOUGH / typicalInterval(times) + 0.01)) || 1;

/** Share of the frames at the usual distance that are detected in addition, roughly. */
const MORE = 0.3;

/**
 * Detects a clip coarsely first, then round the key events, then as densely as people usually need, then where that is
 * not enough, half by half.
 * @param times real seconds of every frame
 * @param detected frames that were detected in an earlier run and are not asked for again
 */
export function framePlan(times: Float64Array, detected: Iterable<number> = []): FramePlan {
  const step = detectionStep(times);
  const interval = typicalInterval(times);
  const roundEvent = (event: number): number[] => {
    const stride = Math.max(1, Math.floor(ROUND_EVENTS.apart / interval + 0.01)) || 1;
    const reach = Math.max(1, Math.round(ROUND_EVENTS.reach / (stride * interval))) || 1;
    return Array.from({ length: 2 * reach + 1 }, (_, k) => Math.round(event) + stride * (k - reach));
  };
  const asked = new Set(detected);
  const take = (frames: Iterable<number>): readonly number[] => {
    const fresh = [...new Set(frames)].filter((i) => i >= 0 && i < times.length && !asked.has(i));
    for (const i of fresh) asked.add(i);
    return fresh.sort((a, b) => a - b);
  };
  const every = (stride: number): number[] => {
    const frames = Array.from({ length: Math.ceil(times.length / stride) }, (_, k) => k * stride);
    return times.length > 0 ? [...frames, times.length - 1] : frames;
  };
  const stages: ((known: KnownSoFar) => Iterable<number>)[] = [
    ({ events }) => events.flatMap(roundEvent),
    () => every(step),
  ];
  return {
    expected: Math.min(times.length, Math.round((times.length / step) * (step === 1 ? 1 : 1 + MORE))),
    next: (known) => {
      if (!known) return take(every(step === 1 ? 1 : COARSE * step));
      for (let stage = stages.shift(); stage; stage = stages.shift()) {
        const frames = take(stage(known));
        if (frames.length > 0) return frames;
      }
      // Proposals get better with the points: what they are round now may not have been looked at.
      return take([
        ...known.events.flatMap(roundEvent),
        ...between(
          known,
          [...asked].sort((a, b) => a - b),
          times,
        ),
      ]);
    },
  };
}

/** The middles of the stretches between detected frames over which some joint cannot be interpolated. */
function between({ track, events }: KnownSoFar, frames: readonly number[], times: Float64Array): readonly number[] {
  const height = bodyHeightPixels(track);
  if (Number.isNaN(height)) return [];
  const timeOf = (frame: number): number => times[Math.min(times.length - 1, Math.max(0, Math.round(frame)))]!;
  const from = events.length < 2 ? -Infinity : timeOf(Math.min(...events)) - BESIDE_EVENTS;
  const to = events.length < 2 ? Infinity : timeOf(Math.max(...events)) + BESIDE_EVENTS;
  const rough = new Uint8Array(frames.length);
  for (const id of LIMBS) {
    const series = track[id];
    if (!series) continue;
    interpolationResiduals(series, frames, times).forEach((away, k) => {
      const inside = k >= 2 && k < frames.length - 2;
      if (inside && !(away <= TOO_FAR * height)) rough[k] = 1;
    });
  }
  return frames.flatMap((a, k) => {
    const b = frames[k + 1];
    if (b === undefined || b - a < 2 || times[b]! < from || times[a]! > to) return [];
    return rough[k] || rough[k + 1] ? [(a + b) >> 1] : [];
  });
}
