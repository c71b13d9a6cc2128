import { jointOf, type PointId } from '../anatomy/body-points';
import type { Vec2 } from '../geometry/vec2';
import type { SeenFrom } from '../model/clip';

/**
 * Deviations of a detected point across (x) and up and down (y) in the levelled picture, shares of standing height: what
 * makes them differ is how a body stands, and not how a camera is rolled.
 */
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

/** So much of the error from the front changes from clip to clip; it is alike in most of what it is. */
const CHANGES = 0.45;
const STAYS = Math.sqrt(1 - CHANGES ** 2);
/** @param x across, hundredths of standing height; `y` up and down */
const fromTheFront = (x: number, y: number): DetectionError => ({
  random: { x: (CHANGES * x) / 100, y: (CHANGES * y) / 100 },
  systematic: { x: (STAYS * x) / 100, y: (STAYS * y) / 100 },
});
/**
 * From before or behind the body. Limbs that point at the camera are short in its picture, and a detector places their
 * joints anywhere along them: far more wrong up and down than across. What 95 % of the errors on the bowling and walking
 * clips lie inside (`npm run bench front`, which reports the hurdling clips beside them).
 */
const FRONT: Errors = {
  shoulder: fromTheFront(1.1, 1.3),
  elbow: fromTheFront(0.7, 2.3),
  wrist: fromTheFront(1, 1.4),
  hip: fromTheFront(0.8, 2.1),
  knee: fromTheFront(0.3, 2.3),
  ankle: fromTheFront(0.3, 2.4),
  heel: fromTheFront(0.7, 6),
  'foot-index': fromTheFront(0.7, 3.7),
};
/** From above, where detectors have seen few bodies. */
const ABOVE = everyWay(0.015, 0.01);

/** What a detector errs by at a point that a camera sees so. */
export function detectorError(id: PointId, seen: SeenFrom): DetectionError {
  const joint = jointOf(id);
  if (seen === 'above') return ABOVE;
  if (seen === 'front') return FRONT[joint] ?? OTHER.near;
  return seen === 'far' ? (FAR[joint] ?? OTHER.far) : (NEAR[joint] ?? OTHER.near);
}

const NOT_TOGETHER: Vec2 = { x: 0, y: 0 };
/** Hips and shoulders go apart and together about a middle that is found better than either. */
const TURNED: Vec2 = { x: -0.5, y: -0.5 };
/** From the front they do so across; up and down both hips are wrong together, shoulders each by itself. */
const FROM_THE_FRONT: Readonly<Record<'hip' | 'shoulder', Vec2>> = {
  hip: { x: -0.5, y: 0.6 },
  shoulder: { x: -0.5, y: 0 },
};

/** Correlation of a detected joint's error with that of the same joint of the other side (rendered clips). */
export function errorOfSides(id: PointId, seen: SeenFrom): Vec2 {
  const joint = jointOf(id);
  if ((joint !== 'hip' && joint !== 'shoulder') || seen === 'above') return NOT_TOGETHER;
  return seen === 'front' ? FROM_THE_FRONT[joint] : TURNED;
}
