import { offPlane, viewRefusal } from '../calibration/view';
import type { Measure, PointRef } from '../model/movement';
import { pictureAt, pointAt, type Performance } from '../performance/performance';
import { refsOfWay, wayOfPoint } from '../performance/way';
import { notMeasurable, type NotMeasurable } from '../reading';
import { scaleOf } from '../quantities';
import { smallestCircle } from '../geometry/smallest-circle';
import { distance, type Vec2 } from '../geometry/vec2';
import { eventSd } from '../statistics/event-time';
import { quadrature, type UncertainPoint } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import type { Primitive } from '../geometry/primitives';
import type { KindOfMeasure, MeasureOf } from './kind';
import { largest, type FrameSpan } from '../signal/peaks';
import { derivativeSd, rateOfChange } from '../signal/derivative';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { edgeSd, PEAK_WIDENING } from './peak-error';

/** Kinds of measure of one point's way. */
type Moving = Extract<Measure, { kind: 'speed' | 'path' | 'steadiness' | 'stop' }>;

interface Way {
  readonly span: FrameSpan;
  /** Position in the unit wanted, NaN where missing. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Random deviation of one coordinate in the middle of the phase, unit wanted. */
  readonly sd: number;
  /** The same of what is alike in every clip. */
  readonly alike: number;
  /** Relative deviation of the scale. */
  readonly scaleSd: number;
}

/** Random and alike deviation of one coordinate at a frame, pixels; a line that is not surely placed turns what lies far from its origin. */
function wayError(performance: Performance, { point, relativeTo, line }: Moving, frame: number, psi: number): { readonly sd: number; readonly alike: number } {
  const at = (ref: PointRef): UncertainPoint | null => pointAt(performance, ref, frame, psi);
  const seenFrom = relativeTo ?? line?.[0];
  const [own, from, a, b] = [at(point), seenFrom === undefined ? null : at(seenFrom), line && at(line[0]), line && at(line[1])];
  const lever = own && from && a && b ? distance(own, from) / distance(a, b) : 0;
  const parts = [own, from, ...[a, b].map((p) => p && { ...p, sdY: p.sdY * lever })].filter((p) => p !== null);
  return { sd: quadrature(...parts.map((p) => p.sdY * Math.sqrt(1 - (p.alike ?? 0) ** 2))), alike: quadrature(...parts.map((p) => p.sdY * (p.alike ?? 0))) };
}

function wayOf(performance: Performance, measure: Moving): Way | NotMeasurable {
  const refusal = viewRefusal(performance.clip, measure.plane);
  if (refusal) return refusal;
  const span = spanOf(performance, measure);
  if (!isSpan(span)) return span;
  const scale = scaleOf(performance, measure.lengthIn);
  if ('measurable' in scale) return scale;
  const { angle: psi } = offPlane(performance.clip);
  const way = wayOfPoint(performance, measure, psi);
  const [x, y] = [way.x.map((v) => v * scale.perPixel), way.y.map((v) => v * scale.perPixel)];
  const error = wayError(performance, measure, (span.first + span.last) >> 1, psi);
  const [sd, alike] = [error.sd * scale.perPixel, error.alike * scale.perPixel];
  const unknown = tooLittleKnown(x, span, `The ${measure.point.replace(/^own-/, '').replaceAll('-', ' ')}`);
  return unknown ?? { span, x, y, sd, alike, scaleSd: scale.sdShare };
}

const isWay = (way: Way | NotMeasurable): way is Way => 'x' in way;

/** Speed at every frame along an axis, unit a second. */
function speeds({ x, y }: Pick<Way, 'x' | 'y'>, times: Float64Array, along: MeasureOf<'speed'>['along']): Float64Array {
  const [vx, vy] = [rateOfChange(times, x), rateOfChange(times, y)];
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

const provenance = (performance: Performance, measure: Moving, frames: readonly number[]): { clipId: string; frames: number[]; points: string[] } => ({ clipId: performance.clip.id, frames: [...frames], points: [...refsOfWay(measure)] });

export const speed: KindOfMeasure<'speed'> = {
  kind: 'speed',
  unit: ({ lengthIn, give }) => (give === 'time' ? 'ms' : lengthIn === 'm' ? 'm/s' : 'BH/s'),
  convention: 'Peak speed of a point in a phase, in the picture or as seen from another point, on axes that may turn with a line; straight, or along one axis; or when it comes.',
  evaluate: (measure, performance) => {
    const way = wayOf(performance, measure);
    if (!isWay(way)) return way;
    const curve = speeds(way, performance.times, measure.along);
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
    return isWay(way) ? speeds(way, performance.times, measure.along) : performance.times.map(() => NaN);
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
    const random = measure.what === 'straightness' ? ends / arc : quadrature(measure.what === 'sideways' ? way.sd * Math.sqrt(1.5) : ends, value * way.scaleSd);
    // The finder sees a joint elsewhere at the beginning of its way than at the end.
    const alikeSd = measure.what === 'straightness' ? (Math.SQRT2 * way.alike) / arc : Math.SQRT2 * way.alike;
    const sd = quadrature(random, alikeSd);
    return { measurable: true, value, sd, alikeSd, unit: measure.what === 'straightness' ? '%' : measure.lengthIn, provenance: provenance(performance, measure, [way.span.last, way.span.first]) };
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
    const curve = speeds(way, performance.times, 'straight');
    const rest = (limit: number): { longest: number; from: number } => {
      let [longest, start, from] = [0, way.span.first, way.span.first];
      for (let i = way.span.first; i <= way.span.last + 1; i++) {
        if (i <= way.span.last && curve[i]! < limit) continue;
        if (i - start > longest) [longest, from] = [i - start, start];
        start = i + 1;
      }
      return { longest, from };
    };
    const { longest, from } = rest(measure.slower);
    // Noise in the speed ends a rest early or late: how long it would be with the limit moved by two deviations either way, a third of it (against rendered truth).
    const noise = 2 * derivativeSd(way.sd, performance.interval, performance.cutoff);
    const unsure = ((rest(measure.slower + noise).longest - rest(measure.slower - noise).longest) * performance.interval) / 3;
    return { measurable: true, value: longest * performance.interval, sd: quadrature(2 * eventSd(performance.interval), unsure), alikeSd: 0, unit: 'ms', provenance: provenance(performance, measure, [from, from + longest]) };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: drawWay,
};
