import { similarity, transform } from '../geometry/similarity';
import type { Vec2 } from '../geometry/vec2';
import type { CameraPath } from '../model/clip';
import { cornersOf, pyramidOf, trackCorners, type Gray } from './optical-flow';

/** How the background moved from one picture to the next. */
export interface CameraStep {
  /** Shift of the picture's middle, shares of its width: to the right and down is positive. */
  readonly x: number;
  readonly y: number;
  /** Growth of what is seen: above 1 the camera zooms in. */
  readonly scale: number;
  /** Clockwise turn of what is seen, radians. */
  readonly roll: number;
  /** Share of the corners that moved together, 0..1. */
  readonly share: number;
  /** Corners that were found again. */
  readonly corners: number;
}

/** Corners farther than this from where the camera's motion takes them moved by themselves, pixels. */
const TOGETHER = 0.6;
/** Tukey's biweight reaches zero here, times the robust spread (Holland and Welsch 1977). */
const BIWEIGHT = 4.685;
const FITS = 8;
/** Spread that sampling alone leaves, pixels. */
const LEAST_SPREAD = 0.05;

const medianOf = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? NaN;
};

/** A similarity from two points on, weighted; null where the points do not tell. */
function weightedFit(from: readonly Vec2[], to: readonly Vec2[], weights: readonly number[]) {
  // Weights by how often a point counts: ten steps are fine enough for a start that is refined.
  const often = (points: readonly Vec2[]): Vec2[] =>
    points.flatMap((p, i) => Array.from({ length: Math.round(10 * weights[i]!) }, () => p));
  const fitted = similarity(often(from), often(to));
  return fitted.ok ? fitted.value : null;
}

/**
 * The motion that most of the background shares: a similarity by iteratively reweighted least squares from the median
 * shift (Huber 1981), so that people and things that move by themselves have no say as long as they are the fewer.
 * @param size of the pictures that the points lie in, pixels
 * @returns null where nothing tells
 */
export function sharedMotion(
  from: readonly Vec2[],
  to: readonly Vec2[],
  size: { width: number; height: number },
): CameraStep | null {
  if (from.length < 3) return null;
  const start = { x: medianOf(to.map((p, i) => p.x - from[i]!.x)), y: medianOf(to.map((p, i) => p.y - from[i]!.y)) };
  let residuals = to.map((p, i) => Math.hypot(p.x - from[i]!.x - start.x, p.y - from[i]!.y - start.y));
  let fitted = null;
  for (let n = 0; n < FITS; n++) {
    const spread = BIWEIGHT * Math.max(LEAST_SPREAD, 1.4826 * medianOf(residuals));
    const weights = residuals.map((r) => (r < spread ? (1 - (r / spread) ** 2) ** 2 : 0));
    fitted = weightedFit(from, to, weights) ?? fitted;
    if (!fitted) return null;
    residuals = from.map((p, i) => {
      const there = transform(fitted!, p);
      return Math.hypot(there.x - to[i]!.x, there.y - to[i]!.y);
    });
  }
  const middle = { x: size.width / 2, y: size.height / 2 };
  const moved = transform(fitted!, middle);
  return {
    x: (moved.x - middle.x) / size.width,
    y: (moved.y - middle.y) / size.width,
    scale: fitted!.scale,
    roll: fitted!.turn,
    share: residuals.filter((r) => r < TOGETHER).length / residuals.length,
    corners: from.length,
  };
}

/** Where somebody is, who moves by themself; shares of the picture's width and height. */
export interface Hidden {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

const NOTHING: CameraStep = { x: 0, y: 0, scale: 1, roll: 0, share: 0, corners: 0 };

/**
 * How the camera moved from one picture to the next, by the corners of the background.
 * @param hidden people in the first of them, whose corners are left out
 */
export function stepBetween(from: Gray, to: Gray, hidden: readonly Hidden[]): CameraStep {
  const inside = (x: number, y: number): boolean =>
    hidden.some(
      (box) =>
        x >= box.left * from.width &&
        x <= box.right * from.width &&
        y >= box.top * from.height &&
        y <= box.bottom * from.height,
    );
  const corners = cornersOf(from, inside);
  const found = trackCorners(pyramidOf(from), pyramidOf(to), corners);
  const kept = corners.flatMap((corner, i) => (found[i] ? [[corner, found[i]] as const] : []));
  const motion = sharedMotion(
    kept.map(([corner]) => corner),
    kept.map(([, there]) => there),
    from,
  );
  if (!motion) return NOTHING;
  // Corners that could not be found again do not speak for what was found.
  return { ...motion, share: (motion.share * kept.length) / corners.length };
}

/** Fewer of the corners than this do not speak for the camera. */
export const LEAST_SHARE = 0.4;

/** Where what stood still in the first picture is in a later one. */
type Pose = Pick<CameraStep, 'x' | 'y' | 'scale' | 'roll'>;
const AS_IT_WAS: Pose = { x: 0, y: 0, scale: 1, roll: 0 };

/** One motion after another, both about the picture's middle. */
export function after(first: Pose, then: Pose): Pose {
  const [c, s] = [then.scale * Math.cos(then.roll), then.scale * Math.sin(then.roll)];
  return {
    x: then.x + c * first.x - s * first.y,
    y: then.y + s * first.x + c * first.y,
    scale: first.scale * then.scale,
    roll: first.roll + then.roll,
  };
}

interface Seen {
  readonly picture: Gray;
  readonly hidden: readonly Hidden[];
  readonly pose: Pose;
}

/**
 * Follows a camera through pictures. Each is compared with an earlier one for as long as they show enough of the same,
 * so that errors add up only where the camera has moved on.
 */
export class CameraFollower {
  private readonly rows: (Pose & { readonly frame: number; readonly share: number })[] = [];
  private anchor: Seen | null = null;
  private last: Seen | null = null;

  /** @param hidden where people are in it, shares of its sides */
  look(frame: number, picture: Gray, hidden: readonly Hidden[]): void {
    const found = this.find(picture);
    this.last = { picture, hidden, pose: found };
    this.anchor ??= this.last;
    this.rows.push({ frame, ...found });
  }

  private find(picture: Gray): Pose & { readonly share: number } {
    if (!this.anchor || !this.last) return { ...AS_IT_WAS, share: 1 };
    const step = stepBetween(this.anchor.picture, picture, this.anchor.hidden);
    if (step.share >= LEAST_SHARE || this.last === this.anchor)
      return { ...after(this.anchor.pose, step), share: step.share };
    this.anchor = this.last;
    const further = stepBetween(this.anchor.picture, picture, this.anchor.hidden);
    return { ...after(this.anchor.pose, further), share: further.share };
  }

  path(): CameraPath {
    const column = (of: (row: (typeof this.rows)[number]) => number): Float64Array<ArrayBuffer> =>
      Float64Array.from(this.rows, of);
    return {
      frames: column((r) => r.frame),
      x: column((r) => r.x),
      y: column((r) => r.y),
      scale: column((r) => r.scale),
      roll: column((r) => r.roll),
      share: column((r) => r.share),
    };
  }
}
