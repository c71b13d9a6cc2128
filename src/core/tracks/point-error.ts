import { HAND_SD_PIXELS } from '../statistics/hand-sd';
import { distance } from '../geometry/vec2';
import { LENGTH_SHARES } from '../anatomy/segment-table';
import { ORIGIN, type PointSeries, type Track } from './track';
import { sideOf, type PointId, type Side } from '../anatomy/body-points';

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

/** Deviation of one coordinate of a detected point, as shares of standing height. */
interface DetectionError {
  /** Changes from frame to frame and from clip to clip. */
  readonly random: number;
  /** The detector's own idea of where a joint is: alike in every clip of the same view at the same moment. */
  readonly systematic: number;
}

/**
 * Errors of the accurate detectors against the rendered clips' truth (`npm run bench points`): random from the
 * difference of two clips' errors at matched times, the rest is alike. The side turned away from the camera is less
 * sure.
 */
const FOUND_ERROR: Readonly<Record<string, { readonly near: DetectionError; readonly far: DetectionError }>> = {
  shoulder: { near: { random: 0.0055, systematic: 0.0045 }, far: { random: 0.005, systematic: 0.0085 } },
  elbow: { near: { random: 0.0013, systematic: 0.002 }, far: { random: 0.006, systematic: 0.0096 } },
  wrist: { near: { random: 0.0014, systematic: 0.0012 }, far: { random: 0.0046, systematic: 0.0096 } },
  hip: { near: { random: 0.0045, systematic: 0.0042 }, far: { random: 0.0055, systematic: 0.0125 } },
  knee: { near: { random: 0.002, systematic: 0.0026 }, far: { random: 0.0036, systematic: 0.004 } },
  ankle: { near: { random: 0.0022, systematic: 0.0039 }, far: { random: 0.0029, systematic: 0.0048 } },
  heel: { near: { random: 0.0026, systematic: 0.0096 }, far: { random: 0.0039, systematic: 0.0104 } },
  'foot-index': { near: { random: 0.0039, systematic: 0.0085 }, far: { random: 0.0072, systematic: 0.0096 } },
};
/** Points without an entry: hands and face. */
const OTHER_ERROR = { near: { random: 0.008, systematic: 0.012 }, far: { random: 0.012, systematic: 0.014 } };
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
const RECORDED_ERROR: DetectionError = { random: 0.002, systematic: 0.006 };
const CARRIED_ON = 1.3;
/** Standing height where no frame tells it, pixels. */
const heightOr = (height: number): number => (Number.isNaN(height) ? 300 : height);
/** What a detector errs by at a point, shares of standing height; more where the side is turned away. */
export const detectorError = (id: PointId, farSide: Side | null): DetectionError => {
  const side = sideOf(id);
  const both = FOUND_ERROR[id.replace(/^(left|right)-/, '')] ?? OTHER_ERROR;
  return both[side !== null && side === farSide ? 'far' : 'near'];
};
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

/** Standard deviations (pixels) of one coordinate of a point. */
export interface PointError {
  /** In all. */
  readonly sd: number;
  /**
   * The part of it that is alike in every clip measured the same way; it falls out of a difference of two such clips.
   */
  readonly systematic: number;
  /**
   * Correlation with the error of the same joint of the other side: below zero where a detector takes a body for one
   * more or less turned.
   */
  readonly ofSides: number;
}

/**
 * Hips and shoulders go apart and together about a middle that is found better than either (rendered clips, `npm run
 * bench points`).
 */
const TURNED = -0.5;
const TURNING = /^(left|right)-(hip|shoulder)$/;

/**
 * How wrong a point may be at a frame: it grows as the detector's confidence falls; points set by hand have no part
 * alike.
 * @param noise what its positions jitter after smoothing, pixels (`point-noise.ts`)
 */
export function pointError(
  series: PointSeries,
  id: PointId,
  frame: number,
  bodyHeight: number,
  farSide: Side | null,
  noise = 0,
): PointError {
  const origin = series.origin[frame];
  if (origin === ORIGIN.hand) return { sd: HAND_SD_PIXELS, systematic: 0, ofSides: 0 };
  if (origin === ORIGIN.interpolated) return { sd: HAND_SD_PIXELS * 2, systematic: 0, ofSides: 0 };
  if (origin === ORIGIN.tracked) return { sd: followedSd(series.confidence[frame]!), systematic: 0, ofSides: 0 };
  if (origin === ORIGIN.recorded) {
    const [random, systematic] = [
      RECORDED_ERROR.random * heightOr(bodyHeight),
      RECORDED_ERROR.systematic * heightOr(bodyHeight),
    ];
    return { sd: Math.hypot(random, systematic, CARRIED_ON * noise), systematic, ofSides: 0 };
  }
  const { random, systematic } = detectorError(id, farSide);
  const height = heightOr(bodyHeight);
  const doubt = doubtError(series.confidence[frame]!);
  const known = Math.hypot(Math.max(random * height, noise), systematic * height, doubt * height);
  const sd = Math.hypot(known, coarseness(height));
  return {
    sd,
    systematic: systematic * height,
    // What a coarse picture adds knows nothing of how a body is turned.
    ofSides: TURNING.test(id) ? TURNED * (known / sd) ** 2 : 0,
  };
}
