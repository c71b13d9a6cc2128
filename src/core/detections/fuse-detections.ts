import { distance } from '../geometry/vec2';
import { smoothestChoice, type Alternative } from '../signal/smoothest-choice';
import { BODY_POINTS, type BodyPoint } from '../anatomy/body-points';
import { medianOf } from '../signal/median';
import type { DetectedPoints } from '../tracks/track';

/** Distance between two detections, in standing heights, at which a point counts as half sure. */
export const HALF_SURE = 0.04;

/** What detectors saw of a clip by frame: the detections of both, of one, or none. */
export type Detections = ReadonlyMap<number, readonly DetectedPoints[]>;

/** Points whose sides a detector takes for each other together. */
const LIMBS = {
  legs: /hip|knee|ankle|heel|foot-index/,
  arms: /shoulder|elbow|wrist|pinky|-index|thumb/,
  face: /eye|ear|mouth/,
} as const;
type Limb = keyof typeof LIMBS;

const otherSide = (id: BodyPoint): BodyPoint =>
  (id.includes('left') ? id.replace('left', 'right') : id.replace('right', 'left')) as BodyPoint;

/** The same points with left and right exchanged in names. */
export function exchangeSides(
  detected: DetectedPoints,
  which: (id: BodyPoint) => boolean = () => true,
): DetectedPoints {
  return Object.fromEntries(
    (Object.entries(detected) as [BodyPoint, NonNullable<DetectedPoints[BodyPoint]>][]).map(([id, point]) => [
      which(id) ? otherSide(id) : id,
      point,
    ]),
  );
}

const apart = (a: DetectedPoints, b: DetectedPoints, ids: readonly BodyPoint[]): number =>
  ids.reduce((sum, id) => sum + (a[id] && b[id] ? distance(a[id]!, b[id]!) : 0), 0);

/**
 * The second detection with each limb pair named so that it agrees best with the first, and the limbs that had to be
 * named the other way round.
 */
function turnedTo(
  first: DetectedPoints,
  second: DetectedPoints,
): { readonly points: DetectedPoints; readonly turned: readonly Limb[] } {
  let points = second;
  const turned: Limb[] = [];
  for (const limb of Object.keys(LIMBS) as Limb[]) {
    const ids = BODY_POINTS.filter((id) => LIMBS[limb].test(id));
    const exchanged = exchangeSides(points, (id) => ids.includes(id));
    if (apart(first, exchanged, ids) >= apart(first, points, ids)) continue;
    points = exchanged;
    turned.push(limb);
  }
  return { points, turned };
}

/**
 * Frames in which two detections name the sides of a limb alike: detectors with other errors seldom both take left for
 * right.
 */
export function agreedLimbs(detections: Detections): Readonly<Record<Limb, ReadonlySet<number>>> {
  const agreed = { legs: new Set<number>(), arms: new Set<number>(), face: new Set<number>() };
  for (const [frame, [first, second]] of detections) {
    if (!first || !second) continue;
    const { turned } = turnedTo(first, second);
    for (const limb of Object.keys(LIMBS) as Limb[]) if (!turned.includes(limb)) agreed[limb].add(frame);
  }
  return agreed;
}

/** Standing height as a share of a moving person's longer extent, roughly; it only scales how sure a point is. */
const STANDING_SHARE = 0.9;

/** Standing height, roughly, in the unit of the positions. */
function roughHeight(detected: DetectedPoints): number {
  const points = Object.values(detected);
  const extent = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
  return STANDING_SHARE * Math.max(extent(points.map((p) => p.x)), extent(points.map((p) => p.y)));
}

type Pair = readonly [DetectedPoints, DetectedPoints];

/**
 * The frames that two detectors have seen, the second's limbs named as the first names them, and the standing height,
 * roughly; null where there is none.
 */
export function pairsOf(detections: Detections): {
  readonly pairs: ReadonlyMap<number, Pair>;
  readonly height: number | null;
} {
  const pairs = new Map<number, Pair>();
  for (const [frame, [first, second]] of detections)
    if (first && second) pairs.set(frame, [first, turnedTo(first, second).points]);
  const height = medianOf([...pairs.values()].map(([first]) => roughHeight(first)));
  return { pairs, height: pairs.size > 0 ? height : null };
}

/** Weight of the second detection in an average; the second detector errs less (`npm run bench points`). */
const SECOND_WEIGHT = 0.6;
/** What is left of the confidence of a point that only one detection has seen. */
const ONE_LOOK = 0.5;

/**
 * Joins two detections at the same frame: positions are averaged, and where they disagree the confidence falls. A limb
 * pair that the second detection labels the other way round is turned to agree with the first before averaging. Points
 * that the second detector does not know are at most half sure.
 */
export function fuseDetections(first: DetectedPoints, second: DetectedPoints): DetectedPoints {
  const { points: turned } = turnedTo(first, second);
  const height = roughHeight(first);
  const merged: Partial<Record<BodyPoint, DetectedPoint>> = {};
  for (const id of BODY_POINTS) {
    const [a, b] = [first[id], turned[id]];
    if (!a) continue;
    if (!b) {
      merged[id] = { ...a, confidence: a.confidence * ONE_LOOK };
      continue;
    }
    const agreement = 1 / (1 + (distance(a, b) / (HALF_SURE * height)) ** 2);
    const mean = (p: number, q: number): number => p * (1 - SECOND_WEIGHT) + q * SECOND_WEIGHT;
    merged[id] = { x: mean(a.x, b.x), y: mean(a.y, b.y), confidence: Math.min(a.confidence, b.confidence) * agreement };
  }
  return merged;
}

/** Below this two detections contradict each other, and their average is neither. */
const CONTRADICTED = 0.3;
/** Whether two detections contradicted each other at a point, or one alone was no surer; as tracks store it. */
export const isContradicted = (confidence: number): boolean => confidence <= Math.fround(CONTRADICTED);
/** How sure a point is, of what the detector says, when one detection was taken against the other. */
const UNCHECKED = 0.3;
/** No single step counts more than this many squared hundredths of standing height. */
const MOST = 60;
/** Points that one detection gets right or wrong together. */
const PARTS = [
  'shoulder',
  'elbow|wrist|pinky|thumb|(left|right)-index',
  'hip',
  'knee',
  'ankle|heel|foot-index',
  'nose|eye|ear|mouth',
].map((part) => new RegExp(part));
const SIDES = [/left/, /right|nose/];

type DetectedPoint = NonNullable<DetectedPoints[BodyPoint]>;

const mapPoints = (
  detected: DetectedPoints,
  change: (point: DetectedPoint, id: BodyPoint) => DetectedPoint,
): DetectedPoints =>
  Object.fromEntries(
    (Object.entries(detected) as [BodyPoint, DetectedPoint][]).map(([id, point]) => [id, change(point, id)]),
  );

/**
 * For each frame with two detections, which of them moves a part of the body more smoothly through the clip: 0 or 1.
 */
function smootherLook(
  detections: ReadonlyMap<number, Pair>,
  ids: readonly BodyPoint[],
  height: number,
): ReadonlyMap<number, number> {
  const frames = [...detections.keys()].sort((a, b) => a - b);
  const unit = height / 100;
  const alternative = (frame: number, detected: DetectedPoints): Alternative => ({
    points: ids.map((id) => {
      const point = detected[id];
      return point ? { x: point.x / unit, y: point.y / unit, frame, sure: 1 } : null;
    }),
    cost: 0,
  });
  const choices = smoothestChoice(
    frames.map((frame) => {
      const [first, second] = detections.get(frame)!;
      return [alternative(frame, first), alternative(frame, second)];
    }),
    MOST,
  );
  return new Map(frames.map((frame, n) => [frame, choices[n]!]));
}

/**
 * Joins the detections of all frames. Frames with one detection are at most half sure, since nothing checks them. Where
 * two detections at a point contradict each other, the one that moves that part of the body more smoothly is taken, and
 * not the average.
 */
export function resolveDetections(detections: Detections): Map<number, DetectedPoints> {
  const sync = new Map<number, DetectedPoints>();
  for (const [frame, [first, second]] of detections) {
    if (!first) continue;
    sync.set(
      frame,
      second ? fuseDetections(first, second) : mapPoints(first, (p) => ({ ...p, confidence: p.confidence * ONE_LOOK })),
    );
  }
  const { pairs, height } = pairsOf(detections);
  if (height === null) return sync;
  for (const ids of PARTS.flatMap((part) =>
    SIDES.map((side) => BODY_POINTS.filter((id) => part.test(id) && side.test(id))),
  )) {
    const known = ids.filter((id) => [...pairs.values()].some(([, second]) => second[id]));
    if (known.length === 0) continue;
    const smoother = smootherLook(pairs, known, height);
    for (const [frame, pair] of pairs) {
      const decide = (point: DetectedPoint, id: BodyPoint): DetectedPoint => {
        if (point.confidence >= CONTRADICTED || !ids.includes(id)) return point;
        const chosen = pair[smoother.get(frame)!]![id];
        if (!chosen) return point;
        return {
          x: chosen.x,
          y: chosen.y,
          confidence: Math.max(point.confidence, UNCHECKED * Math.min(1, chosen.confidence)),
        };
      };
      sync.set(frame, mapPoints(sync.get(frame)!, decide));
    }
  }
  return sync;
}
