import type { PointId } from '../anatomy/body-points';
import { BESIDE_LOSS_ERROR, besideLoss } from './beside-loss';
import { mendExchangeJumps } from './exchange-jumps';
import { hardPictures } from './hard-pictures';
import { legsAgainstArms } from './counter-swing';
import { isUnsureWho } from './identity';
import { steadyHips } from './steady-hips';
import { agreedLimbs, isContradicted, resolveDetections, type Detections } from './fuse-detections';
import { withoutImpossible, withoutStrangers } from './plausible';
import { withoutUnreachable } from './reachable';
import { repairSideSwaps } from './side-swaps';
import { moreDoubtful } from '../tracks/point-error';
import { fillBetween } from './fill-between';
import type { DetectorSetting } from '../model/kept-detections';
import { clearDetected, mergeDetections, ORIGIN, withoutDetected, type PointSeries, type Track } from '../tracks/track';

/**
 * Doubt that points of the small models carry beside that of their detections; with it their intervals hold the truth
 * as often as those of the large ones.
 */
const DOUBT: Readonly<Record<DetectorSetting, number>> = { fast: 0.8, accurate: 0 };

/**
 * How much of the confidence is left of a point on which two detections do not agree, or which one alone saw badly: it
 * is off by a twentieth of standing height, three times as far as its confidence says (rendered clips at three sizes
 * and rates).
 */
const CONTRADICTED_SHARE = 0.05;

/** What is left, of what two detectors made of them, of points that may be somebody else's: drawn as unsure. */
const SOMEBODY_ELSE = 0.5;

/**
 * The detected points with their confidence lowered by what it does not tell.
 * @param added what the pictures of the clip add to a point's error, share of standing height
 */
function doubted(
  track: Track,
  detections: Detections,
  setting: DetectorSetting,
  added: ReadonlyMap<PointId, number>,
  times: Float64Array,
): Track {
  const doubt = DOUBT[setting];
  // The fast setting asks one detector alone at most frames: nothing contradicts it, and its doubt is another.
  const lowered = (confidence: number): number =>
    setting === 'accurate' && isContradicted(confidence)
      ? CONTRADICTED_SHARE * confidence
      : confidence / (1 + doubt * confidence);
  const mixedUp = besideLoss(detections, times);
  const unsureWho = new Set([...detections].flatMap(([frame, seen]) => (isUnsureWho(seen) ? [frame] : [])));
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => {
      const confidence = series.confidence.slice();
      const more = added.get(id) ?? 0;
      for (const i of detections.keys())
        if (series.origin[i] === ORIGIN.detected)
          confidence[i] =
            moreDoubtful(lowered(confidence[i]!), Math.hypot(more, mixedUp.has(i) ? BESIDE_LOSS_ERROR : 0)) *
            (unsureWho.has(i) ? SOMEBODY_ELSE : 1);
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
  const smoothest = mendExchangeJumps(repairSideSwaps(possible, agreedLimbs(detections)).track, times);
  const sided = legsAgainstArms(smoothest, detections);
  const repaired = steadyHips(withoutUnreachable(sided, times));
  const frames = [...detections.keys()].sort((a, b) => a - b);
  const { added, unseen } = hardPictures(detections, setting);
  const seen = clearDetected(repaired, new Map(frames.map((frame) => [frame, [...unseen]])));
  return fillBetween(doubted(seen, detections, setting, added, times), frames, times);
}
