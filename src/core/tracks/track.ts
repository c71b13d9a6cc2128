import { BODY_POINTS, type BodyPoint, type PointId } from '../anatomy/body-points';

/** Where a point at a frame comes from. */
export const ORIGIN = {
  missing: 0,
  hand: 1,
  detected: 2,
  interpolated: 3,
  tracked: 4,
  recorded: 5,
  filled: 6,
} as const;
export type OriginName = keyof typeof ORIGIN;

export const originName = (code: number): OriginName =>
  (Object.keys(ORIGIN) as OriginName[]).find((name) => ORIGIN[name] === code) ?? 'missing';

/** Whether a point is a detector's, of this frame or filled in from those of the frames beside it. */
export const isFromDetector = (origin: number | undefined): boolean =>
  origin === ORIGIN.detected || origin === ORIGIN.filled;

/** One point through all frames of a clip, in pixels of the displayed picture (x right, y down); NaN where missing. */
export interface PointSeries {
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** 0..1 as the detector gave it; 1 for points placed by hand. */
  readonly confidence: Float32Array;
  readonly origin: Uint8Array;
}

/** All points of one subject in one clip. */
export type Track = Readonly<Partial<Record<PointId, PointSeries>>>;

export function emptySeries(frames: number): PointSeries {
  return {
    x: new Float64Array(frames).fill(NaN),
    y: new Float64Array(frames).fill(NaN),
    confidence: new Float32Array(frames),
    origin: new Uint8Array(frames),
  };
}

export function copySeries(series: PointSeries): PointSeries {
  return {
    x: Float64Array.from(series.x),
    y: Float64Array.from(series.y),
    confidence: Float32Array.from(series.confidence),
    origin: Uint8Array.from(series.origin),
  };
}

/** The track with one point placed by hand at one frame. */
export function placePoint(track: Track, frames: number, id: PointId, frame: number, x: number, y: number): Track {
  const series = copySeries(track[id] ?? emptySeries(frames));
  series.x[frame] = x;
  series.y[frame] = y;
  series.confidence[frame] = 1;
  series.origin[frame] = ORIGIN.hand;
  return { ...track, [id]: series };
}

function lose(series: PointSeries, frame: number): void {
  series.x[frame] = NaN;
  series.y[frame] = NaN;
  series.confidence[frame] = 0;
  series.origin[frame] = ORIGIN.missing;
}

/** The track with a point taken away at one frame (hidden or wrong). */
export function clearPoint(track: Track, frames: number, id: PointId, frame: number): Track {
  const series = copySeries(track[id] ?? emptySeries(frames));
  lose(series, frame);
  return { ...track, [id]: series };
}

/** The track without what detectors said; points of other origins stay. */
export function withoutDetected(track: Track): Track {
  const next: Partial<Record<PointId, PointSeries>> = {};
  for (const [id, series] of Object.entries(track) as [PointId, PointSeries][]) {
    const kept = copySeries(series);
    kept.origin.forEach((origin, frame) => isFromDetector(origin) && lose(kept, frame));
    if (kept.origin.some((origin) => origin !== ORIGIN.missing)) next[id] = kept;
  }
  return next;
}

/** The track without the detected points that are named by frame; those of other origins stay. */
export function clearDetected(track: Track, named: ReadonlyMap<number, readonly PointId[]>): Track {
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  for (const id of new Set([...named.values()].flat())) next[id] = copySeries(track[id]!);
  for (const [frame, ids] of named)
    for (const id of ids) if (track[id]!.origin[frame] === ORIGIN.detected) lose(next[id]!, frame);
  return next;
}

/** Index of the nearest frame placed by hand before (step -1) or after (step 1) a frame, or -1. */
function nearestByHand(series: PointSeries, frame: number, step: -1 | 1): number {
  for (let i = frame + step; i >= 0 && i < series.origin.length; i += step) {
    if (series.origin[i] === ORIGIN.hand) return i;
  }
  return -1;
}

/**
 * Fills the frames between this hand-placed frame and its hand-placed neighbours on a straight line, replacing what
 * was found there: the way to mend a stretch where the detector went wrong.
 */
export function interpolateBetweenHands(track: Track, id: PointId, frame: number): Track {
  const before = track[id];
  if (!before || before.origin[frame] !== ORIGIN.hand) return track;
  const series = copySeries(before);
  for (const other of [nearestByHand(before, frame, -1), nearestByHand(before, frame, 1)]) {
    if (other < 0) continue;
    const step = other < frame ? -1 : 1;
    for (let i = frame + step; i !== other; i += step) {
      const u = (i - frame) / (other - frame);
      series.x[i] = before.x[frame]! * (1 - u) + before.x[other]! * u;
      series.y[i] = before.y[frame]! * (1 - u) + before.y[other]! * u;
      series.confidence[i] = 1;
      series.origin[i] = ORIGIN.interpolated;
    }
  }
  return { ...track, [id]: series };
}

/** What the detector says of one frame: a position and a confidence for each of its points. */
export type DetectedPoints = Readonly<
  Partial<Record<BodyPoint, { readonly x: number; readonly y: number; readonly confidence: number }>>
>;

/** Puts detected points into a track; what a person placed by hand is kept. */
export function mergeDetections(track: Track, frames: number, detected: ReadonlyMap<number, DetectedPoints>): Track {
  const next: Partial<Record<PointId, PointSeries>> = {};
  for (const [id, series] of Object.entries(track) as [PointId, PointSeries][]) next[id] = copySeries(series);
  for (const [frame, points] of detected) {
    for (const [id, point] of Object.entries(points) as [PointId, { x: number; y: number; confidence: number }][]) {
      const series = (next[id] ??= emptySeries(frames));
      if (series.origin[frame] === ORIGIN.hand) continue;
      series.x[frame] = point.x;
      series.y[frame] = point.y;
      series.confidence[frame] = point.confidence;
      series.origin[frame] = ORIGIN.detected;
    }
  }
  return next;
}

/**
 * Puts recorded points on a clip's frames by their time; what a person placed by hand is kept.
 * @param times real time of each frame, seconds from the first
 * @param rate samples per second of the recorded points, whose first sample is at time 0
 */
export function mergeRecorded(track: Track, recorded: Track, times: Float64Array, rate: number): Track {
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  for (const [id, source] of Object.entries(recorded) as [PointId, PointSeries][]) {
    const series = copySeries(track[id] ?? emptySeries(times.length));
    times.forEach((time, i) => {
      const from = Math.round(time * rate);
      if (series.origin[i] === ORIGIN.hand || from >= source.x.length || Number.isNaN(source.x[from]!)) return;
      series.x[i] = source.x[from]!;
      series.y[i] = source.y[from]!;
      series.confidence[i] = 1;
      series.origin[i] = ORIGIN.recorded;
    });
    next[id] = series;
  }
  return next;
}

/** What following says of one frame. */
export interface TrackedPoint {
  readonly x: number;
  readonly y: number;
  readonly confidence: number;
}

/** Puts followed positions of one point into a track; what a person placed by hand is kept. */
export function mergeTracked(
  track: Track,
  frames: number,
  id: PointId,
  tracked: ReadonlyMap<number, TrackedPoint>,
): Track {
  const series = copySeries(track[id] ?? emptySeries(frames));
  for (const [frame, point] of tracked) {
    if (series.origin[frame] === ORIGIN.hand) continue;
    series.x[frame] = point.x;
    series.y[frame] = point.y;
    series.confidence[frame] = point.confidence;
    series.origin[frame] = ORIGIN.tracked;
  }
  return { ...track, [id]: series };
}

/** The frames from one frame on (without it) up to the next that is placed by hand, or to the clip's end. */
export function untilNextHand(track: Track, id: PointId, frames: number, frame: number, step: -1 | 1): number {
  const series = track[id];
  let i = frame + step;
  while (i >= 0 && i < frames && series?.origin[i] !== ORIGIN.hand) i += step;
  return i;
}

/** The track with left and right exchanged from one frame to another (both included) in the joints chosen. */
export function swapSides(track: Track, from: number, to: number, which: (id: BodyPoint) => boolean): Track {
  const next: Partial<Record<PointId, PointSeries>> = { ...track };
  for (const left of BODY_POINTS.filter((id) => id.startsWith('left-') && which(id))) {
    const right = left.replace('left-', 'right-') as BodyPoint;
    const [a, b] = [track[left], track[right]];
    if (!a && !b) continue;
    const frames = (a ?? b)!.x.length;
    const [l, r] = [copySeries(a ?? emptySeries(frames)), copySeries(b ?? emptySeries(frames))];
    for (let i = Math.max(0, Math.min(from, to)); i <= Math.min(frames - 1, Math.max(from, to)); i++) {
      for (const key of ['x', 'y', 'confidence', 'origin'] as const) [l[key][i], r[key][i]] = [r[key][i]!, l[key][i]!];
    }
    next[left] = l;
    next[right] = r;
  }
  return next;
}

/**
 * Carries what a person corrected at a frame on to what was found after it: the same shift, fading to nothing at the
 * next frame placed by hand, or constant to the end where there is none.
 * @param shift how far the detected point was moved, pixels
 */
export function carryCorrection(
  track: Track,
  id: PointId,
  frame: number,
  shift: { readonly x: number; readonly y: number },
): Track {
  const before = track[id];
  if (!before) return track;
  const series = copySeries(before);
  const next = untilNextHand(track, id, before.x.length, frame, 1);
  for (let i = frame + 1; i < next; i++) {
    if (Number.isNaN(series.x[i]!)) continue;
    const share = next < before.x.length ? 1 - (i - frame) / (next - frame) : 1;
    series.x[i] = series.x[i]! + share * shift.x;
    series.y[i] = series.y[i]! + share * shift.y;
    series.origin[i] = ORIGIN.interpolated;
  }
  return { ...track, [id]: series };
}

/** Share of frames in which a point is known, 0..1. */
export function coverage(track: Track, id: PointId): number {
  const series = track[id];
  if (!series) return 0;
  let known = 0;
  for (const x of series.x) if (!Number.isNaN(x)) known++;
  return series.x.length === 0 ? 0 : known / series.x.length;
}
