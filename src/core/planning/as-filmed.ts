import { isBodyPoint, type PointId } from '../anatomy/body-points';
import type { Vec2 } from '../geometry/vec2';
import { aheadOfSquare, cameraAngles, ontoPlane, type OntoPlane } from '../calibration/view';
import type { CameraPlan } from '../model/camera-plan';
import type { View } from '../model/clip';
import { frameAtTime, timeAtFrame } from '../timing/clip-time';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { prepareTrial, type Trial } from '../trial/trial';
import { eventTimes } from '../trial/key-events';
import { looksDown, pixelsPerMetre } from './camera-plan';

/** How well whoever sets a camera up by a plan keeps to its direction (common practice), degrees. */
export const PLACED_SD_DEGREES = 3;

/** Where a body goes from the first moment to the last, pixels of the picture. */
export interface Extent {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The part of a picture that the points of a movement take, from its first moment to its last. */
export function extentOf({ smoothed, marks, times }: Pick<Trial, 'smoothed' | 'marks' | 'times'>): Extent {
  const at = Object.values(marks);
  const first = at.length > 0 ? Math.max(0, Math.floor(Math.min(...at))) : 0;
  const last = at.length > 0 ? Math.min(times.length - 1, Math.ceil(Math.max(...at))) : times.length - 1;
  let extent = { left: Infinity, right: -Infinity, top: Infinity, bottom: -Infinity };
  for (const series of Object.values(smoothed) as PointSeries[])
    for (let i = first; i <= last; i++) {
      const [x, y] = [series.x[i]!, series.y[i]!];
      if (Number.isNaN(x + y)) continue;
      extent = {
        left: Math.min(extent.left, x),
        right: Math.max(extent.right, x),
        top: Math.min(extent.top, y),
        bottom: Math.max(extent.bottom, y),
      };
    }
  return extent;
}

/** A series at other times, linear between its samples: it was smoothed, and is only looked at more often. */
function seriesAt(
  series: PointSeries,
  frames: Float64Array,
  to: { readonly place: (x: number, y: number) => Vec2; readonly detected: boolean },
): PointSeries {
  const between = (values: ArrayLike<number>, frame: number): number => {
    const low = Math.min(values.length - 1, Math.floor(frame));
    const high = Math.min(values.length - 1, low + 1);
    return values[low]! + (frame - low) * (values[high]! - values[low]!);
  };
  const nearest = (frame: number): number => Math.min(series.x.length - 1, Math.round(frame));
  const at = Array.from(frames, (frame) => to.place(between(series.x, frame), between(series.y, frame)));
  const x = Float64Array.from(at, (place) => place.x);
  return {
    x,
    y: Float64Array.from(at, (place) => place.y),
    confidence: Float32Array.from(frames, (frame) => series.confidence[nearest(frame)]!),
    // A ball or a bat is followed or placed as it was here.
    origin: Uint8Array.from(frames, (frame, i) => {
      if (Number.isNaN(x[i]!)) return ORIGIN.missing;
      return to.detected ? ORIGIN.detected : series.origin[nearest(frame)]!;
    }),
  };
}

/**
 * What a point's positions were off by its path, pixels of the planned picture: of frames in a row that were looked at,
 * since between frames that were filled in the path is bent to go through the one that was not.
 */
function residualsOf(raw: PointSeries | undefined, smooth: PointSeries, scale: number): readonly Vec2[] {
  if (!raw) return [];
  const isOwn = (i: number): boolean => raw.origin[i] !== ORIGIN.filled && !Number.isNaN(raw.x[i]! + smooth.x[i]!);
  return Array.from(raw.x.keys())
    .filter((i) => i > 0 && i < raw.x.length - 1 && isOwn(i - 1) && isOwn(i) && isOwn(i + 1))
    .map((i) => ({ x: scale * (raw.x[i]! - smooth.x[i]!), y: scale * (raw.y[i]! - smooth.y[i]!) }));
}

/** A path with residuals added, one after the other. */
const withResiduals = (path: PointSeries, residuals: readonly Vec2[]): PointSeries =>
  residuals.length === 0
    ? path
    : {
        ...path,
        x: path.x.map((x, k) => x + residuals[k % residuals.length]!.x),
        y: path.y.map((y, k) => y + residuals[k % residuals.length]!.y),
      };

/**
 * A measured performance as another camera would give it: as many pixels tall, as often looked at, seen from as far
 * beside the plane, its movement in the middle of the picture, its points detected and its moments marked by hand. What
 * a measure then says of its own error is what to expect there.
 */
export function asFilmed(trial: Trial, plan: CameraPlan): Trial {
  const { clip, times, smoothed, bodyHeight } = trial;
  const scale = (pixelsPerMetre(plan) * plan.stature) / bodyHeight;
  const view: View = {
    ...clip.view,
    offPlaneDegrees: aheadOfSquare(plan.offPlane, clip.view.kind, clip.travel),
    offPlaneSdDegrees: PLACED_SD_DEGREES,
    downDegrees: looksDown(plan, plan.distance),
  };
  // Depths are not known: what lies in the plane is shortened, and what the rest does is in the error.
  const [was, is] = [clip, { view }].map((camera) => ontoPlane(cameraAngles(camera))) as [OntoPlane, OntoPlane];
  const extent = extentOf(trial);
  const middle = { x: (extent.left + extent.right) / 2, y: (extent.top + extent.bottom) / 2 };
  const place = (x: number, y: number): Vec2 => {
    const [right, up] = [x - middle.x, middle.y - y];
    const seen = (was.x / is.x) * right;
    return {
      x: plan.width / 2 + scale * seen,
      y: plan.height / 2 - (scale * (was.y * up + was.lean * right - is.lean * seen)) / is.y,
    };
  };
  const lasts = times[times.length - 1]!;
  const taken = Float64Array.from({ length: Math.floor(lasts * plan.rate) + 1 }, (_, i) => i / plan.rate);
  const frames = taken.map((time) => frameAtTime(times, time));
  const track: Track = Object.fromEntries(
    (Object.entries(smoothed) as [PointId, PointSeries][]).map(([id, series]) => [
      id,
      withResiduals(
        seriesAt(series, frames, { place, detected: isBodyPoint(id) }),
        residualsOf(trial.raw[id], series, scale),
      ),
    ]),
  );
  const planned = {
    ...clip,
    width: plan.width,
    height: plan.height,
    frameTimes: taken.map((time) => Math.round(time * 1e6)),
    fileRate: plan.rate,
    captureRate: plan.rate,
    rateChanges: [],
    view,
    scale: clip.scale && { pixels: pixelsPerMetre(plan), metres: 1 },
    ground: null,
    camera: null,
    carryCorrections: false,
    library: null,
  };
  const moments = Object.fromEntries(
    Object.entries(eventTimes(trial)).map(([id, time]) => [id, { frame: time * plan.rate }]),
  );
  return prepareTrial(planned, track, moments, trial.cutoff, trial.checks);
}

/** Largest speed of any point from the first moment to the last, metres a second. */
export function fastest(trial: Trial, stature: number): number {
  const { smoothed, marks, times, bodyHeight } = trial;
  const at = Object.values(marks).map((frame) => timeAtFrame(times, frame) as number);
  const [from, to] = at.length > 0 ? [Math.min(...at), Math.max(...at)] : [0, Infinity];
  let most = 0;
  for (const { x, y } of Object.values(smoothed) as PointSeries[])
    for (let i = 1; i < times.length; i++) {
      if (times[i]! < from || times[i]! > to) continue;
      const speed = Math.hypot(x[i]! - x[i - 1]!, y[i]! - y[i - 1]!) / (times[i]! - times[i - 1]!);
      if (speed > most) most = speed;
    }
  return (most / bodyHeight) * stature;
}
