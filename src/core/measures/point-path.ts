import { steadyOf, steadySd } from '../calibration/steady';
import { offPlane } from '../calibration/view';
import type { Measure, PointRef } from '../model/movement';
import { momentSd } from '../performance/moments';
import type { Performance } from '../performance/performance';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { jitterOf, partsOf, pictureAt, pointAt } from '../performance/places';
import { refsOfWay, wayOfPoint } from '../performance/way';
import type { NotMeasurable } from '../reading';
import { isScale, scaleOf } from '../quantities';
import { distance, type Vec2 } from '../geometry/vec2';
import type { Primitive } from '../geometry/primitives';
import { rateOfChange } from '../signal/derivative';
import type { FrameSpan } from '../signal/peaks';
import { quadrature, type UncertainPoint } from '../statistics/propagate';

/** Kinds of measure of one point's path. */
export type Moving = Extract<Measure, { kind: 'speed' | 'path' | 'steadiness' | 'stop' }>;

export interface Path {
  readonly span: FrameSpan;
  /** Position over the whole clip in the unit wanted, NaN where missing. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Random deviation of one coordinate in the middle of the phase, unit wanted. */
  readonly sd: number;
  /** The same of what is alike in every clip. */
  readonly alike: number;
  /** What one coordinate jitters before smoothing, as the data show it, unit wanted. */
  readonly jitter: number;
  /** Length of the segment that the point is the end of, about; an error that is alike turns with it. */
  readonly lever: number;
  /** Relative deviation of the scale. */
  readonly scaleSd: number;
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
  performance: Performance,
  { point, relativeTo, line }: Moving,
  frame: number,
  psi: number,
): { readonly sd: number; readonly alike: number } {
  const at = (ref: PointRef): UncertainPoint | null => pointAt(performance, ref, frame, psi);
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
    sd: quadrature(...parts.map((p) => p.sdY * Math.sqrt(1 - (p.alike ?? 0) ** 2))),
    alike: quadrature(...parts.map((p) => p.sdY * (p.alike ?? 0))),
  };
}

const jitterOfRef = (performance: Performance, ref: PointRef): number =>
  quadrature(
    ...partsOf(ref, performance.clip.performer, performance.raw).map(
      ({ id, weight }) => weight * jitterOf(performance, id),
    ),
  );

/** How far the ends of a phase may be off against each other because the camera moved, pixels. */
function betweenEnds({ clip }: Performance, { first, last }: FrameSpan): number {
  return steadyOf(clip)?.sdBetween(first, last) ?? 0;
}

/** The path of a measure's point, or why there is none. */
export function pathOf(performance: Performance, measure: Moving): Path | NotMeasurable {
  const span = spanOf(performance, measure);
  if (!isSpan(span)) return span;
  const scale = scaleOf(performance, measure.lengthIn);
  if (!isScale(scale)) return scale;
  const { relativeTo } = measure;
  const { angle: psi } = offPlane(performance.clip);
  const way = wayOfPoint(performance, measure, psi);
  const [x, y] = [way.x.map((v) => v * scale.perPixel), way.y.map((v) => v * scale.perPixel)];
  const unknown = tooLittleKnown(x, span, `The ${measure.point.replace(/^own-/, '').replaceAll('-', ' ')}`);
  if (unknown) return unknown;
  const error = pathError(performance, measure, (span.first + span.last) >> 1, psi);
  const jitter = quadrature(...refsOfWay(measure).map((ref) => jitterOfRef(performance, ref)));
  return {
    span,
    x,
    y,
    sd: Math.hypot(error.sd, relativeTo ? 0 : betweenEnds(performance, span)) * scale.perPixel,
    alike: error.alike * scale.perPixel,
    jitter: jitter * scale.perPixel,
    lever: LEVER * performance.bodyHeight * scale.perPixel,
    scaleSd: Math.hypot(scale.sdShare, steadySd(performance.clip, 'size', span.first)),
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

/** Positions of the phase that are known. */
export const knownPoints = ({ x, y, span }: Path): readonly Vec2[] =>
  Array.from({ length: span.last - span.first + 1 }, (_, k) => ({
    x: x[span.first + k]!,
    y: y[span.first + k]!,
  })).filter((p) => !Number.isNaN(p.x));

/** The point's path in the picture, with where it is at a frame. */
export function drawPath(measure: Moving, performance: Performance, frame: number): readonly Primitive[] {
  const span = spanOf(performance, measure);
  if (!isSpan(span)) return [];
  const shownAt = Math.round(frame);
  const points = Array.from({ length: span.last - span.first + 1 }, (_, k) =>
    pictureAt(performance, measure.point, span.first + k, shownAt),
  ).filter((p) => p !== null);
  const here = pictureAt(performance, measure.point, Math.min(span.last, Math.max(span.first, shownAt)), shownAt);
  return [
    ...points.slice(1).map((to, k): Primitive => ({ shape: 'segment', from: points[k]!, to, weight: 'guide' })),
    ...(here ? [{ shape: 'dot', at: here, sure: true } as const] : []),
  ];
}

export const pathProvenance = (
  performance: Performance,
  measure: Moving,
  frames: readonly number[],
): { clipId: string; frames: number[]; points: string[] } => ({
  clipId: performance.clip.id,
  frames: [...frames],
  points: [...refsOfWay(measure)],
});

/** How far a point goes in the time by which each edge of a phase may be off, unit of the path. */
export function edgeLengths(
  performance: Performance,
  way: Path,
  { from, to }: { readonly from: string; readonly to: string },
): readonly [number, number] {
  const curve = speeds(way, performance.times, 'straight');
  const at = (i: number): number => curve[Math.min(curve.length - 2, Math.max(1, i))] || 0;
  return [at(way.span.first) * momentSd(performance, from), at(way.span.last) * momentSd(performance, to)];
}
export const edgeLength = (
  performance: Performance,
  way: Path,
  phase: { readonly from: string; readonly to: string },
): number => quadrature(...edgeLengths(performance, way, phase));
