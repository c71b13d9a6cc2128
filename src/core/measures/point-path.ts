import { steadyOf, steadySd } from '../calibration/steady';
import { cameraAngles, type CameraAngles } from '../calibration/view';
import type { Measure } from '../model/measure';
import type { PointRef } from '../model/quantity';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { isSpan, spanOf, tooLittleKnown } from '../trial/phase';
import { partsOf, pictureAt, pointAt, isDetected, tremblingOf } from '../trial/places';
import { refsOfTrajectory, trajectoryOf, type SeenFrom } from '../trial/trajectory';
import type { NotMeasurable } from '../reading';
import { isScale, scaleOf } from '../quantities';
import { distance, type Vec2 } from '../geometry/vec2';
import type { Primitive } from '../geometry/primitives';
import { derivativeSd, rateOfChange } from '../signal/derivative';
import { endsBetween, valueBetween, type FrameSpan } from '../signal/peaks';
import { quadrature, type UncertainPoint } from '../statistics/propagate';
import { TEXT } from '../../text/core/measures';

/** Kinds of measure of one point's path. */
export type Moving = Extract<Measure, { kind: 'speed' | 'path' | 'path-angle' | 'dispersion' | 'dwell' }>;

export interface Path {
  readonly span: FrameSpan;
  /** Position over the whole clip in the unit wanted, NaN where missing. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Random deviation of one coordinate in the middle of the phase, unit wanted. */
  readonly sd: number;
  /** The same of what is alike in every clip. */
  readonly systematic: number;
  /** White noise before smoothing whose speed trembles as that of one coordinate does, unit wanted. */
  readonly trembling: number;
  /** How surely that is known: relative standard deviation of its variance. */
  readonly tremblingShare: number;
  /** Length of the segment that the point is the end of, about; an error that is alike turns with it. */
  readonly lever: number;
  /** From pixels to the unit wanted. */
  readonly perPixel: number;
  /** Relative deviation of the scale. */
  readonly scaleSd: number;
  /** Shortest and longest usual time from frame to frame in the phase, seconds. */
  readonly intervals: readonly [number, number];
}

/**
 * A limb's last segment is about this long, share of standing height (Drillis and Contini: forearm 0.146, shank 0.246).
 */
const LEVER = 0.2;

/**
 * Random and alike deviation of one coordinate at a frame, pixels; a line that is not surely placed turns what lies far
 * from its origin.
 */
function pathError(
  trial: Trial,
  { point, relativeTo, line }: Moving,
  frame: number,
  camera: CameraAngles,
): { readonly sd: number; readonly systematic: number } {
  const at = (ref: PointRef): UncertainPoint | null => pointAt(trial, ref, frame, camera);
  const seenFrom = relativeTo ?? line?.[0];
  const [own, from, a, b] = [
    at(point),
    seenFrom === undefined ? null : at(seenFrom),
    line && at(line[0]),
    line && at(line[1]),
  ];
  const lever = own && from && a && b ? distance(own, from) / distance(a, b) : 0;
  const parts = [own, from, ...[a, b].map((p) => p && { ...p, sdY: p.sdY * lever })].filter((p) => p !== null);
  return {
    sd: quadrature(...parts.map((p) => p.sdY * Math.sqrt(1 - (p.systematic ?? 0) ** 2))),
    systematic: quadrature(...parts.map((p) => p.sdY * (p.systematic ?? 0))),
  };
}

const tremblingOfRef = (trial: Trial, ref: PointRef): number =>
  quadrature(...partsOf(ref, trial.clip.performer, trial.raw).map(({ id, weight }) => weight * tremblingOf(trial, id)));

/**
 * How surely the variance of trembling is known, a share: some hundred differences of white noise tell it to a quarter,
 * what a detector carries on differs from joint to joint (rendered demo clips).
 */
const KNOWN_SHARE = { white: 0.25, detected: 0.6 };
const tremblingShare = (trial: Trial, refs: readonly PointRef[]): number =>
  refs.some((ref) => partsOf(ref, trial.clip.performer, trial.raw).some(({ id }) => isDetected(trial, id)))
    ? KNOWN_SHARE.detected
    : KNOWN_SHARE.white;

/** How far the ends of a phase may be off against each other because the camera moved, pixels. */
function betweenEnds({ clip }: Trial, { first, last }: FrameSpan): number {
  return steadyOf(clip)?.sdBetween(first, last) ?? 0;
}

function intervalsIn({ interval, intervals }: Trial, { first, last }: FrameSpan): readonly [number, number] {
  const own = intervals?.subarray(first, last + 1) ?? [interval];
  return [Math.min(...own), Math.max(...own)];
}

/** Deviation of a speed through the filter where one coordinate's is known: of the worst stretch of the phase. */
export const speedSd = ({ intervals }: Pick<Path, 'intervals'>, sd: number, { cutoff }: Trial): number =>
  Math.max(...intervals.map((interval) => derivativeSd(sd, interval, cutoff)));

/** The path of a measure's point, or why there is none. */
export function pathOf(trial: Trial, measure: Moving): Path | NotMeasurable {
  const span = spanOf(trial, measure);
  if (!isSpan(span)) return span;
  const known = scaleOf(trial, measure.lengthIn);
  // A direction needs no scale.
  const scale = !isScale(known) && measure.kind === 'path-angle' ? { perPixel: 1, sdShare: 0 } : known;
  if (!isScale(scale)) return scale;
  const { relativeTo } = measure;
  const camera = cameraAngles(trial.clip);
  const trajectory = trajectoryOf(trial, measure, camera);
  const [x, y] = [trajectory.x.map((v) => v * scale.perPixel), trajectory.y.map((v) => v * scale.perPixel)];
  const unknown = tooLittleKnown(x, span, TEXT.replaceAll(measure.point.replace(/^own-/, '').replaceAll('-', ' ')));
  if (unknown) return unknown;
  const error = pathError(trial, measure, (span.first + span.last) >> 1, camera);
  const refs = refsOfTrajectory(measure);
  const trembling = quadrature(...refs.map((ref) => tremblingOfRef(trial, ref)));
  return {
    span,
    x,
    y,
    sd: Math.hypot(error.sd, relativeTo ? 0 : betweenEnds(trial, span)) * scale.perPixel,
    systematic: error.systematic * scale.perPixel,
    trembling: trembling * scale.perPixel,
    tremblingShare: tremblingShare(trial, refs),
    lever: LEVER * trial.bodyHeight * scale.perPixel,
    perPixel: scale.perPixel,
    scaleSd: Math.hypot(scale.sdShare, steadySd(trial.clip, 'size', span.first)),
    intervals: intervalsIn(trial, span),
  };
}

export const isPath = (path: Path | NotMeasurable): path is Path => 'x' in path;

/** Speed at every frame along an axis, unit a second. */
export function speeds(
  { x, y }: Pick<Path, 'x' | 'y'>,
  times: Float64Array,
  along: 'straight' | 'forward' | 'up',
): Float64Array {
  const [vx, vy] = [rateOfChange(times, x), rateOfChange(times, y)];
  return vx.map((v, i) => (along === 'straight' ? Math.hypot(v, vy[i]!) : along === 'forward' ? v : vy[i]!));
}

/** Frame positions of a phase: every whole frame, and its ends where they lie between two. */
export const framesOf = (span: FrameSpan): readonly number[] =>
  [...Array.from({ length: span.last - span.first + 1 }, (_, k) => span.first + k), ...endsBetween(span)].sort(
    (a, b) => a - b,
  );

/** Where a path is at a frame position. */
export const placeOnPath = ({ x, y }: Pick<Path, 'x' | 'y'>, frame: number): Vec2 => ({
  x: valueBetween(x, frame),
  y: valueBetween(y, frame),
});

/** Positions of the phase that are known. */
export const knownPoints = (path: Path): readonly Vec2[] =>
  framesOf(path.span)
    .map((frame) => placeOnPath(path, frame))
    .filter((p) => !Number.isNaN(p.x));

/** A direction less sure than this means nothing, radians. */
export const MOST_DIRECTION_SD = Math.PI / 6;
/** From the root mean square along a line that is gone evenly to its length. */
export const LENGTH_OF_RMS = Math.sqrt(12);

/** The point's path in the picture, with where it is at a frame. */
export function drawPath(
  measure: Pick<Moving, 'point' | 'from' | 'to'>,
  trial: Trial,
  frame: number,
): readonly Primitive[] {
  const span = spanOf(trial, measure);
  if (!isSpan(span)) return [];
  const shownAt = Math.round(frame);
  const points = Array.from({ length: span.last - span.first + 1 }, (_, k) =>
    pictureAt(trial, measure.point, span.first + k, shownAt),
  ).filter((p) => p !== null);
  const here = pictureAt(trial, measure.point, Math.min(span.last, Math.max(span.first, shownAt)), shownAt);
  return [
    ...points.slice(1).map((to, k): Primitive => ({ shape: 'segment', from: points[k]!, to, weight: 'guide' })),
    ...(here ? [{ shape: 'dot', at: here, sure: true } as const] : []),
  ];
}

export const pathProvenance = (
  trial: Trial,
  measure: SeenFrom,
  frames: readonly number[],
): { clipId: string; frames: number[]; points: string[] } => ({
  clipId: trial.clip.id,
  frames: [...frames],
  points: [...refsOfTrajectory(measure)],
});

/** How far a point goes in the time by which each edge of a phase may be off, unit of the path. */
export function edgeLengths(
  trial: Trial,
  trajectory: Path,
  { from, to }: { readonly from: string; readonly to: string },
): readonly [number, number] {
  const series = speeds(trajectory, trial.times, 'straight');
  const at = (i: number): number => series[Math.min(series.length - 2, Math.max(1, i))] || 0;
  return [at(trajectory.span.first) * keyEventSd(trial, from), at(trajectory.span.last) * keyEventSd(trial, to)];
}
export const edgeLength = (
  trial: Trial,
  trajectory: Path,
  phase: { readonly from: string; readonly to: string },
): number => quadrature(...edgeLengths(trial, trajectory, phase));
