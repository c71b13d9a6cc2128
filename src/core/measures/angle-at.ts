import { offPlane, viewRefusal } from '../calibration/view';
import { wrapAngle } from '../geometry/angle';
import type { Plane, PointRef } from '../model/movement';
import { notMeasurable, type Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { eventSd } from '../statistics/event-time';
import { alikePart, quadrature, type UncertainPoint } from '../statistics/propagate';
import { placesOf, pointAt, type Performance } from '../performance/performance';

/** How an angle comes from its points, and how their errors carry over. */
export interface AngleOfPoints {
  readonly refs: readonly PointRef[];
  readonly angle: (points: readonly UncertainPoint[]) => number;
  readonly sd: (points: readonly UncertainPoint[]) => number;
}

/** Beyond this (radians) first-order propagation means nothing, and neither does the angle. */
const MOST_SD = Math.PI / 6;

const refName = (ref: PointRef): string => ref.replace('foot-index', 'toe').replaceAll('-', ' ');

/** Value at a frame position, or null where a point is missing. */
function valueAt(performance: Performance, of: AngleOfPoints, frame: number, psi: number): number | null {
  const points = of.refs.map((ref) => pointAt(performance, ref, frame, psi));
  if (points.some((p) => p === null)) return null;
  const angle = of.angle(points as UncertainPoint[]);
  return Number.isNaN(angle) ? null : angle;
}

/** The angle as a curve over all frames of the clip, radians, NaN where a point is missing. */
export function angleCurve(performance: Performance, of: AngleOfPoints): Float64Array {
  const { angle: psi } = offPlane(performance.clip);
  const places = of.refs.map((ref) => placesOf(performance, ref, psi));
  const points = places.map(() => ({ x: 0, y: 0, sdX: 0, sdY: 0 }));
  return Float64Array.from(performance.times, (_, i) => {
    places.forEach(({ x, y }, k) => Object.assign(points[k]!, { x: x[i]!, y: y[i]! }));
    return points.some((p) => Number.isNaN(p.x + p.y)) ? NaN : of.angle(points);
  });
}

/** Rate of change of the angle (rad/s) round a frame position, by a central difference over two frames. */
function angularVelocity(performance: Performance, of: AngleOfPoints, frame: number, psi: number): number {
  const last = performance.times.length - 1;
  const low = Math.max(0, frame - 1);
  const high = Math.min(last, frame + 1);
  const a = valueAt(performance, of, low, psi);
  const b = valueAt(performance, of, high, psi);
  if (a === null || b === null || high === low) return 0;
  return wrapAngle(b - a) / ((high - low) * performance.interval);
}

/**
 * Reads an angle at a frame position. Its standard deviation joins the points' errors to first order, the moment's
 * timing error times the angular velocity, and the uncertainty of the camera's direction.
 */
export function readAngle(performance: Performance, of: AngleOfPoints, plane: Plane, frame: number): Reading {
  const refusal = viewRefusal(performance.clip, plane);
  if (refusal) return refusal;
  const { angle: psi, sd: psiSd } = offPlane(performance.clip);
  const points = of.refs.map((ref) => pointAt(performance, ref, frame, psi));
  const missing = of.refs.find((_, i) => points[i] === null);
  if (missing !== undefined) {
    return notMeasurable(
      'point-missing',
      `No ${refName(missing)} at frame ${Math.round(frame) + 1}`,
      'Find points, or place it by hand.',
    );
  }
  const value = of.angle(points as UncertainPoint[]);
  if (Number.isNaN(value)) {
    return notMeasurable('point-missing', 'Two points of this angle lie on each other', 'Place them apart by hand.');
  }
  const turned = valueAt(performance, of, frame, psi + psiSd);
  const sd = quadrature(
    of.sd(points as UncertainPoint[]),
    angularVelocity(performance, of, frame, psi) * eventSd(performance.interval),
    plane === 'any' || turned === null ? 0 : wrapAngle(turned - value),
  );
  if (sd > MOST_SD) {
    return notMeasurable('too-uncertain', `The points lie too close together, or are too unsure, to give an angle (\u00b1${Math.round((COVERAGE_95 * sd * 180) / Math.PI)}\u00b0)`, 'Correct them by hand, or film closer.');
  }
  return {
    measurable: true,
    value,
    sd,
    alikeSd: of.sd(alikePart(points as UncertainPoint[])),
    unit: 'deg',
    provenance: { clipId: performance.clip.id, frames: [frame], points: [...of.refs] },
  };
}
