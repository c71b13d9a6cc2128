import { BODY_POINTS, type BodyPoint } from '../anatomy/body-points';
import { distance } from '../geometry/vec2';
import { medianOf } from '../signal/median';
import { pairsOf, type Detections } from './fuse-detections';

/**
 * How far two detectors usually lie apart at a joint, shares of standing height: the most of twelve rendered clips on
 * which the errors of points were found (median over the frames of each).
 */
const USUALLY_APART: readonly (readonly [RegExp, number])[] = [
  [/shoulder/, 0.03],
  [/elbow/, 0.03],
  [/wrist/, 0.022],
  [/hip/, 0.034],
  [/knee/, 0.017],
  [/ankle/, 0.013],
];
/** Points that one detector alone knows, with the joint that tells of them. */
const GOES_WITH: readonly (readonly [RegExp, string])[] = [
  [/pinky|thumb|(left|right)-index/, 'wrist'],
  [/heel|foot-index/, 'ankle'],
];
/**
 * Of what two detectors lie apart beyond what is usual, so much is error of their mean (rendered clips of other people
 * in other light, `npm run bench varied -- --choosing`), shares of standing height at most.
 */
const ERROR_SHARE = 0.5;
const MOST = 0.05;
/** Fewer frames that both have seen tell nothing. */
const LEAST_FRAMES = 8;

/**
 * What the pictures of a clip add to the error of each point, share of standing height: in the dark, in grain, and
 * where clothes hide the body, two detectors lie farther apart through the whole clip, and their mean is off by more,
 * which no single frame tells.
 */
export function addedByPictures(detections: Detections): ReadonlyMap<BodyPoint, number> {
  const { pairs, height } = pairsOf(detections);
  const added = new Map<BodyPoint, number>();
  if (pairs.size < LEAST_FRAMES || height === null) return added;
  for (const id of BODY_POINTS) {
    const usual = USUALLY_APART.find(([joint]) => joint.test(id))?.[1];
    if (usual === undefined) continue;
    const apart = [...pairs.values()].flatMap(([first, second]) =>
      first[id] && second[id] ? [distance(first[id], second[id]) / height] : [],
    );
    if (apart.length < LEAST_FRAMES) continue;
    const beyond = Math.sqrt(Math.max(0, medianOf(apart) ** 2 - usual ** 2));
    if (beyond > 0) added.set(id, Math.min(MOST, ERROR_SHARE * beyond));
  }
  for (const id of BODY_POINTS) {
    const joint = GOES_WITH.find(([own]) => own.test(id))?.[1];
    const told = joint && added.get(`${id.split('-')[0]}-${joint}` as BodyPoint);
    if (told) added.set(id, told);
  }
  return added;
}
