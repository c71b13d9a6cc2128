import { jointOf, sideOf, type PointId } from '../anatomy/body-points';
import { seenFrom, type Clip } from '../model/clip';
import { coarseness, doubtError, pointError } from '../tracks/point-error';
import { isFromDetector, ORIGIN, type PointSeries } from '../tracks/track';

/**
 * Errors of a detected joint along the picture's rows and columns, hundredths of standing height: what changes while
 * the body moves, in x and in y, and what stays.
 */
type JointErrors = readonly [x: number, y: number, stays: number];

/**
 * Where a limb points at the camera a detector places its joint anywhere along it: heel, ankle and elbow seen from the
 * front are two to six times as wrong up and down as across. Hips and shoulders seen from the side go apart and
 * together through no turn of the body. Spread of the errors on the rendered bowling and walking clips (`npm run bench
 * space`, which reports the hurdling clips beside them).
 */
const ERRORS: Readonly<Record<'near' | 'far' | 'front', Readonly<Record<string, JointErrors>>>> = {
  near: {
    shoulder: [2.1, 0.9, 0.5],
    elbow: [0.5, 0.4, 0.4],
    wrist: [0.7, 0.5, 0.4],
    hip: [1.7, 0.8, 0.6],
    knee: [0.6, 0.5, 0.3],
    ankle: [0.9, 0.8, 0.7],
    heel: [1.2, 1.2, 1.1],
    'foot-index': [1.3, 0.9, 1.2],
  },
  far: {
    shoulder: [2.4, 0.9, 0.7],
    elbow: [2, 1.8, 1],
    wrist: [1.6, 1.8, 0.9],
    hip: [1.7, 0.8, 0.9],
    knee: [0.9, 0.6, 0.4],
    ankle: [1.2, 1, 0.7],
    heel: [1.4, 1.4, 1.1],
    'foot-index': [2, 1.5, 1.2],
  },
  front: {
    shoulder: [1.3, 0.8, 0.5],
    elbow: [0.8, 2.1, 1],
    wrist: [1, 1.2, 0.7],
    hip: [0.9, 1.1, 0.7],
    knee: [0.4, 1.3, 0.3],
    ankle: [0.4, 1.8, 0.6],
    heel: [0.6, 3.5, 1.1],
    'foot-index': [0.7, 1.4, 0.7],
  },
};
/** The face, and joints seen from above, where detectors have seen few bodies. */
const FACE: JointErrors = [1.2, 1.2, 0.8];
const ABOVE: JointErrors = [1.5, 1.5, 1];

function errorsOf(clip: Pick<Clip, 'view' | 'travel'>, id: PointId): JointErrors {
  const seen = seenFrom(clip, sideOf(id));
  return seen === 'above' ? ABOVE : (ERRORS[seen][jointOf(id)] ?? FACE);
}

/** How wrong one point of a clip may be. */
export interface SeenErrors {
  /** Frame by frame, one standard deviation, pixels. */
  readonly sdX: Float64Array;
  readonly sdY: Float64Array;
  /** What stays through the clip, pixels. */
  readonly bias: number;
}

/**
 * @param series smoothed; its confidence and origins are those of the raw points
 * @param noise what its positions jitter after smoothing, pixels
 */
export function seenErrors(clip: Clip, id: PointId, series: PointSeries, height: number, noise: number): SeenErrors {
  const [x, y, stays] = errorsOf(clip, id);
  const share = height / 100;
  const along = (own: number): Float64Array =>
    Float64Array.from(series.origin, (origin, i) => {
      if (!isFromDetector(origin)) return pointError(series, id, i, height, 'near', noise).sd.x;
      const doubt = doubtError(series.confidence[i]!) * height;
      return Math.hypot(Math.max(own * share, noise), doubt, coarseness(height));
    });
  const detected = series.origin.includes(ORIGIN.detected);
  return { sdX: along(x), sdY: along(y), bias: detected ? stays * share : 0.3 };
}
