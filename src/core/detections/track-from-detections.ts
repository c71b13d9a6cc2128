import type { PointId } from '../anatomy/body-points';
import { steadyHips } from './steady-hips';
import { agreedLimbs, resolveDetections, type Detections } from './fuse-detections';
import { withoutImpossible, withoutStrangers } from './plausible';
import { repairSideSwaps } from './side-swaps';
import { mergeDetections, ORIGIN, type PointSeries, type Track } from '../tracks/track';

/** Small models are fast, large ones accurate. */
export type DetectorSetting = 'fast' | 'accurate';

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
 * left out, limbs that changed places are put back, hips that only seem to turn are steadied; points of other origins
 * stay.
 */
export function trackFromDetections(
  track: Track,
  frames: number,
  detections: Detections,
  setting: DetectorSetting,
): Track {
  const possible = withoutStrangers(
    withoutImpossible(mergeDetections(track, frames, resolveDetections(detections))).track,
  ).track;
  return doubted(
    steadyHips(repairSideSwaps(possible, agreedLimbs(detections)).track),
    detections.keys(),
    DOUBT[setting],
  );
}
