import { BODY_POINTS, type BodyPoint } from '../anatomy/body-points';
import { distance } from '../geometry/vec2';
import { medianOf } from '../signal/median';
import type { DetectorSetting } from '../model/kept-detections';
import { pairsOf, type Detections } from './fuse-detections';
import { TEXT } from '../../text/core/detections';

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
 * in other light, `npm run bench varied -- --choosing`), shares of standing height.
 */
const ERROR_SHARE = 0.5;
/**
 * Detectors that lie farther apart than this have not seen the same joint: neither is believed. Of the rendered clips,
 * those from above and one at dusk lie at 0.09 to 0.53, all others below 0.082.
 */
const NOT_THE_SAME = 0.09;
/** Fewer frames that both have seen tell nothing. */
const LEAST_FRAMES = 8;

/** What the pictures of a clip mean for its points. */
export interface HardPictures {
  /** What they add to the error of points, shares of standing height. */
  readonly added: ReadonlyMap<BodyPoint, number>;
  /** Points that the detectors have not seen. */
  readonly unseen: ReadonlySet<BodyPoint>;
}

/** The small models of the fast setting lie apart as they do on every picture. */
const NOT_TOLD: HardPictures = { added: new Map(), unseen: new Set() };

/**
 * How hard the pictures of a clip are for two detectors: in the dark, in grain, from above, and where clothes hide the
 * body, they lie farther apart through the whole clip, and their mean is off by more, which no single frame tells.
 */
export function hardPictures(detections: Detections, setting: DetectorSetting): HardPictures {
  if (setting !== 'accurate') return NOT_TOLD;
  const { pairs, height } = pairsOf(detections);
  const [added, unseen] = [new Map<BodyPoint, number>(), new Set<BodyPoint>()];
  if (pairs.size < LEAST_FRAMES || height === null) return { added, unseen };
  for (const id of BODY_POINTS) {
    const joint = GOES_WITH.find(([own]) => own.test(id))?.[1];
    const told = joint ? (`${id.split('-')[0]}-${joint}` as BodyPoint) : id;
    const usual = USUALLY_APART.find(([own]) => own.test(told))?.[1];
    if (usual === undefined) continue;
    const all = [...pairs.values()].flatMap(([first, second]) =>
      first[told] && second[told] ? [distance(first[told], second[told]) / height] : [],
    );
    if (all.length < LEAST_FRAMES) continue;
    const apart = medianOf(all);
    if (apart > NOT_THE_SAME) unseen.add(id);
    else if (apart > usual) added.set(id, ERROR_SHARE * Math.sqrt(apart ** 2 - usual ** 2));
  }
  return { added, unseen };
}

/** Which points are left out and what to do, in words; empty where none are. */
export function unseenText(detections: Detections, setting: DetectorSetting): string {
  const { unseen } = hardPictures(detections, setting);
  return unseen.size > 0 ? TEXT.pointsNeitherHasSeen(unseen.size) : '';
}
