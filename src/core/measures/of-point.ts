import { offPlane, viewRefusal } from '../calibration/view';
import type { Measure, PointRef } from '../model/movement';
import { pictureAt, pointAt, type Performance } from '../performance/performance';
import { notMeasurable, type NotMeasurable } from '../reading';
import { scaleOf } from '../quantities';
import { smallestCircle } from '../geometry/smallest-circle';
import type { Vec2 } from '../geometry/vec2';
import { eventSd } from '../uncertainty/event-time';
import { quadrature } from '../uncertainty/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { Primitive } from '../overlay/scene';
import type { KindOfMeasure, MeasureOf } from './kind';
import { derivativeSd, edgeSd, isSpan, largest, PEAK_WIDENING, rateOfChange, spanOf, tooLittleKnown, type FrameSpan } from './phase';

/** Kinds of measure of one point's way. */
type Moving = Extract<Measure, { kind: 'speed' | 'path' | 'steadiness' | 'stop' }>;

interface Way {
  readonly span: FrameSpan;
  /** Position in the unit wanted, NaN where missing. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Random deviation of one coordinate in the middle of the phase, unit wanted. */
  readonly sd: number;
  /** Relative deviation of the scale. */
  readonly scaleSd: number;
}

const refsOf = ({ point, relativeTo }: Pick<Moving, 'point' | 'relativeTo'>): readonly PointRef[] => (relativeTo === null ? [point] : [point, relativeTo]);

function wayOf(performance: Performance, measure: Moving): Way | NotMeasurable {
  const refusal = viewRefusal(performance.clip, measure.plane);
  if (refusal) return refusal;
  const span = spanOf(performance, measure);
  if (!isSpan(span)) return span;
  const scale = scaleOf(performance, measure.lengthIn);
  if ('measurable' in scale) return scale;
  const { angle: psi } = offPlane(performance.clip);
  const [x, y] = [new Float64Array(performance.times.length).fill(NaN), new Float64Array(performance.times.length).fill(NaN)];
  let sd = 0;
  performance.times.forEach((_, i) => {
    const points = refsOf(measure).map((ref) => pointAt(performance, ref, i, psi));
    if (points.includes(null)) return;
    const [p, from] = points as NonNullable<(typeof points)[number]>[];
    x[i] = (p!.x - (from?.x ?? 0)) * scale.perPixel;
    y[i] = (p!.y - (from?.y ?? 0)) * scale.perPixel;
    if (i === (span.first + span.last) >> 1) sd = quadrature(...[p!, ...(from ? [from] : [])].map((q) => q.sdY * Math.sqrt(1 - (q.alike ?? 0) ** 2))) * scale.perPixel;
  });
  const unknown = tooLittleKnown(x, span, `The ${measure.point.replace(/^own-/, '').replaceAll('-', ' ')}`);
  return unknown ?? { span, x, y, sd, scaleSd: scale.sdShare };
}

const isWay = (way: Way | NotMeasurable): way is Way => 'x' in way;

/** Speed at every frame along an axis, unit a second. */
function speeds({ x, y }: Pick<Way, 'x' | 'y'>, interval: number, along: MeasureOf<'speed'>['along']): Float64Array {
  const [vx, vy] = [rateOfChange(x, interval, false), rateOfChange(y, interval, false)];
  return vx.map((v, i) => (along === 'straight' ? Math.hypot(v, vy[i]!) : along === 'forward' ? v : vy[i]!));
}

/** The point's way in the picture up to a frame, where the phase has begun. */
function drawWay(measure: Moving, performance: Performance, frame: number): readonly Primitive[] {
  const span = spanOf(performance, measure);
  if (!isSpan(span)) return [];
  const points = Array.from({ length: span.last - span.first + 1 }, (_, k) => pictureAt(performance, measure.point, span.first + k)).filter((p) => p !== null);
  const here = pictureAt(performance, measure.point, Math.min(span.last, Math.max(span.first, Math.round(frame))));
  return [...points.slice(1).map((to, k): Primitive => ({ shape: 'segment', from: points[k]!, to, weight: 'guide' })), ...(here ? [{ shape: 'dot', at: here, sure: true } as const] : [])];
}

const provenance = (performance: Performance, measure: Moving, frames: readonly number[]): { clipId: string; frames: number[]; points: string[] } => ({ clipId: performance.clip.id, frames: [...frames], points: [...refsOf(measure)] });

export const speed: KindOfMeasure<'speed'> = {
  kind: 'speed',
  unit: ({ lengthIn, give }) => (give === 'time' ? 'ms' : lengthIn === 'm' ? 'm/s' : 'BH/s'),
  convention: 'Peak speed of a point in a phase, in the picture or as seen from another point; straight, or along one axis; or when it comes.',
  evaluate: (measure, performance) => {
    const way = wayOf(performance, measure);
    if (!isWay(way)) return way;
    const curve = speeds(way, performance.interval, measure.along);
    const top = largest(curve, way.span);
    if (!top) return notMeasurable('point-missing', 'The phase is too short for a speed', 'Mark the moments farther apart.');
    const sd = quadrature(PEAK_WIDENING * derivativeSd(way.sd, performance.interval, performance.cutoff), edgeSd(curve, top.frame));
    const frames = [top.frame, performance.marks[measure.from]!];
    if (measure.give === 'time') {
      const value = timeAtFrame(performance.times, top.frame) - timeAtFrame(performance.times, frames[1]!);
      return { measurable: true, value, sd: quadrature(2 * eventSd(performance.interval), eventSd(performance.interval)), alikeSd: 0, unit: 'ms', provenance: provenance(performance, measure, frames) };
    }
    return { measurable: true, value: top.value, sd: quadrature(sd, top.value * way.scaleSd), alikeSd: 0, unit: measure.lengthIn === 'm' ? 'm/s' : 'BH/s', provenance: provenance(performance, measure, [top.frame]) };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: drawWay,
  curve: (measure, performance) => {
    const way = wayOf(performance, measure);
    return isWay(way) ? speeds(way, performance.interval, measure.along) : performance.times.map(() => NaN);
  },
  curveUnit: ({ lengthIn }) => (lengthIn === 'm' ? 'm/s' : 'BH/s'),
};

const knownPoints = ({ x, y, span }: Way): readonly Vec2[] => Array.from({ length: span.last - span.first + 1 }, (_, k) => ({ x: x[span.first + k]!, y: y[span.first + k]! })).filter((p) => !Number.isNaN(p.x));

export const path: KindOfMeasure<'path'> = {
  kind: 'path',
  unit: ({ what, lengthIn }) => (what === 'straightness' ? '%' : lengthIn),
  convention: 'Of a point\u2019s way through a phase: its length, its straightness (chord over arc), or its largest distance from the chord.',
  evaluate: (measure, performance) => {
    const way = wayOf(performance, measure);
    if (!isWay(way)) return way;
    const points = knownPoints(way);
    const [first, last] = [points[0]!, points.at(-1)!];
    const arc = points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y), 0);
    const chord = Math.hypot(last.x - first.x, last.y - first.y);
    if (arc === 0) return notMeasurable('point-missing', 'The point does not move in this phase', 'Look at the moments that begin and end it.');
    const sideways = chord === 0 ? arc / 2 : Math.max(...points.map((p) => Math.abs((p.x - first.x) * (last.y - first.y) - (p.y - first.y) * (last.x - first.x)) / chord));
    const value = { length: arc, straightness: chord / arc, sideways }[measure.what];
    const ends = Math.SQRT2 * way.sd;
    const sd = measure.what === 'straightness' ? ends / arc : quadrature(measure.what === 'sideways' ? way.sd * Math.sqrt(1.5) : ends, value * way.scaleSd);
    return { measurable: true, value, sd, alikeSd: 0, unit: measure.what === 'straightness' ? '%' : measure.lengthIn, provenance: provenance(performance, measure, [way.span.last, way.span.first]) };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: drawWay,
};

export const steadiness: KindOfMeasure<'steadiness'> = {
  kind: 'steadiness',
  unit: ({ lengthIn }) => lengthIn,
  convention: 'Radius of the smallest circle that holds a point through a phase.',
  evaluate: (measure, performance) => {
    const way = wayOf(performance, measure);
    if (!isWay(way)) return way;
    const { radius } = smallestCircle(knownPoints(way));
    return { measurable: true, value: radius, sd: quadrature((PEAK_WIDENING * way.sd) / Math.SQRT2, radius * way.scaleSd), alikeSd: 0, unit: measure.lengthIn, provenance: provenance(performance, measure, [way.span.last, way.span.first]) };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: drawWay,
};

export const stop: KindOfMeasure<'stop'> = {
  kind: 'stop',
  unit: 'ms',
  convention: 'Longest time in a phase for which a point is slower than a stated speed.',
  evaluate: (measure, performance) => {
    const way = wayOf(performance, measure);
    if (!isWay(way)) return way;
    const curve = speeds(way, performance.interval, 'straight');
    let [longest, start, from] = [0, way.span.first, way.span.first];
    for (let i = way.span.first; i <= way.span.last + 1; i++) {
      if (i <= way.span.last && curve[i]! < measure.slower) continue;
      if (i - start > longest) [longest, from] = [i - start, start];
      start = i + 1;
    }
    return { measurable: true, value: longest * performance.interval, sd: 2 * eventSd(performance.interval), alikeSd: 0, unit: 'ms', provenance: provenance(performance, measure, [from, from + longest]) };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: drawWay,
};
