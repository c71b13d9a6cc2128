import { isBodyPoint, jointOf, sideOf, type BodyPoint, type PointId } from '../anatomy/body-points';
import { solve } from '../geometry/solve';
import { interpolateCubic } from '../signal/interpolate';
import { sameTimes } from '../signal/resample';
import { seenFrom, type Clip } from '../model/clip';
import { detectorError } from './detector-error';
import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { noiseOf } from './point-noise';
import { isFromDetector, ORIGIN, type PointSeries, type Track } from './track';

/**
 * Part of a detector's error on one person that stays through a clip, in the frame of the segment that the joint ends;
 * the rest is carried on from frame to frame for so long, seconds. On rendered clips it hardly matters which: a quarter to 0.6
 * and 0.15 to 0.3 s come out alike.
 */
const STAYS = 0.4;
const CARRIED_FOR = 0.15;
/**
 * A correction by more than this was of a blunder, which says nothing of the other frames: so many of the detector's
 * deviations, and at least this share of standing height.
 */
const BLUNDER = { deviations: 5, least: 0.015 };
/** More than this are not needed to tell, and a clip that is placed by hand has nothing to learn. */
const MOST = 24;
/** Detected frames this near to a corrected one tell where the detector had the joint, seconds. */
const NEAR = 0.1;

/** The segment in whose frame a joint's error is taken: from its other end to the joint, or beyond it. */
const SEGMENT: Readonly<Record<string, readonly [from: string, to: string]>> = {
  shoulder: ['hip', 'shoulder'],
  elbow: ['shoulder', 'elbow'],
  wrist: ['elbow', 'wrist'],
  hip: ['hip', 'knee'],
  knee: ['hip', 'knee'],
  ankle: ['knee', 'ankle'],
  heel: ['knee', 'ankle'],
  'foot-index': ['ankle', 'foot-index'],
};

/** What corrections by hand tell of a joint on the frames that they were not made on. */
export interface LearnedCorrection {
  readonly id: BodyPoint;
  /** Frames that were corrected by hand. */
  readonly corrected: readonly number[];
  /** The joint as a detector placed it, moved by what was learned, pixels; hand-placed frames stay. */
  readonly series: PointSeries;
  /** What is left of the detector's error at each frame, standard deviation of one coordinate, pixels. */
  readonly sd: Float64Array;
  /** How far the joint was moved where it was not corrected, on average, pixels. */
  readonly moved: number;
}

/** What must be known of a clip. */
interface Filmed {
  /** Real seconds of every frame. */
  readonly times: Float64Array;
  /** Standing height, pixels. */
  readonly height: number;
  /** Where its camera stands. */
  readonly clip: Pick<Clip, 'view' | 'travel'>;
}

/** Unit vector along a segment in the picture at each frame; along the rows where an end is missing. */
function directions(track: Track, id: BodyPoint, frames: number): readonly (readonly [number, number])[] {
  const side = sideOf(id)!;
  const ends = SEGMENT[jointOf(id)]!.map((joint) => track[`${side}-${joint}` as PointId]);
  const [from, to] = ends;
  return Array.from({ length: frames }, (_, i) => {
    const [x, y] = [(to?.x[i] ?? NaN) - (from?.x[i] ?? NaN), (to?.y[i] ?? NaN) - (from?.y[i] ?? NaN)];
    const length = Math.hypot(x, y);
    return length > 0 ? ([x / length, y / length] as const) : ([1, 0] as const);
  });
}

interface Seen {
  readonly frame: number;
  /** From where the detector had the joint to where the hand put it, along and across the segment, pixels. */
  readonly along: number;
  readonly across: number;
}

/** Where the detector had the joint at frames that a hand corrected: a cubic through its frames beside them. */
function offsetsOf(
  series: PointSeries,
  times: Float64Array,
  along: readonly (readonly [number, number])[],
): readonly Seen[] {
  const detected = Array.from(series.origin.keys()).filter((i) => series.origin[i] === ORIGIN.detected);
  const byHand = Array.from(series.origin.keys()).filter((i) => series.origin[i] === ORIGIN.hand);
  if (byHand.length > MOST) return [];
  return byHand.flatMap((frame) => {
    const after = detected.findIndex((i) => i > frame);
    const k = after < 0 ? detected.length : after;
    const at = detected.slice(Math.max(0, k - 2), k + 2);
    const near = at.every((i) => Math.abs(times[i]! - times[frame]!) <= NEAR);
    if (at.length < 4 || !near) return [];
    const x = series.x[frame]! - interpolateCubic(at, times, series.x, times[frame]!);
    const y = series.y[frame]! - interpolateCubic(at, times, series.y, times[frame]!);
    const [ux, uy] = along[frame]!;
    return [{ frame, along: x * ux + y * uy, across: y * ux - x * uy }];
  });
}

/**
 * How a detector errs on this person, clothes and view, told by the frames that a hand corrected: its offset in the
 * frame of the segment is taken as a part that stays and a part that is carried on, with the detector's usual error as
 * prior, and predicted for every other frame with the error that is left (best linear unbiased prediction of a Gaussian
 * process; Rasmussen and Williams 2006, ch. 2).
 * @returns null where nothing was corrected that tells
 */
function learn(track: Track, id: BodyPoint, { times, height, clip }: Filmed): LearnedCorrection | null {
  const series = track[id];
  if (!series?.origin.includes(ORIGIN.hand) || !series.origin.includes(ORIGIN.detected)) return null;
  const along = directions(track, id, times.length);
  const { random, systematic } = detectorError(id, seenFrom(clip, sideOf(id)));
  const usual = ((random.x ** 2 + systematic.x ** 2 + random.y ** 2 + systematic.y ** 2) / 2) * height ** 2;
  const blunder = Math.max(BLUNDER.deviations * Math.sqrt(usual), BLUNDER.least * height);
  const seen = offsetsOf(series, times, along).filter((s) => Math.hypot(s.along, s.across) <= blunder);
  if (seen.length === 0) return null;
  // A detector that errs more on this person than usual, on most frames that were corrected, does so on the others, too.
  const squares = seen.map((s) => (s.along ** 2 + s.across ** 2) / 2).sort((a, b) => a - b);
  const found = squares[(squares.length - 1) >> 1]!;
  const seenWith = HAND_SD_PIXELS ** 2 + noiseOf(series) ** 2;
  const variance = Math.max(usual, found - seenWith);
  const covariance = (a: number, b: number): number =>
    variance * (STAYS + (1 - STAYS) * Math.exp(-Math.abs(times[a]! - times[b]!) / CARRIED_FOR));
  const matrix = seen.map((p, i) => seen.map((q, j) => covariance(p.frame, q.frame) + (i === j ? seenWith : 0)));
  const weightsOf = (right: readonly number[]): readonly number[] => solve(matrix, right)!;
  const [forAlong, forAcross] = [weightsOf(seen.map((s) => s.along)), weightsOf(seen.map((s) => s.across))];
  const [x, y] = [series.x.slice(), series.y.slice()];
  const sd = new Float64Array(times.length);
  let [moved, frames] = [0, 0];
  for (let i = 0; i < times.length; i++) {
    const like = seen.map((s) => covariance(s.frame, i));
    const dot = (weights: readonly number[]): number => weights.reduce((sum, w, k) => sum + w * like[k]!, 0);
    sd[i] = Math.sqrt(Math.max(0, variance - dot(weightsOf(like))));
    if (!isFromDetector(series.origin[i])) continue;
    const [a, b] = [dot(forAlong), dot(forAcross)];
    const [ux, uy] = along[i]!;
    x[i]! += a * ux - b * uy;
    y[i]! += a * uy + b * ux;
    moved += Math.hypot(a, b);
    frames++;
  }
  return {
    id,
    corrected: seen.map((s) => s.frame),
    series: { ...series, x, y },
    sd,
    moved: moved / Math.max(1, frames),
  };
}

type Learned = ReadonlyMap<PointId, LearnedCorrection>;

/** What was learned from a track last, of a clip as it was said to be then. */
const known = new WeakMap<Track, { readonly from: Filmed; readonly learned: Learned }>();

const SIDES = ['left', 'right', null] as const;
const seenAlike = (a: Filmed, b: Filmed): boolean =>
  Object.is(a.height, b.height) &&
  sameTimes(a.times, b.times) &&
  SIDES.every((side) => seenFrom(a.clip, side) === seenFrom(b.clip, side));

/** What corrections by hand tell, joint by joint. */
export function learnedCorrections(track: Track, from: Filmed): Learned {
  const before = known.get(track);
  if (before && seenAlike(before.from, from)) return before.learned;
  const learned = new Map<PointId, LearnedCorrection>();
  if (!Number.isNaN(from.height))
    for (const id of Object.keys(track)) {
      if (!isBodyPoint(id) || !SEGMENT[jointOf(id)]) continue;
      const said = learn(track, id, from);
      if (said) learned.set(id, said);
    }
  known.set(track, { from, learned });
  return learned;
}
