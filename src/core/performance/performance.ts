import { unforeshorten } from '../calibration/view';
import { levelOf } from '../calibration/level';
import { rotate } from '../geometry/vec2';
import { farSide, type Clip, type Performer } from '../model/clip';
import type { Check } from '../model/check';
import type { PointRef } from '../model/movement';
import { centreOfMassWeights, TABLE_SD_SHARE } from '../anatomy/centre-of-mass';
import { isBodyPoint, isOwnPoint, type PointId } from '../anatomy/body-points';
import { bodyHeightPixels, pointError, type PointError } from '../tracks/point-error';
import { ORIGIN, type PointSeries, type Track } from '../tracks/track';
import { bridgeDropouts } from '../signal/dropouts';
import { findOutliers } from '../signal/outliers';
import { typicalInterval } from '../signal/resample';
import { smoothCoordinate } from '../signal/smooth';
import { frameInterval, realTimes, timeAtFrame } from '../timing/clip-time';
import type { UncertainPoint } from '../statistics/propagate';
import type { MomentTimes } from '../timing/time-map';

/** Longest dropout bridged before smoothing: 50 ms at 120 frames per second. */
export const LONGEST_BRIDGE_FRAMES = 6;

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
  /** Answers by eye: measure id -> answer. */
  readonly checks: Readonly<Record<string, Check>>;
  /** Corner of the smoothing, Hz. */
  readonly cutoff: number;
}

/** A found point that jumps by more than this share of standing height and back is not believed. */
const OUTLIER_SHARE = 0.02;

/** The finder was all but at a loss: its position is worth less than one bridged from better neighbours. */
const LOST_CONFIDENCE = 0.15;
/** How sure a bridged position is, against its neighbours. */
const BRIDGED_SHARE = 0.5;

/** The marked frames in runs short enough to bridge; in longer runs an unsure position is better than none. */
function bridgeable(marked: readonly boolean[]): readonly boolean[] {
  const kept = [...marked];
  for (let start = 0; start < kept.length; start++) {
    let end = start;
    while (kept[end]) end++;
    if (start === 0 || end === kept.length || end - start > LONGEST_BRIDGE_FRAMES) kept.fill(false, start, end);
    start = end;
  }
  return kept;
}

/** Frames of a found point that its neighbours say more about than the finder did. */
function unbelieved(series: PointSeries, height: number, rate: number): readonly boolean[] {
  const wild = Number.isNaN(height) ? [] : findOutliers(series.x, series.y, OUTLIER_SHARE * height, rate);
  const isFound = Array.from(series.origin, (origin) => origin === ORIGIN.found);
  const jumps = bridgeable(isFound.map((found, i) => found && wild[i] === true));
  const lost = bridgeable(isFound.map((found, i) => found && (wild[i] === true || series.confidence[i]! < LOST_CONFIDENCE)));
  return jumps.map((jump, i) => jump || lost[i]!);
}

/** Smooths one point; frames that are not believed are bridged from their neighbours, and so is how sure they are. */
function smoothPoint(series: PointSeries, times: Float64Array, cutoff: number, height: number): PointSeries {
  const smoothing = { cutoff, longestBridge: LONGEST_BRIDGE_FRAMES };
  const out = unbelieved(series, height, 1 / typicalInterval(times));
  const kept = (values: Float64Array): Float64Array => values.map((value, i) => (out[i] ? NaN : value));
  const sure = bridgeDropouts(Float64Array.from(series.confidence, (c, i) => (out[i] ? NaN : c)), LONGEST_BRIDGE_FRAMES);
  return {
    ...series,
    x: smoothCoordinate(times, kept(series.x), smoothing),
    y: smoothCoordinate(times, kept(series.y), smoothing),
    confidence: series.confidence.map((c, i) => (out[i] && !Number.isNaN(sure[i]!) ? Math.min(1, Math.max(c, BRIDGED_SHARE * sure[i]!)) : c)),
  };
}

/** What was smoothed before: an edit of one point leaves the others as they are. */
const smoothedBefore = new WeakMap<PointSeries, { readonly times: Float64Array; readonly cutoff: number; readonly height: number; readonly series: PointSeries }>();

const sameTimes = (a: Float64Array, b: Float64Array): boolean => a === b || (a.length === b.length && a.every((t, i) => t === b[i]));

/** Standing height to about two per cent, which is as well as a jump is told by it; a moved point leaves it alone. */
const coarse = (height: number): number => Math.exp(Math.round(Math.log(height) * 50) / 50);

/** Smooths every point of a track; origins stay those of the raw points. */
export function smoothTrack(track: Track, times: Float64Array, cutoff: number): Track {
  const height = coarse(bodyHeightPixels(track));
  return Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => {
      const before = smoothedBefore.get(series);
      if (before && before.cutoff === cutoff && Object.is(before.height, height) && sameTimes(before.times, times)) return [id, before.series];
      const smoothed = smoothPoint(series, times, cutoff, height);
      smoothedBefore.set(series, { times, cutoff, height, series: smoothed });
      return [id, smoothed];
    }),
  );
}

/** A clip with its points smoothed; the costly part, which marking a moment does not change. */
export function prepareTrack(clip: Clip, track: Track, cutoff: number): Omit<Performance, 'marks' | 'checks'> {
  const times = realTimes(clip);
  return {
    clip,
    times,
    interval: frameInterval(clip),
    smoothed: smoothTrack(track, times, cutoff),
    raw: track,
    bodyHeight: bodyHeightPixels(track),
    cutoff,
  };
}

/** The frame of each mark, from marks that may carry more. */
export const frameOfMarks = (marks: Readonly<Record<string, { readonly frame: number }>>): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(marks).map(([id, mark]) => [id, mark.frame]));

export function preparePerformance(
  clip: Clip,
  track: Track,
  marks: Readonly<Record<string, { readonly frame: number }>>,
  cutoff: number,
  checks: Performance['checks'] = {},
): Performance {
  return { ...prepareTrack(clip, track, cutoff), marks: frameOfMarks(marks), checks };
}

/** Real time of each marked moment. */
export function momentTimes(performance: Performance): MomentTimes {
  return Object.fromEntries(Object.entries(performance.marks).map(([id, frame]) => [id, timeAtFrame(performance.times, frame)]));
}

/** A point's part in a weighted mean; the weights of a reference sum to 1. */
interface Part {
  readonly id: PointId;
  readonly weight: number;
}

/** The points that a reference by function means for a performer, and how much each counts; none where it means nothing. */
export function partsOf(ref: PointRef, performer: Pick<Performer, 'dominantSide' | 'segmentTable'>, track: Track): readonly Part[] {
  if (isOwnPoint(ref) || ref === 'nose') return [{ id: ref, weight: 1 }];
  if (ref === 'mid-hip' || ref === 'mid-shoulder') {
    const joint = ref === 'mid-hip' ? 'hip' : 'shoulder';
    return [{ id: `left-${joint}`, weight: 0.5 }, { id: `right-${joint}`, weight: 0.5 }];
  }
  if (ref === 'centre-of-mass') return centreOfMassWeights(performer.segmentTable, track['left-ear'] && track['right-ear'] ? undefined : ['nose']);
  const other = performer.dominantSide === 'left' ? 'right' : 'left';
  const side = ref.startsWith('dominant') ? performer.dominantSide : other;
  const id = `${side}-${ref.slice(ref.indexOf('-') + 1)}`;
  return isBodyPoint(id) ? [{ id, weight: 1 }] : [];
}

/** Displayed-picture position of one body point at a frame position, linear between frames; null where missing. */
function pixelAt(performance: Performance, id: PointId, frame: number): ({ readonly id: PointId; readonly x: number; readonly y: number } & PointError) | null {
  const series = performance.smoothed[id];
  if (!series) return null;
  const low = Math.floor(frame);
  const high = Math.min(series.x.length - 1, low + 1);
  const u = frame - low;
  if (low < 0 || low >= series.x.length) return null;
  const x = u === 0 ? series.x[low]! : series.x[low]! * (1 - u) + series.x[high]! * u;
  const y = u === 0 ? series.y[low]! : series.y[low]! * (1 - u) + series.y[high]! * u;
  if (Number.isNaN(x) || Number.isNaN(y)) return null;
  const nearest = u < 0.5 ? low : high;
  return { id, x, y, ...pointError(series, id, nearest, performance.bodyHeight, farSide(performance.clip)) };
}

/** Picture position of a point of the movement, for drawing; null where missing. */
export function pictureAt(performance: Performance, ref: PointRef, frame: number): { x: number; y: number } | null {
  const parts = weighted(performance, ref, frame);
  return parts && { x: parts.reduce((sum, p) => sum + p.weight * p.x, 0), y: parts.reduce((sum, p) => sum + p.weight * p.y, 0) };
}

/** Where the parts of a reference are at a frame position; null where one is missing. */
function weighted(performance: Performance, ref: PointRef, frame: number): readonly (NonNullable<ReturnType<typeof pixelAt>> & { readonly weight: number })[] | null {
  const parts = partsOf(ref, performance.clip.performer, performance.smoothed).map(({ id, weight }) => {
    const at = pixelAt(performance, id, frame);
    return at && { ...at, weight };
  });
  return parts.length === 0 || parts.includes(null) ? null : (parts as NonNullable<(typeof parts)[number]>[]);
}

/** What the errors of joints of both sides share, twice their covariance, pixels squared. */
function bothSides(parts: NonNullable<ReturnType<typeof weighted>>, of: 'sd' | 'alike'): number {
  let sum = 0;
  for (const p of parts) {
    if (p.ofSides === 0 || !p.id.startsWith('left')) continue;
    const other = parts.find((q) => q.id === p.id.replace('left', 'right'));
    if (other) sum += 2 * Math.max(p.ofSides, other.ofSides) * p.weight * p[of] * other.weight * other[of];
  }
  return sum;
}

/**
 * A point of the movement in movement coordinates: pixels, the picture levelled, x in the direction of travel, y up, lengths along the
 * plane stretched back by the camera's angle to it.
 * @param psi camera off the plane's normal, radians
 */
export function pointAt(performance: Performance, ref: PointRef, frame: number, psi: number): UncertainPoint | null {
  const parts = weighted(performance, ref, frame);
  if (!parts) return null;
  const forward = performance.clip.travel === 'right' ? 1 : -1;
  const { x, y } = rotate({ x: parts.reduce((sum, p) => sum + p.weight * p.x, 0), y: parts.reduce((sum, p) => sum + p.weight * p.y, 0) }, levelOf(performance.clip));
  // A body's mass lies beside the table's in the same way at every frame.
  const byTable = ref === 'centre-of-mass' && !Number.isNaN(performance.bodyHeight) ? TABLE_SD_SHARE * performance.bodyHeight : 0;
  const together = (of: 'sd' | 'alike'): number => parts.reduce((sum, p) => sum + (p.weight * p[of]) ** 2, bothSides(parts, of));
  const variance = byTable ** 2 + together('sd');
  const sd = Math.sqrt(variance);
  const stretch = unforeshorten(1, psi);
  return { x: forward * x * stretch, y: -y, sdX: sd * stretch, sdY: sd, alike: Math.sqrt(together('alike') / variance) };
}


/** Where a point of the movement is at every frame, movement coordinates, NaN where it is missing. */
export interface Places {
  readonly x: Float64Array;
  readonly y: Float64Array;
}

const known = new WeakMap<Track, WeakMap<Clip, Map<string, Places>>>();

/**
 * A point at every frame, as `pointAt` gives it at one; reckoned once for the smoothed points of a clip.
 * @param psi camera off the plane's normal, radians
 */
export function placesOf(performance: Performance, ref: PointRef, psi: number): Places {
  const { clip, smoothed } = performance;
  const ofTrack = known.get(smoothed) ?? new WeakMap<Clip, Map<string, Places>>();
  known.set(smoothed, ofTrack);
  const ofClip = ofTrack.get(clip) ?? new Map<string, Places>();
  ofTrack.set(clip, ofClip);
  const key = `${ref} ${psi}`;
  const there = ofClip.get(key);
  if (there) return there;
  const frames = performance.times.length;
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
  const forward = (clip.travel === 'right' ? 1 : -1) * unforeshorten(1, psi);
  const places = { x: new Float64Array(frames), y: new Float64Array(frames) };
  for (let i = 0; i < frames; i++) {
    places.x[i] = forward * (cos * px[i]! - sin * py[i]!);
    places.y[i] = -(sin * px[i]! + cos * py[i]!);
  }
  ofClip.set(key, places);
  return places;
}
