import type { PointId } from '../anatomy/body-points';
import type { Vec2 } from '../geometry/vec2';
import type { SeenFrom } from '../model/clip';

/** Deviations of a detected point along the picture's rows and columns, shares of standing height. */
export interface DetectionError {
  /** Changes from frame to frame and from clip to clip. */
  readonly random: Vec2;
  /** The detector's own idea of where a joint is: alike in every clip of the same view at the same moment. */
  readonly systematic: Vec2;
}
type Errors = Readonly<Record<string, DetectionError>>;

const everyWay = (random: number, systematic: number): DetectionError => ({
  random: { x: random, y: random },
  systematic: { x: systematic, y: systematic },
});

/**
 * Errors of the accurate detectors against the rendered clips' truth (`npm run bench points`): random from the
 * difference of two clips' errors at matched times, the rest is alike. The side turned away from the camera is less
 * sure.
 */
const NEAR: Errors = {
  shoulder: everyWay(0.0055, 0.0045),
  elbow: everyWay(0.0013, 0.002),
  wrist: everyWay(0.0014, 0.0012),
  hip: everyWay(0.0045, 0.0042),
  knee: everyWay(0.002, 0.0026),
  ankle: everyWay(0.0022, 0.0039),
  heel: everyWay(0.0026, 0.0096),
  'foot-index': everyWay(0.0039, 0.0085),
};
const FAR: Errors = {
  shoulder: everyWay(0.005, 0.0085),
  elbow: everyWay(0.006, 0.0096),
  wrist: everyWay(0.0046, 0.0096),
  hip: everyWay(0.0055, 0.0125),
  knee: everyWay(0.0036, 0.004),
  ankle: everyWay(0.0029, 0.0048),
  heel: everyWay(0.0039, 0.0104),
  'foot-index': everyWay(0.0072, 0.0096),
};
/** Hands and face. */
const OTHER = { near: everyWay(0.008, 0.012), far: everyWay(0.012, 0.014) } as const;

/** What a detector errs by at a point that a camera sees so. */
export function detectorError(id: PointId, seen: SeenFrom): DetectionError {
  const joint = id.replace(/^(left|right)-/, '');
  return seen === 'far' ? (FAR[joint] ?? OTHER.far) : (NEAR[joint] ?? OTHER.near);
}
