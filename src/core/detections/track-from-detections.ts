import type { PointId } from '../anatomy/body-points';
import { mendExchangeJumps } from './exchange-jumps';
import { steadyHips } from './steady-hips';
import { agreedLimbs, resolveDetections, type Detections } from './fuse-detections';
import { withoutImpossible, withoutStrangers } from './plausible';
import { repairSideSwaps } from './side-swaps';
import { fillBetween } from './fill-between';
import type { DetectorSetting } from '../model/kept-detections';
import { mergeDetections, ORIGIN, withoutDetected, type PointSeries, type Track } from '../tracks/track';

/**
 * Doubt that points of the small models carry beside that of their detections; with it their intervals hold the truth
 * as often as those of the large ones.
 */
const DOUBT: Readonly<Record<DetectorSetting, number>> = { fast: 0.8, accurate: 0 };

/** The detected points of some frames with their confidence lowered by a doubt of its own. */
function doubted(track: Track, frames: Iterable<number>, doubt: number): Track {
  if (doubt === 0) return track;
  const at = [...frames];
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => {
      const confidence = series.confidence.slice();
      for (const i of at) if (series.origin[i] === ORIGIN.detected) confidence[i]! /= 1 + doubt * confidence[i]!;
      return [id, { ...series, confidence }];
    }),
  );
}

/**
 * Takes what detectors saw into a track: their detections are fused, what no body can do and what is not this person is
 * left out, limbs that changed places are put back, hips that only seem to turn are steadied, and the frames between
 * are filled. What detectors said before goes; points of other origins stay.
 * @param times real seconds of every frame
 */
export function trackFromDetections(
  track: Track,
  times: Float64Array,
  detections: Detections,
  setting: DetectorSetting,
): Track {
  const possible = withoutStrangers(
    withoutImpossible(mergeDetections(withoutDetected(track), times.length, resolveDetections(detections))).track,
  ).track;
  const repaired = steadyHips(mendExchangeJumps(repairSideSwaps(possible, agreedLimbs(detections)).track, times));
  const frames = [...detections.keys()].sort((a, b) => a - b);
  return fillBetween(doubted(repaired, frames, DOUBT[setting]), frames, times);
}
