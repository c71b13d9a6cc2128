import { steadyOf, steadySd } from '../calibration/steady';
import { cameraAngles, cameraDown, cameraOffPlane, viewRefusal, type CameraAngles } from '../calibration/view';
import { unwrap } from '../geometry/angle';
import type { Vec3 } from '../geometry/vec3';
import type { Plane } from '../model/measure';
import type { PointRef, Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { placesOf, pointAt, spaceAt } from '../trial/places';
import { notMeasurable, sharedVariance, type NotMeasurable, type Reading } from '../reading';
import { eventSd } from '../statistics/event-time';
import { COVERAGE_95 } from '../statistics/normal';
import { quadrature, type UncertainPoint } from '../statistics/propagate';
import { intervalAt, timeAtFrame } from '../timing/clip-time';
import { DISPLAY_UNITS } from '../units';
import { groundMarksSd, surroundingsOf } from './ground';
import {
  difference,
  dimensionOf,
  goesRound,
  kindOfQuantity,
  refsOfQuantity,
  unitOfQuantity,
  type LengthIn,
} from './registry';
import { isScale, scaleOf, type Scale } from './scale';
import { errorInPicture, errorInSpace, headingError } from './reading-error';
import { type Mirror, mirrored, type InSpace } from './in-space';
import { TEXT } from '../../text/core/quantities';

/**
 * Those who do the same movement leave the plane in much the same way: so much of what depths do is alike in clips that
 * are filmed alike (common practice).
 */
const ALIKE_DEPTH = 0.7;

/** How well the ground's height is known from the feet, share of standing height (against made movements). */
const GROUND_SD_SHARE = 0.008;

/** An angle less sure than this means nothing, radians; a length, share of standing height. */
const MOST_SD = { angle: Math.PI / 6, length: 0.25, ratio: 0.5, metres: 0.45 } as const;

/**
 * How fast a quantity may change where nothing tells (a single frame with points): a quick joint turns by 5 rad a
 * second, a quick limb moves one and a half standing heights (common practice). What is not known is not zero.
 */
const UNKNOWN_RATE = { angle: 5, length: 1.5, ratio: 2, metres: 2.7 } as const;

const refName = (ref: PointRef): string => ref.replace(/^own-/, '').replace('foot-index', 'toe').replaceAll('-', ' ');

function inSpace({ space }: Trial, quantity: Quantity): InSpace | null {
  const { inSpace: value } = kindOfQuantity(quantity);
  if (!space || !value) return null;
  return { value: (points) => value(points, quantity as never), pixelsPerUnit: space.pixelsPerUnit };
}

/** Raw value in space: radians, or pixels for a length. */
function spatialAt(trial: Trial, quantity: Quantity, frame: number, { value, pixelsPerUnit }: InSpace): number | null {
  const points = refsOfQuantity(quantity).map((ref) => spaceAt(trial, ref, frame));
  if (points.includes(null)) return null;
  const raw = value(points as Vec3[]) * (dimensionOf(quantity) === 'length' ? pixelsPerUnit : 1);
  return Number.isNaN(raw) ? null : raw;
}

/** Raw value (radians, pixels or a ratio) at a frame position; null where a point is missing. */
function rawAt(
  trial: Trial,
  quantity: Quantity,
  frame: number,
  camera: CameraAngles,
  mirror: Mirror = null,
): number | null {
  const space = inSpace(trial, quantity);
  if (space) return spatialAt(trial, quantity, frame, space);
  const points = refsOfQuantity(quantity).map((ref) => pointAt(trial, ref, frame, camera));
  if (points.includes(null)) return null;
  const seen = (points as UncertainPoint[]).map((p) => mirrored(p, mirror));
  const value = kindOfQuantity(quantity).value(seen, quantity as never, surroundingsOf(trial, quantity, camera));
  return Number.isNaN(value) ? null : value;
}

/** Value at one frame, SI in the unit wanted or pixels; null where it is not known. */
export function quantityAt(trial: Trial, quantity: Quantity, frame: number, lengthIn: LengthIn | 'px'): number | null {
  const raw = rawAt(trial, quantity, frame, cameraAngles(trial.clip));
  if (raw === null || lengthIn === 'px' || dimensionOf(quantity) !== 'length') return raw;
  const scale = scaleOf(trial, lengthIn);
  return isScale(scale) ? raw * scale.perPixel : null;
}

/** The quantity over all frames of the clip, SI (lengths in the unit wanted), NaN where it is not known. */
export function quantitySeries(trial: Trial, quantity: Quantity, lengthIn: LengthIn): Float64Array {
  const camera = cameraAngles(trial.clip);
  const space = inSpace(trial, quantity);
  const scale = dimensionOf(quantity) === 'length' ? scaleOf(trial, lengthIn) : { perPixel: 1, sdShare: 0 };
  if (!isScale(scale)) return trial.times.map(() => NaN);
  if (space) return trial.times.map((_, i) => (spatialAt(trial, quantity, i, space) ?? NaN) * scale.perPixel);
  const places = refsOfQuantity(quantity).map((ref) => placesOf(trial, ref, camera));
  const around = surroundingsOf(trial, quantity, camera);
  const { value } = kindOfQuantity(quantity);
  const series = new Float64Array(trial.times.length);
  const points = places.map(() => ({ x: 0, y: 0, sdX: 0, sdY: 0 }));
  for (let i = 0; i < series.length; i++) {
    let there = true;
    for (let k = 0; k < places.length; k++) {
      const [x, y] = [places[k]!.x[i]!, places[k]!.y[i]!];
      if (Number.isNaN(x + y)) there = false;
      points[k]!.x = x;
      points[k]!.y = y;
    }
    series[i] = there ? value(points, quantity as never, around) * scale.perPixel : NaN;
  }
  return series;
}

/** The same without jumps of whole turns, so that it can be followed through a movement. */
export function continuousSeries(trial: Trial, quantity: Quantity, lengthIn: LengthIn): Float64Array {
  const series = quantitySeries(trial, quantity, lengthIn);
  return goesRound(quantity) ? unwrap(series) : series;
}

/**
 * How fast a quantity changes at a frame position, raw unit a second; from one side where the other is missing, null
 * where both are.
 */
function rateAt(trial: Trial, quantity: Quantity, frame: number, camera: CameraAngles): number | null {
  if (trial.clip.pictures) return null;
  const last = trial.times.length - 1;
  const at = [Math.max(0, frame - 1), frame, Math.min(last, frame + 1)].map((f) => ({
    time: timeAtFrame(trial.times, f) as number,
    value: rawAt(trial, quantity, f, camera),
  }));
  const known = at.filter((a): a is { time: number; value: number } => a.value !== null);
  const [first, end] = [known[0], known.at(-1)];
  if (!first || !end || end.time <= first.time) return null;
  return difference(quantity, end.value, first.value) / (end.time - first.time);
}

export interface ReadAs {
  readonly plane: Plane;
  /** Frame position; fractions lie between two frames. */
  readonly frame: number;
  readonly lengthIn: LengthIn;
  /** Standard deviation of the time at which it is read, seconds; left out, that of a frame marked by hand. */
  readonly timeSd?: number;
  /** The part of it that is alike in every clip. */
  readonly timeSystematic?: number;
  readonly mirror?: Mirror;
}

const tooUnsure = (quantity: Quantity, lengthIn: LengthIn, sd: number): NotMeasurable => {
  const { toSi, decimals, suffix } = DISPLAY_UNITS[unitOfQuantity(quantity, lengthIn)];
  const half = COVERAGE_95 * sd;
  // More than half a turn either way is any direction at all.
  const by =
    dimensionOf(quantity) === 'angle' && half >= Math.PI
      ? TEXT.itMayBeAny
      : `\u00b1${(half / toSi).toFixed(decimals)}${suffix}`;
  return notMeasurable('too-uncertain', TEXT.pointsLieTooCloseTogether(by), TEXT.correctThemByHand);
};

function scaleFor(trial: Trial, quantity: Quantity, lengthIn: LengthIn): Scale | NotMeasurable {
  const dimension = dimensionOf(quantity);
  if (dimension === 'length') return scaleOf(trial, lengthIn);
  if (dimension !== 'metres') return { perPixel: 1, sdShare: 0 };
  if (!trial.clip.ground) return notMeasurable('no-scale', TEXT.noRectangleOnGround, TEXT.markOneAtMatch);
  if (trial.clip.ground.frame === undefined && steadyOf(trial.clip))
    return notMeasurable('no-scale', TEXT.cameraMovesAndInWhichOf, TEXT.markItAgainAtMatch);
  return { perPixel: 1, sdShare: 0 };
}

/**
 * Reads a quantity at a frame position. Its standard deviation joins, to first order: the errors of its points
 * (`error.ts`), its rate of change times the error of the moment, what the uncertainty of the camera's direction and
 * the points' depths would change, and the scale.
 */
export function readQuantity(
  trial: Trial,
  quantity: Quantity,
  { plane, frame, lengthIn, timeSd = eventSd(intervalAt(trial, frame)), timeSystematic = 0, mirror = null }: ReadAs,
): Reading {
  const space = inSpace(trial, quantity);
  const refusal = space ? null : viewRefusal(trial.clip, plane);
  if (refusal) return refusal;
  const scale = scaleFor(trial, quantity, lengthIn);
  if (!isScale(scale)) return scale;
  const dimension = dimensionOf(quantity);
  const camera = cameraAngles(trial.clip);
  const refs = refsOfQuantity(quantity);
  const points = refs.map((ref) => pointAt(trial, ref, frame, camera));
  const missing = refs.find((_, i) => points[i] === null);
  if (missing !== undefined)
    return notMeasurable(
      'point-missing',
      TEXT.noAtFrame(refName(missing), Math.round(frame) + 1),
      TEXT.detectPointsOrPlace,
    );
  const raw = rawAt(trial, quantity, frame, camera, mirror);
  if (raw === null) return notMeasurable('point-missing', TEXT.twoOfItsPointsLie, TEXT.placeThemApartByHand);

  const error = space
    ? errorInSpace(trial, quantity, frame, space)
    : errorInPicture(trial, quantity, points as UncertainPoint[], frame, mirror);
  const rate =
    rateAt(trial, quantity, frame, camera) ??
    UNKNOWN_RATE[dimension] / (dimension === 'length' ? scale.perPixel * (lengthIn === 'm' ? 0.55 : 1) : 1);
  const computed = trial.space?.errors;
  const planar = plane !== 'any' && dimension !== 'metres' && !space && !computed;
  const from = (changed: Partial<CameraAngles>): number => {
    const other = planar ? rawAt(trial, quantity, frame, { ...camera, ...changed }, mirror) : null;
    return other === null ? 0 : difference(quantity, other, raw) * scale.perPixel;
  };
  const heading = computed && !space ? headingError(trial, quantity, frame) * scale.perPixel : 0;
  const value = raw * scale.perPixel;
  const shared = {
    camera: from({ offPlane: camera.offPlane + cameraOffPlane(trial.clip).sd }) + heading,
    tilt: from({ down: camera.down + cameraDown(trial.clip).sd }),
    scale:
      quantity.type === 'ground-distance'
        ? groundMarksSd(trial, points as UncertainPoint[], camera)
        : value * scale.sdShare,
    ground:
      quantity.type === 'height' ? GROUND_SD_SHARE * (lengthIn === 'm' ? trial.bodyHeight * scale.perPixel : 1) : 0,
  };
  const need = kindOfQuantity(quantity).picture;
  const moved =
    steadySd(trial.clip, need, frame) * (need === 'size' ? Math.abs(value) : need === 'place' ? scale.perPixel : 1);
  const depth = planar ? error.depth * scale.perPixel : 0;
  const sd = quadrature(
    error.sd * scale.perPixel,
    rate * scale.perPixel * timeSd,
    depth,
    moved,
    Math.sqrt(sharedVariance(shared)),
  );
  const most = dimension === 'length' && lengthIn === 'm' ? MOST_SD.length * 1.8 : MOST_SD[dimension];
  // A deviation that cannot be told is no small one.
  if (!(sd <= most)) return tooUnsure(quantity, lengthIn, Number.isFinite(sd) ? sd : most);
  return {
    measurable: true,
    value,
    sd,
    systematicSd: Math.hypot(
      error.systematic * scale.perPixel,
      ALIKE_DEPTH * (planar ? error.depthAlike : 0) * scale.perPixel,
      rate * scale.perPixel * timeSystematic,
    ),
    points: error.sd * scale.perPixel,
    shared,
    unit: unitOfQuantity(quantity, lengthIn),
    provenance: { clipId: trial.clip.id, frames: [frame], points: [...refs] },
  };
}
