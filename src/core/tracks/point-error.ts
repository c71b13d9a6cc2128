import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { distance, type Vec2 } from '../geometry/vec2';
import { LENGTH_SHARES } from '../anatomy/segment-table';
import { ORIGIN, type PointSeries, type Track } from './track';
import type { SeenFrom } from '../model/clip';
import { detectorError, errorOfSides } from './detector-error';
import type { PointId } from '../anatomy/body-points';

/** Length of thigh, shank and trunk together as a share of standing height. */
const CHAIN = LENGTH_SHARES.thigh + LENGTH_SHARES.shank + LENGTH_SHARES.trunk;

/**
 * Standing height in pixels, from the length of trunk, thigh and shank over the clip. The 80th percentile is taken:
 * out-of-plane positions only shorten the chain, a wrong point lengthens it.
 * @returns NaN where no frame shows the whole chain
 */
export function bodyHeightPixels(track: Track): number {
  const heights: number[] = [];
  for (const side of ['left', 'right'] as const) {
    const chain = ['shoulder', 'hip', 'knee', 'ankle'].map((joint) => track[`${side}-${joint}` as PointId]);
    if (chain.some((series) => !series)) continue;
    const frames = chain[0]!.x.length;
    for (let i = 0; i < frames; i++) {
      const at = (chain as PointSeries[]).map((series) => ({ x: series.x[i]!, y: series.y[i]! }));
      const sum = distance(at[0]!, at[1]!) + distance(at[1]!, at[2]!) + distance(at[2]!, at[3]!);
      if (!Number.isNaN(sum)) heights.push(sum / CHAIN);
    }
  }
  if (heights.length === 0) return NaN;
  heights.sort((a, b) => a - b);
  return heights[Math.floor(heights.length * 0.8)]!;
}

/** Share of standing height that a half-sure point adds to its random deviation, in quadrature. */
export const DOUBT_SHARE = 0.0055;
/**
 * A point followed from picture to picture that has not wandered (against rendered truth, `npm run bench follow`); its
 * confidence is this over its own deviation.
 */
export const FOLLOWED_SD_PIXELS = 1.5;

/** Deviation of a followed point by its confidence, pixels. */
export const followedSd = (confidence: number): number => FOLLOWED_SD_PIXELS / Math.max(0.25, confidence);

/**
 * Markers lie on the skin, about a centimetre from the joint and moving over it, shares of standing height (common
 * practice). What they jitter beside that is read off the data; the part of it that is carried on from frame to frame
 * does not show there, which the factor is for.
 */
const RECORDED_ERROR = { random: 0.002, systematic: 0.006 };
const CARRIED_ON = 1.3;
/** Standing height where no frame tells it, pixels. */
const heightOr = (height: number): number => (Number.isNaN(height) ? 300 : height);
/**
 * What a picture with few pixels adds to a detected point, pixels (the same clips made smaller, `npm run bench
 * points`), and the least standing height, pixels, of those on whom the errors above were found.
 */
const COARSE_PIXELS = 1;
const FOUND_AT_HEIGHT = 250;
/** What a body that is small in the picture adds to the deviation of a detected point, pixels. */
export const coarseness = (height: number): number =>
  COARSE_PIXELS * Math.sqrt(Math.max(0, 1 - (height / FOUND_AT_HEIGHT) ** 2));
/** What a detector's own doubt adds, share of standing height. */
export const doubtError = (confidence: number): number => DOUBT_SHARE * Math.sqrt(1 / Math.max(0.01, confidence) - 1);
/** The confidence whose doubt is that of another and an error beside it, share of standing height. */
export const moreDoubtful = (confidence: number, error: number): number =>
  error === 0 ? confidence : 1 / (1 + (Math.hypot(doubtError(confidence), error) / DOUBT_SHARE) ** 2);
/** Points below this are drawn as unsure. */
export const UNSURE_CONFIDENCE = 0.3;

/** Standard deviations of a point across (x) and up and down (y) in the levelled picture, pixels. */
export interface PointError {
  /** In all. */
  readonly sd: Vec2;
  /**
   * The part of it that is alike in every clip measured the same way; it falls out of a difference of two such clips.
   */
  readonly systematic: Vec2;
  /**
   * Correlation with the error of the same joint of the other side: below zero where a detector takes a body for one
   * more or less turned.
   */
  readonly ofSides: Vec2;
}

type Axis = keyof Vec2;

const weaker = (a: number, b: number): number => (Math.abs(a) < Math.abs(b) ? a : b);
/** Correlation of the errors of a joint and of the same joint of the other side, each way. */
export const correlationOf = ({ ofSides: a }: PointError, { ofSides: b }: PointError): Vec2 => ({
  x: weaker(a.x, b.x),
  y: weaker(a.y, b.y),
});

/** An error that is as large up and down as across, pixels. */
export const everyWay = (sd: number, systematic = 0): PointError => ({
  sd: { x: sd, y: sd },
  systematic: { x: systematic, y: systematic },
  ofSides: { x: 0, y: 0 },
});

/**
 * How wrong a point may be at a frame: it grows as the detector's confidence falls; points set by hand have no part
 * alike.
 * @param seen how the camera sees it
 * @param noise what its positions jitter after smoothing, pixels (`point-noise.ts`)
 */
export function pointError(
  series: PointSeries,
  id: PointId,
  frame: number,
  bodyHeight: number,
  seen: SeenFrom,
  noise = 0,
): PointError {
  const origin = series.origin[frame];
  if (origin === ORIGIN.hand) return everyWay(HAND_SD_PIXELS);
  if (origin === ORIGIN.interpolated) return everyWay(HAND_SD_PIXELS * 2);
  if (origin === ORIGIN.tracked) return everyWay(followedSd(series.confidence[frame]!));
  if (origin === ORIGIN.recorded) {
    const [random, systematic] = [
      RECORDED_ERROR.random * heightOr(bodyHeight),
      RECORDED_ERROR.systematic * heightOr(bodyHeight),
    ];
    return everyWay(Math.hypot(random, systematic, CARRIED_ON * noise), systematic);
  }
  const { random, systematic } = detectorError(id, seen);
  const height = heightOr(bodyHeight);
  const doubt = doubtError(series.confidence[frame]!) * height;
  const coarse = coarseness(height);
  const known = (axis: Axis): number =>
    Math.hypot(Math.max(random[axis] * height, noise), systematic[axis] * height, doubt);
  const together = errorOfSides(id, seen);
  const sd = { x: Math.hypot(known('x'), coarse), y: Math.hypot(known('y'), coarse) };
  return {
    sd,
    systematic: { x: systematic.x * height, y: systematic.y * height },
    // What a coarse picture adds knows nothing of the other side.
    ofSides: { x: together.x * (known('x') / sd.x) ** 2, y: together.y * (known('y') / sd.y) ** 2 },
  };
}
