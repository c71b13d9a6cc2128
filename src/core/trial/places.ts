import { centreOfMassWeights, TABLE_SD_SHARE } from '../anatomy/centre-of-mass';
import { isBodyPoint, isOwnPoint, sideOf, type PointId } from '../anatomy/body-points';
import { levelOf } from '../calibration/level';
import { axesOf, ontoPlane, type CameraAngles } from '../calibration/view';
import { steadyOf } from '../calibration/steady';
import { rotate, type Vec2 } from '../geometry/vec2';
import type { Vec3 } from '../geometry/vec3';
import { seenFrom, type Clip, type Performer } from '../model/clip';
import type { PointRef } from '../model/quantity';
import type { UncertainPoint } from '../statistics/propagate';
import { correlationOf, doubtError, everyWay, pointError, type PointError } from '../tracks/point-error';
import { afterSmoothing } from '../signal/noise';
import { intervalAt } from '../timing/clip-time';
import { noiseOf } from '../tracks/point-noise';
import { isFromDetector, ORIGIN } from '../tracks/track';
import type { PointSeries, Track } from '../tracks/track';
import { pictureSd } from './space';
import type { Trial } from './trial';

/** A point's part in a weighted mean; the weights of a reference sum to 1. */
interface Part {
  readonly id: PointId;
  readonly weight: number;
}

/**
 * The points that a reference by function means for a performer, and how much each counts; none where it means nothing.
 */
export function partsOf(
  ref: PointRef,
  performer: Pick<Performer, 'dominantSide' | 'segmentTable'>,
  track: Track,
): readonly Part[] {
  if (isOwnPoint(ref) || ref === 'nose') return [{ id: ref, weight: 1 }];
  if (ref === 'mid-hip' || ref === 'mid-shoulder') {
    const joint = ref === 'mid-hip' ? 'hip' : 'shoulder';
    return [
      { id: `left-${joint}`, weight: 0.5 },
      { id: `right-${joint}`, weight: 0.5 },
    ];
  }
  if (ref === 'centre-of-mass')
    return centreOfMassWeights(performer.segmentTable, track['left-ear'] && track['right-ear'] ? undefined : ['nose']);
  const other = performer.dominantSide === 'left' ? 'right' : 'left';
  const side = ref.startsWith('dominant') ? performer.dominantSide : other;
  const id = `${side}-${ref.slice(ref.indexOf('-') + 1)}`;
  return isBodyPoint(id) ? [{ id, weight: 1 }] : [];
}

/** How much a point jitters from frame to frame before it is smoothed, pixels; 0 where its positions do not tell. */
export const jitterOf = ({ raw }: Pick<Trial, 'raw'>, id: PointId): number => (raw[id] ? noiseOf(raw[id]) : 0);

/**
 * Detectors carry part of their error on from frame to frame, which their jitter does not show: the speed of a detected
 * joint trembles so many times as much as white noise of that jitter would (median of the rendered demo clips' joints,
 * 1.2 to 2.9).
 */
const DETECTED_CARRIES = 1.8;

/** Whether a detector placed a point on some frames. */
export const isDetected = ({ raw }: Pick<Trial, 'raw'>, id: PointId): boolean =>
  raw[id]?.origin.includes(ORIGIN.detected) ?? false;

/** The white noise whose speed trembles as that of a point does, pixels; 0 where its positions do not tell. */
export const tremblingOf = (trial: Pick<Trial, 'raw'>, id: PointId): number =>
  jitterOf(trial, id) * (isDetected(trial, id) ? DETECTED_CARRIES : 1);

/** How wrong a point may be at a frame: as it was computed in space, or as it was placed or detected in the picture. */
function errorOf(trial: Trial, series: PointSeries, id: PointId, frame: number): PointError {
  if (trial.space?.errors) return everyWay(pictureSd(trial.space, id, frame));
  const noise = afterSmoothing(jitterOf(trial, id), trial.cutoff, intervalAt(trial, frame));
  const learned = trial.learned?.get(id);
  if (learned && isFromDetector(series.origin[frame])) {
    const doubt = doubtError(series.confidence[frame]!) * trial.bodyHeight;
    return everyWay(Math.hypot(Math.max(learned.sd[frame]!, noise), doubt));
  }
  return pointError(series, id, frame, trial.bodyHeight, seenFrom(trial.clip, sideOf(id)), noise);
}

/** Displayed-picture position of one body point at a frame position, linear between frames; null where missing. */
function pixelAt(
  trial: Trial,
  id: PointId,
  frame: number,
): ({ readonly id: PointId; readonly x: number; readonly y: number } & PointError) | null {
  const series = trial.smoothed[id];
  if (!series) return null;
  const low = Math.floor(frame);
  const high = Math.min(series.x.length - 1, low + 1);
  const u = frame - low;
  if (low < 0 || low >= series.x.length) return null;
  const x = u === 0 ? series.x[low]! : series.x[low]! * (1 - u) + series.x[high]! * u;
  const y = u === 0 ? series.y[low]! : series.y[low]! * (1 - u) + series.y[high]! * u;
  if (Number.isNaN(x) || Number.isNaN(y)) return null;
  const nearest = u < 0.5 ? low : high;
  return {
    id,
    x,
    y,
    ...errorOf(trial, series, id, nearest),
  };
}

/** A place of the points' picture in that of a frame as it was filmed: the same, but of a camera that moves. */
export const asFilmed = ({ clip }: Pick<Trial, 'clip'>, frame: number, place: Vec2): Vec2 =>
  steadyOf(clip)?.toPicture(frame, place) ?? place;

/**
 * Picture position of a point of the movement, for drawing; null where missing.
 * @param shownAt the frame in whose picture, where that is another one: a place on the ground moves in the picture of a
 * camera that does
 */
export function pictureAt(
  trial: Trial,
  ref: PointRef,
  frame: number,
  shownAt: number = frame,
): { x: number; y: number } | null {
  const parts = partsAt(trial, ref, frame);
  return (
    parts &&
    asFilmed(trial, shownAt, {
      x: parts.reduce((sum, p) => sum + p.weight * p.x, 0),
      y: parts.reduce((sum, p) => sum + p.weight * p.y, 0),
    })
  );
}

/** A body point as a part of a reference: where it is in the picture, how much it counts, and how wrong it may be. */
export interface PartAt extends PointError {
  readonly id: PointId;
  readonly x: number;
  readonly y: number;
  readonly weight: number;
}

/** Where the parts of a reference are at a frame position; null where one is missing. */
export function partsAt(trial: Trial, ref: PointRef, frame: number): readonly PartAt[] | null {
  const parts = partsOf(ref, trial.clip.performer, trial.smoothed).map(({ id, weight }) => {
    const at = pixelAt(trial, id, frame);
    return at && { ...at, weight };
  });
  return parts.length === 0 || parts.includes(null) ? null : (parts as PartAt[]);
}

/** What the errors of joints of both sides share along an axis, twice their covariance, pixels squared. */
function bothSides(parts: readonly PartAt[], of: 'sd' | 'systematic', axis: 'x' | 'y'): number {
  let sum = 0;
  for (const p of parts) {
    const other = p.id.startsWith('left') && parts.find((q) => q.id === p.id.replace('left', 'right'));
    if (other) sum += 2 * correlationOf(p, other)[axis] * p.weight * p[of][axis] * other.weight * other[of][axis];
  }
  return sum;
}

/**
 * A point of the movement in movement coordinates: pixels, the picture levelled, axes by `axesOf`, the plane as it is
 * where a camera beside or above it sees it shortened.
 */
export function pointAt(trial: Trial, ref: PointRef, frame: number, camera: CameraAngles): UncertainPoint | null {
  const parts = partsAt(trial, ref, frame);
  if (!parts) return null;
  const axes = axesOf(trial.clip);
  const { x, y } = rotate(
    { x: parts.reduce((sum, p) => sum + p.weight * p.x, 0), y: parts.reduce((sum, p) => sum + p.weight * p.y, 0) },
    levelOf(trial.clip),
  );
  // A body's mass lies beside the table's in the same way at every frame.
  const byTable = ref === 'centre-of-mass' && !Number.isNaN(trial.bodyHeight) ? TABLE_SD_SHARE * trial.bodyHeight : 0;
  const variance = (of: 'sd' | 'systematic', axis: 'x' | 'y'): number =>
    parts.reduce((sum, p) => sum + (p.weight * p[of][axis]) ** 2, bothSides(parts, of, axis));
  const [across, down] = [byTable ** 2 + variance('sd', 'x'), byTable ** 2 + variance('sd', 'y')];
  const plane = ontoPlane(camera);
  return {
    x: axes.x * plane.x * x,
    y: axes.y * (plane.lean * x - plane.y * y),
    sdX: Math.sqrt(across) * plane.x,
    sdY: Math.sqrt(down * plane.y ** 2 + across * plane.lean ** 2),
    systematic: Math.sqrt((variance('systematic', 'x') + variance('systematic', 'y')) / (across + down)),
  };
}

/** Where a point of the movement is at every frame, movement coordinates, NaN where it is missing. */
export interface Places {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

const known = new WeakMap<Track, WeakMap<Clip, Map<string, Places>>>();

/**
 * A point at every frame, as `pointAt` gives it at one; computed once for the smoothed points of a clip.
 */
export function placesOf(trial: Trial, ref: PointRef, camera: CameraAngles): Places {
  const { clip, smoothed } = trial;
  const ofTrack = known.get(smoothed) ?? new WeakMap<Clip, Map<string, Places>>();
  known.set(smoothed, ofTrack);
  const ofClip = ofTrack.get(clip) ?? new Map<string, Places>();
  ofTrack.set(clip, ofClip);
  const key = `${ref} ${camera.offPlane} ${camera.down}`;
  const there = ofClip.get(key);
  if (there) return there;
  const frames = trial.times.length;
  const [px, py] = [new Float64Array(frames), new Float64Array(frames)];
  const parts = partsOf(ref, clip.performer, smoothed);
  if (parts.length === 0) {
    px.fill(NaN);
    py.fill(NaN);
  }
  for (const { id, weight } of parts) {
    const series = smoothed[id];
    for (let i = 0; i < frames; i++) {
      px[i] = px[i]! + weight * (series?.x[i] ?? NaN);
      py[i] = py[i]! + weight * (series?.y[i] ?? NaN);
    }
  }
  const turn = levelOf(clip);
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const axes = axesOf(clip);
  const plane = ontoPlane(camera);
  const places = { x: new Float64Array(frames), y: new Float64Array(frames) };
  for (let i = 0; i < frames; i++) {
    const right = cos * px[i]! - sin * py[i]!;
    places.x[i] = axes.x * plane.x * right;
    places.y[i] = axes.y * (plane.lean * right - plane.y * (sin * px[i]! + cos * py[i]!));
  }
  ofClip.set(key, places);
  return places;
}

/**
 * Where a point of the movement is in space at a frame position, in the unit of its space, linear between frames; null
 * where that is not known.
 */
export function spaceAt({ space, clip, smoothed }: Trial, ref: PointRef, frame: number): Vec3 | null {
  const parts = partsOf(ref, clip.performer, smoothed);
  if (!space || parts.length === 0) return null;
  const low = Math.floor(frame);
  let [x, y, z] = [0, 0, 0];
  for (const { id, weight } of parts) {
    const series = space.points[id];
    if (!series) return null;
    const high = Math.min(series.x.length - 1, low + 1);
    const at = (values: Float64Array): number =>
      frame === low ? values[low]! : values[low]! * (1 - frame + low) + values[high]! * (frame - low);
    x += weight * at(series.x);
    y += weight * at(series.y);
    z += weight * at(series.z);
  }
  return Number.isNaN(x + y + z) ? null : { x, y, z };
}
