import type { PointRef } from '../model/quantity';
import { bridgeFrames } from '../signal/dropouts';
import type { FrameSpan } from '../signal/peaks';
import { timeAtFrame } from '../timing/clip-time';
import { lostFromSight } from '../tracks/body-in-picture';
import { isFromDetector } from '../tracks/track';
import { partsOf } from '../trial/places';
import type { Trial } from '../trial/trial';

/** What happened while the performer was lost from sight is not seen, nor just before and after it. */

/**
 * So long before and after a loss points may be mixed up with those of whoever comes between, and a curve that stops
 * there looks as if it turned, seconds (two walkers who cross).
 */
const BESIDE = 0.1;

const known = new WeakMap<Trial['raw'], readonly FrameSpan[]>();

/** Runs of frames, longer than what is bridged, in which the performer is lost from sight. */
export function lossesOf({ raw, times }: Pick<Trial, 'raw' | 'times'>): readonly FrameSpan[] {
  const before = known.get(raw);
  if (before) return before;
  const losses = lostFromSight(raw, bridgeFrames(times));
  known.set(raw, losses);
  return losses;
}

/** Whether points were placed by hand, or followed, through a loss. */
const isPlaced = (trial: Trial, refs: readonly PointRef[], { first, last }: FrameSpan): boolean =>
  refs
    .flatMap((ref) => partsOf(ref, trial.clip.performer, trial.raw))
    .every(({ id }) => {
      const series = trial.raw[id];
      if (!series) return false;
      return series.x
        .subarray(first, last + 1)
        .every((x, k) => !Number.isNaN(x) && !isFromDetector(series.origin[first + k]));
    });

/**
 * How long after (or before) what the points say it may have happened: where the performer is lost so near to a frame
 * position, it may have been at any time until they are seen again.
 * @returns seconds; 0 away from losses
 */
export function unseenTime(trial: Trial, refs: readonly PointRef[], frame: number): number {
  const at = timeAtFrame(trial.times, frame);
  return Math.max(
    0,
    ...lossesOf(trial).flatMap((loss) => {
      const [from, to] = [trial.times[loss.first]!, trial.times[loss.last]!];
      if (at < from - BESIDE || at > to + BESIDE || isPlaced(trial, refs, loss)) return [];
      return [Math.max(at, to) - Math.min(at, from)];
    }),
  );
}

/** Whether the performer is lost from sight at a frame, or so near to it that points may be somebody else's. */
export const isBesideLoss = (trial: Pick<Trial, 'raw' | 'times'>, frame: number): boolean =>
  lossesOf(trial).some(
    ({ first, last }) =>
      trial.times[frame]! > trial.times[first]! - BESIDE && trial.times[frame]! < trial.times[last]! + BESIDE,
  );
