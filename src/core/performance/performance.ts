import { unforeshorten } from '../calibration/view';
import { midpoint } from '../geometry/vec2';
import { farSide, type Clip } from '../model/clip';
import type { PointRef } from '../model/movement';
import { BODY_POINTS, type PointId } from '../points/body-points';
import { bodyHeightPixels, pointSd } from '../points/point-error';
import { ORIGIN, type PointSeries, type Track } from '../points/track';
import { findOutliers } from '../signal/outliers';
import { medianInterval } from '../signal/resample';
import { smoothCoordinate } from '../signal/smooth';
import { frameInterval, realTimes, timeAtFrame } from '../timing/clip-time';
import type { UncertainPoint } from '../uncertainty/propagate';
import type { MomentTimes } from '../timing/time-map';

/** Longest dropout bridged before smoothing: 50 ms at 120 frames per second. */
const LONGEST_BRIDGE_FRAMES = 6;

/** One clip made ready for measuring: smoothed points, real times, marked moments. */
export interface Performance {
  readonly clip: Clip;
  readonly times: Float64Array;
  readonly interval: number;
  /** Moment id -> frame position. */
  readonly marks: Readonly<Record<string, number>>;
  /** Smoothed points in pixels of the displayed picture. */
  readonly smoothed: Track;
  /** As they were placed and found. */
  readonly raw: Track;
  readonly bodyHeight: number;
}

/** A found point that jumps by more than this share of standing height and back is not believed. */
const OUTLIER_SHARE = 0.02;

/** Coordinates with wild single positions of the finder taken out; what was placed by hand stays. */
function withoutOutliers(series: PointSeries, height: number, rate: number): { x: Float64Array; y: Float64Array } {
  if (Number.isNaN(height)) return series;
  const wild = findOutliers(series.x, series.y, OUTLIER_SHARE * height, rate);
  const keep = (value: number, i: number): number => (wild[i] && series.origin[i] === ORIGIN.found ? NaN : value);
  return { x: series.x.map(keep), y: series.y.map(keep) };
}

/** Smooths every point of a track after taking out jumps; confidence and origin stay those of the raw points. */
export function smoothTrack(track: Track, times: Float64Array, cutoff: number): Track {
  const smoothing = { cutoff, longestBridge: LONGEST_BRIDGE_FRAMES };
  const height = bodyHeightPixels(track);
  const rate = 1 / medianInterval(times);
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => {
      const { x, y } = withoutOutliers(series, height, rate);
      return [id, { ...series, x: smoothCoordinate(times, x, smoothing), y: smoothCoordinate(times, y, smoothing) }];
    }),
  );
}

export function preparePerformance(
  clip: Clip,
  track: Track,
  marks: Readonly<Record<string, { readonly frame: number }>>,
  cutoff: number,
): Performance {
  const times = realTimes(clip);
  return {
    clip,
    times,
    interval: frameInterval(clip),
    marks: Object.fromEntries(Object.entries(marks).map(([id, mark]) => [id, mark.frame])),
    smoothed: smoothTrack(track, times, cutoff),
    raw: track,
    bodyHeight: bodyHeightPixels(track),
  };
}

/** Real time of each marked moment. */
export function momentTimes(performance: Performance): MomentTimes {
  return Object.fromEntries(Object.entries(performance.marks).map(([id, frame]) => [id, timeAtFrame(performance.times, frame)]));
}

/** The body points that a reference by function means for a performer with this dominant side. */
export function resolvePoint(ref: PointRef, dominant: 'left' | 'right'): readonly PointId[] {
  if (ref === 'nose') return ['nose'];
  if (ref === 'mid-hip') return ['left-hip', 'right-hip'];
  if (ref === 'mid-shoulder') return ['left-shoulder', 'right-shoulder'];
  const other = dominant === 'left' ? 'right' : 'left';
  const side = ref.startsWith('dominant') ? dominant : other;
  const id = `${side}-${ref.slice(ref.indexOf('-') + 1)}` as PointId;
  return BODY_POINTS.includes(id) ? [id] : [];
}

/** Displayed-picture position of one body point at a frame position, linear between frames; null where missing. */
function pixelAt(performance: Performance, id: PointId, frame: number): { x: number; y: number; sd: number } | null {
  const series = performance.smoothed[id];
  const raw = performance.raw[id];
  if (!series || !raw) return null;
  const low = Math.floor(frame);
  const high = Math.min(series.x.length - 1, low + 1);
  const u = frame - low;
  if (low < 0 || low >= series.x.length) return null;
  const x = u === 0 ? series.x[low]! : series.x[low]! * (1 - u) + series.x[high]! * u;
  const y = u === 0 ? series.y[low]! : series.y[low]! * (1 - u) + series.y[high]! * u;
  if (Number.isNaN(x) || Number.isNaN(y)) return null;
  const nearest = u < 0.5 ? low : high;
  return { x, y, sd: pointSd(raw, id, nearest, performance.bodyHeight, farSide(performance.clip)) };
}

/** Picture position of a point of the movement, for drawing; null where missing. */
export function pictureAt(performance: Performance, ref: PointRef, frame: number): { x: number; y: number } | null {
  const parts = resolvePoint(ref, performance.clip.performer.dominantSide).map((id) => pixelAt(performance, id, frame));
  if (parts.length === 0 || parts.some((p) => p === null)) return null;
  return parts.length === 1 ? parts[0]! : midpoint(parts[0]!, parts[1]!);
}

/**
 * A point of the movement in movement coordinates: pixels, x in the direction of travel, y up, lengths along the
 * plane stretched back by the camera's angle to it.
 * @param psi camera off the plane's normal, radians
 */
export function pointAt(performance: Performance, ref: PointRef, frame: number, psi: number): UncertainPoint | null {
  const parts = resolvePoint(ref, performance.clip.performer.dominantSide).map((id) => pixelAt(performance, id, frame));
  if (parts.length === 0 || parts.some((p) => p === null)) return null;
  const forward = performance.clip.travel === 'right' ? 1 : -1;
  const n = parts.length;
  const x = parts.reduce((sum, p) => sum + p!.x, 0) / n;
  const y = parts.reduce((sum, p) => sum + p!.y, 0) / n;
  const sd = Math.sqrt(parts.reduce((sum, p) => sum + p!.sd ** 2, 0)) / n;
  const stretch = unforeshorten(1, psi);
  return { x: forward * x * stretch, y: -y, sdX: sd * stretch, sdY: sd };
}

