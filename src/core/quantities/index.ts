import { groundPlane } from '../calibration/ground';
import { project } from '../calibration/homography';
import { levelOf } from '../calibration/level';
import { offPlane, unforeshorten, viewRefusal } from '../calibration/view';
import { rotate } from '../geometry/vec2';
import { unwrap, wrapAngle } from '../geometry/angle';
import type { Plane, PointRef, Quantity } from '../model/movement';
import { placesOf, pointAt, type Performance } from '../performance/performance';
import { notMeasurable, type NotMeasurable, type Reading } from '../reading';
import { DISPLAY_UNITS, type DisplayUnit } from '../units';
import { COVERAGE_95 } from '../statistics/normal';
import { eventSd } from '../statistics/event-time';
import { quadrature, type UncertainPoint } from '../statistics/propagate';
import { facing, jointAngleQuantity, lineSeparation, segmentAngleQuantity } from './angles';
import { fold } from './fold';
import { alignment, box, distanceQuantity, groundDistance, height, offset } from './lengths';
import type { Dimension, KindOfQuantity, QuantityName, Surroundings } from './quantity';

/** The registry: a new quantity is one entry here and in the schema; every kind of measure that takes one can then use it. */
export const QUANTITIES: { readonly [Q in QuantityName]: KindOfQuantity<Q> } = {
  'joint-angle': jointAngleQuantity,
  'segment-angle': segmentAngleQuantity,
  'line-separation': lineSeparation,
  facing,
  distance: distanceQuantity,
  'ground-distance': groundDistance,
  offset,
  height,
  box,
  alignment,
  fold,
};

const kind = (quantity: Quantity): KindOfQuantity<QuantityName> => QUANTITIES[quantity.q] as unknown as KindOfQuantity<QuantityName>;
export const refsOfQuantity = (quantity: Quantity): readonly PointRef[] => kind(quantity).refs(quantity as never);
export const dimensionOf = (quantity: Quantity): Dimension => kind(quantity).dimension;

/** How sure a scale is, share of a length: a line drawn along a known length, and a standing height read off the body (common practice). */
const SCALE_SD = { m: 0.01, '%BH': 0.02 } as const;
/** Step of the numerical gradient, pixels. */
const STEP = 0.01;
/** An angle less sure than this means nothing, radians; a length, share of standing height. */
const MOST_SD = { angle: Math.PI / 6, length: 0.25, ratio: 0.5, metres: 0.45 } as const;

const refName = (ref: PointRef): string => ref.replace(/^own-/, '').replace('foot-index', 'toe').replaceAll('-', ' ');

/** In which unit a length is wanted. */
export type LengthIn = 'm' | '%BH';

/** What one pixel is, in the unit wanted, and how sure that is; or why it is not known. */
export function scaleOf({ clip, bodyHeight }: Performance, wanted: LengthIn): { readonly perPixel: number; readonly sdShare: number } | NotMeasurable {
  if (wanted === 'm') {
    if (!clip.scale) return notMeasurable('no-scale', 'No length in metres is known in this clip', 'Draw a known length at Match.');
    return { perPixel: clip.scale.metres / clip.scale.pixels, sdShare: SCALE_SD.m };
  }
  if (Number.isNaN(bodyHeight)) return notMeasurable('no-scale', 'The performer\u2019s height in the picture is not known', 'Find points, or place shoulder, hip, knee and ankle on one frame.');
  return { perPixel: 1 / bodyHeight, sdShare: SCALE_SD['%BH'] };
}

export const unitOfQuantity = (quantity: Quantity, lengthIn: LengthIn): DisplayUnit => (dimensionOf(quantity) === 'angle' ? 'deg' : dimensionOf(quantity) === 'ratio' ? '%' : dimensionOf(quantity) === 'metres' ? 'm' : lengthIn);

const FEET = ['left-heel', 'right-heel', 'left-foot-index', 'right-foot-index'] as const;
const grounds = new WeakMap<Performance['smoothed'], number>();

/** Of all frames this share has a lower foot point than the ground: what noise makes of a foot that stands. */
const GROUND_SHARE = 0.15;

/** Where the ground is: a low percentile of the lowest foot point of each frame, movement coordinates, pixels. NaN without feet. */
export function groundOf(performance: Performance): number {
  const known = grounds.get(performance.smoothed);
  if (known !== undefined) return known;
  const { dominantSide } = performance.clip.performer;
  const refs = FEET.map((id): PointRef => `${id.startsWith(dominantSide) ? 'dominant' : 'opposite'}-${id.slice(id.indexOf('-') + 1) as 'heel'}`);
  const feet = refs.map((ref) => placesOf(performance, ref, 0).y);
  const lowest: number[] = [];
  for (let i = 0; i < performance.times.length; i++) {
    let least = Infinity;
    for (const y of feet) if (y[i]! < least) least = y[i]!;
    if (least < Infinity) lowest.push(least);
  }
  lowest.sort((a, b) => a - b);
  const ground = lowest[Math.floor(GROUND_SHARE * lowest.length)] ?? NaN;
  grounds.set(performance.smoothed, ground);
  return ground;
}

/** What a quantity may ask of the place: the ground's height, the ground's perspective. */
function surroundingsOf(performance: Performance, quantity: Quantity, psi: number): Surroundings {
  const { clip } = performance;
  const plane = quantity.q === 'ground-distance' && clip.ground ? groundPlane(clip.ground) : null;
  const forward = clip.travel === 'right' ? 1 : -1;
  const stretch = unforeshorten(1, psi);
  return {
    ground: quantity.q === 'height' ? groundOf(performance) : NaN,
    handed: (clip.performer.dominantSide === 'right') === (clip.travel === 'right') ? 1 : -1,
    // Back from movement coordinates to the picture as filmed, then through its perspective.
    toGround: plane?.ok ? ({ x, y }) => project(plane.value, rotate({ x: (forward * x) / stretch, y: -y }, -levelOf(clip))) : null,
  };
}

/** Raw value (radians, pixels or a ratio) at a frame position; null where a point is missing. */
function rawAt(performance: Performance, quantity: Quantity, frame: number, psi: number): number | null {
  const points = refsOfQuantity(quantity).map((ref) => pointAt(performance, ref, frame, psi));
  if (points.includes(null)) return null;
  const value = kind(quantity).value(points as UncertainPoint[], quantity as never, surroundingsOf(performance, quantity, psi));
  return Number.isNaN(value) ? null : value;
}

/** Value at one frame, SI in the unit wanted or pixels; null where it is not known. */
export function quantityAt(performance: Performance, quantity: Quantity, frame: number, lengthIn: LengthIn | 'px'): number | null {
  const raw = rawAt(performance, quantity, frame, offPlane(performance.clip).angle);
  if (raw === null || lengthIn === 'px' || dimensionOf(quantity) !== 'length') return raw;
  const scale = scaleOf(performance, lengthIn);
  return 'measurable' in scale ? null : raw * scale.perPixel;
}

/** The quantity over all frames of the clip, SI (lengths in the unit wanted), NaN where it is not known. */
export function quantityCurve(performance: Performance, quantity: Quantity, lengthIn: LengthIn): Float64Array {
  const { angle: psi } = offPlane(performance.clip);
  const scale = dimensionOf(quantity) === 'length' ? scaleOf(performance, lengthIn) : { perPixel: 1, sdShare: 0 };
  if ('measurable' in scale) return performance.times.map(() => NaN);
  const places = refsOfQuantity(quantity).map((ref) => placesOf(performance, ref, psi));
  const around = surroundingsOf(performance, quantity, psi);
  const { value } = kind(quantity);
  const curve = new Float64Array(performance.times.length);
  const points = places.map(() => ({ x: 0, y: 0, sdX: 0, sdY: 0 }));
  for (let i = 0; i < curve.length; i++) {
    let there = true;
    for (let k = 0; k < places.length; k++) {
      const [x, y] = [places[k]!.x[i]!, places[k]!.y[i]!];
      if (Number.isNaN(x + y)) there = false;
      points[k]!.x = x;
      points[k]!.y = y;
    }
    curve[i] = there ? value(points, quantity as never, around) * scale.perPixel : NaN;
  }
  return curve;
}

/** The same without jumps of whole turns, so that it can be followed through a movement. */
export function continuousCurve(performance: Performance, quantity: Quantity, lengthIn: LengthIn): Float64Array {
  const curve = quantityCurve(performance, quantity, lengthIn);
  return dimensionOf(quantity) === 'angle' ? unwrap(curve) : curve;
}

export const difference = (quantity: Quantity, a: number, b: number): number => (dimensionOf(quantity) === 'angle' && quantity.q !== 'joint-angle' ? wrapAngle(a - b) : a - b);

/**
 * Reads a quantity at a frame position. The points' errors are joined to first order (gradient by central differences of a hundredth
 * of a pixel), with the moment's timing error times the rate of change, the camera's direction and the scale.
 */
export function readQuantity(performance: Performance, quantity: Quantity, plane: Plane, frame: number, lengthIn: LengthIn): Reading {
  const refusal = viewRefusal(performance.clip, plane);
  if (refusal) return refusal;
  const dimension = dimensionOf(quantity);
  const scale = dimension === 'length' ? scaleOf(performance, lengthIn) : { perPixel: 1, sdShare: dimension === 'metres' ? SCALE_SD.m : 0 };
  if ('measurable' in scale) return scale;
  if (dimension === 'metres' && !performance.clip.ground) return notMeasurable('no-scale', 'No rectangle on the ground is marked in this clip', 'Mark one at Match, and say how large it is.');
  const { angle: psi, sd: psiSd } = offPlane(performance.clip);
  const refs = refsOfQuantity(quantity);
  const points = refs.map((ref) => pointAt(performance, ref, frame, psi));
  const missing = refs.find((_, i) => points[i] === null);
  if (missing !== undefined) return notMeasurable('point-missing', `No ${refName(missing)} at frame ${Math.round(frame) + 1}`, 'Find points, or place it by hand.');
  const raw = rawAt(performance, quantity, frame, psi);
  if (raw === null) return notMeasurable('point-missing', `The points at frame ${Math.round(frame) + 1} do not give it`, 'Place them apart by hand.');
  const around = surroundingsOf(performance, quantity, psi);
  const of = (moved: readonly UncertainPoint[]): number => kind(quantity).value(moved, quantity as never, around);
  let variance = 0;
  let alikeVariance = 0;
  (points as UncertainPoint[]).forEach((p, i) => {
    for (const [axis, sd] of [['x', p.sdX], ['y', p.sdY]] as const) {
      const at = (by: number): number => of((points as UncertainPoint[]).map((q, k) => (k === i ? { ...q, [axis]: q[axis] + by } : q)));
      const slope = difference(quantity, at(STEP), at(-STEP)) / (2 * STEP);
      if (Number.isNaN(slope)) continue;
      variance += (slope * sd) ** 2;
      alikeVariance += (slope * sd * (p.alike ?? 0)) ** 2;
    }
  });
  const last = performance.times.length - 1;
  const [low, high] = [Math.max(0, frame - 1), Math.min(last, frame + 1)];
  const [before, after] = [rawAt(performance, quantity, low, psi), rawAt(performance, quantity, high, psi)];
  const rate = before === null || after === null || high === low ? 0 : difference(quantity, after, before) / ((high - low) * performance.interval);
  const turned = rawAt(performance, quantity, frame, psi + psiSd);
  const value = raw * scale.perPixel;
  const sd = quadrature(Math.sqrt(variance) * scale.perPixel, rate * scale.perPixel * eventSd(performance.interval), plane === 'any' || dimension === 'metres' || turned === null ? 0 : difference(quantity, turned, raw) * scale.perPixel, value * scale.sdShare);
  const unit = unitOfQuantity(quantity, lengthIn);
  const most = dimension === 'length' && lengthIn === 'm' ? MOST_SD.length * 1.8 : MOST_SD[dimension];
  if (sd > most) {
    return notMeasurable('too-uncertain', `The points are too unsure to give it (\u00b1${((COVERAGE_95 * sd) / DISPLAY_UNITS[unit].toSi).toFixed(DISPLAY_UNITS[unit].decimals)}${DISPLAY_UNITS[unit].suffix})`, 'Correct them by hand, or film closer.');
  }
  return { measurable: true, value, sd, alikeSd: Math.sqrt(alikeVariance) * scale.perPixel, unit, provenance: { clipId: performance.clip.id, frames: [frame], points: [...refs] } };
}
