import { BODY_POINTS, type BodyPoint, type PointId } from '../anatomy/body-points';
import { smoothestChoice, type Alternative } from '../signal/smoothest-choice';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { bodyHeightPixels } from '../tracks/point-error';

/**
 * Points that the detector confuses together: a leg for the other leg, an arm for the other arm; and shoulders by
 * themselves, where the arms are seen and the trunk is side on.
 */
const GROUPS = [
  ['arms', ['shoulder', 'elbow', 'wrist', 'pinky', 'index', 'thumb']],
  ['legs', ['hip', 'knee', 'ankle', 'heel', 'foot-index']],
  ['arms', ['shoulder']],
] as const;

/**
 * Cost of contradicting the detectors at a frame, in squared hundredths of standing height; where they contradict each
 * other there is little to contradict.
 */
const DOUBT = { agreed: 4, apart: 0.5 };
/**
 * Cost of exchanging one group and not the other: a detector that takes a body for one facing the other way exchanges
 * both.
 */
const COUPLING = 4;
/** No single step counts more than this, so that one wild point does not decide. */
const MOST = 90;
/** A point says where its limb is when it is at least this sure. */
const SURE = 0.3;

type Pair = readonly [PointSeries, PointSeries];

const detected = (series: PointSeries, i: number): boolean => series.origin[i] === ORIGIN.detected;

/** Where labels kept (0) or exchanged (1) at a frame have the left and the right point of each pair, if surely seen. */
function placesOf(pairs: readonly Pair[], frame: number, label: 0 | 1, unit: number): Alternative['points'] {
  return pairs.flatMap((pair) =>
    ([0, 1] as const).map((side) => {
      const series = pair[side === label ? 0 : 1];
      const sure = series.confidence[frame]!;
      if (!(sure >= SURE) || Number.isNaN(series.x[frame]!)) return null;
      return { x: series.x[frame]! / unit, y: series.y[frame]! / unit, frame, sure };
    }),
  );
}

/** For each frame the nearest of some, which are in increasing order. */
function nearestOf(some: readonly number[], frames: number): Int32Array {
  let k = 0;
  return Int32Array.from({ length: frames }, (_, i) => {
    while (k + 1 < some.length && Math.abs(some[k + 1]! - i) < Math.abs(some[k]! - i)) k++;
    return some[k]!;
  });
}

/** The smoothest labelling of a group through all frames: 1 where left and right must be exchanged. */
function smoothestLabels(
  pairs: readonly Pair[],
  frames: number,
  unit: number,
  others: Uint8Array | null,
  doubt: (frame: number) => number,
): Uint8Array {
  const labels = new Uint8Array(frames);
  const seen = Array.from(labels.keys()).filter((i) => placesOf(pairs, i, 0, unit).some((place) => place !== null));
  if (seen.length < 3) return labels;
  const choices = smoothestChoice(
    seen.map((frame) => {
      const other = others?.[frame];
      const differs = (label: number): number => (other !== undefined && other !== label ? COUPLING : 0);
      return [
        { points: placesOf(pairs, frame, 0, unit), cost: differs(0) },
        { points: placesOf(pairs, frame, 1, unit), cost: differs(1) + doubt(frame) },
      ];
    }),
    MOST,
  );
  seen.forEach((frame, n) => (labels[frame] = choices[n]!));
  // Frames between take the label that leaves their limbs nearest to where the frame before had them. Where detectors
  // that are not sure of the places still name the sides alike, that of the seen frame nearest by: limbs that pass each
  // other are near to both.
  const isSeen = new Set(seen);
  const nearestSeen = nearestOf(seen, frames);
  let last = seen[0]!;
  for (let i = last + 1; i < frames; i++) {
    if (pairs.every(([l, r]) => Number.isNaN(l.x[i]! + r.x[i]!))) continue;
    const from = last;
    last = i;
    if (isSeen.has(i)) continue;
    if (doubt(i) === DOUBT.agreed) {
      labels[i] = labels[nearestSeen[i]!]!;
      continue;
    }
    const apart = (label: number): number =>
      pairs.reduce((sum, pair) => {
        const step = ([0, 1] as const).map((side) => {
          const now = pair[side === label ? 0 : 1]!;
          const before = pair[side === labels[from] ? 0 : 1]!;
          return Math.hypot(now.x[i]! - before.x[from]!, now.y[i]! - before.y[from]!);
        });
        return sum + (Number.isNaN(step[0]! + step[1]!) ? 0 : step[0]! + step[1]!);
      }, 0);
    labels[i] = apart(1) < apart(0) ? 1 : 0;
  }
  return labels;
}

/** Shoulders are exchanged by themselves for at most so many frames; nearer together than this they pass each other. */
const BLINK = { frames: 4, apart: 8 } as const;

/** Of a labelling only short exchanges of a pair that stands well apart, in hundredths of standing height. */
function blinksOf([left, right]: Pair, labels: Uint8Array, unit: number): Uint8Array {
  const kept = new Uint8Array(labels.length);
  for (let i = 0; i < labels.length; i++) {
    if (labels[i] !== 1) continue;
    const first = i;
    while (i + 1 < labels.length && labels[i + 1] === 1) i++;
    const run = Array.from({ length: i - first + 1 }, (_, k) => first + k).filter(
      (k) => !Number.isNaN(left.x[k]! + right.x[k]!),
    );
    const apart = run.every(
      (k) => Math.hypot(left.x[k]! - right.x[k]!, left.y[k]! - right.y[k]!) >= BLINK.apart * unit,
    );
    if (apart && run.length <= BLINK.frames) kept.fill(1, first, i + 1);
  }
  return kept;
}

/**
 * Exchanges left and right where the detector has taken one limb for the other: of all labellings of a clip the one
 * with the smoothest paths is taken, arms and legs apart. Points placed by hand are never exchanged.
 * @param alike frames in which two detectors name the sides alike; all of them where only one was asked
 * @returns the track and how many frames were changed
 */
export function repairSideSwaps(
  track: Track,
  agreed?: Readonly<Record<'arms' | 'legs', ReadonlySet<number>>>,
): { readonly track: Track; readonly changedFrames: number } {
  const height = bodyHeightPixels(track);
  if (Number.isNaN(height)) return { track, changedFrames: 0 };
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  const changed = new Set<number>();
  let before: Uint8Array | null = null;
  for (const [limb, joints] of GROUPS) {
    const ids = joints
      .map((joint) => [`left-${joint}`, `right-${joint}`] as [BodyPoint, BodyPoint])
      .filter(([l, r]) => BODY_POINTS.includes(l) && track[l] && track[r]);
    if (ids.length === 0) continue;
    const pairs = ids.map(([l, r]): Pair => [next[l]!, next[r]!]);
    const doubt = (frame: number): number => (!agreed || agreed[limb].has(frame) ? DOUBT.agreed : DOUBT.apart);
    const whole = joints.length > 1;
    const smoothest = smoothestLabels(pairs, pairs[0]![0].x.length, height / 100, whole ? before : null, doubt);
    const labels = whole ? smoothest : blinksOf(pairs[0]!, smoothest, height / 100);
    before = labels;
    ids.forEach(([l, r], k) => {
      const [left, right] = pairs[k]!;
      const copy = (own: PointSeries, other: PointSeries): PointSeries => {
        const swapped = (i: number): boolean => labels[i] === 1 && detected(left, i) && detected(right, i);
        return {
          x: own.x.map((v, i) => (swapped(i) ? other.x[i]! : v)),
          y: own.y.map((v, i) => (swapped(i) ? other.y[i]! : v)),
          confidence: own.confidence.map((v, i) => (swapped(i) ? other.confidence[i]! : v)),
          origin: own.origin,
        };
      };
      next[l] = copy(left, right);
      next[r] = copy(right, left);
    });
    labels.forEach((label, i) => label === 1 && changed.add(i));
  }
  return { track: next, changedFrames: changed.size };
}
