import { similarity, transform } from '../geometry/similarity';
import type { Vec2 } from '../geometry/vec2';
import { medianOf } from '../signal/median';
import { BIWEIGHT } from './turning-camera';
import type { CameraStep } from './camera-step';

/** Corners farther than this from where the camera's motion takes them moved by themselves, pixels. */
const TOGETHER = 0.6;

const FITS = 8;

/** Spread that sampling alone leaves, pixels. */
const LEAST_SPREAD = 0.05;

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
