import { continuousCurve, difference, dimensionOf, quantityCurve, readQuantity, refsOfQuantity, unitOfQuantity, type LengthIn } from '../quantities';
import type { Plane, Quantity } from '../model/movement';
import { viewRefusal } from '../calibration/view';
import type { Performance } from '../performance/performance';
import { notMeasurable, type Measured, type NotMeasurable, type Reading } from '../reading';
import { timeAtFrame } from '../timing/clip-time';
import { eventSd } from '../statistics/event-time';
import { quadrature } from '../statistics/propagate';
import type { DisplayUnit } from '../units';
import { drawQuantity } from '../quantities/draw';
import { momentMissing } from '../performance/phase';
import { UNLISTED } from './duration';
import type { KindOfMeasure, MeasureOf } from './kind';
import { largest, type FrameSpan } from '../signal/peaks';
import { derivativeSd, rateOfChange } from '../signal/derivative';
import { isSpan, spanOf, tooLittleKnown } from '../performance/phase';
import { edgeSd, PEAK_WIDENING } from './peak-error';

/** Kinds of measure that take any quantity. */

const NAMES: Readonly<Record<Quantity['q'], string>> = {
  'joint-angle': 'The angle', 'segment-angle': 'The direction', 'line-separation': 'The angle between the lines', facing: 'Where it faces', distance: 'The distance', 'ground-distance': 'The distance', offset: 'The offset', height: 'The height', box: 'The box', alignment: 'The line', fold: 'The fold',
};

interface Ready {
  readonly span: FrameSpan;
  readonly curve: Float64Array;
}

/** The curve of a quantity in a phase, or why there is none. */
function ready(performance: Performance, of: Quantity, plane: Plane, phase: { readonly from: string; readonly to: string }, lengthIn: LengthIn): Ready | NotMeasurable {
  const refusal = viewRefusal(performance.clip, plane);
  if (refusal) return refusal;
  const span = spanOf(performance, phase);
  if (!isSpan(span)) return span;
  const curve = continuousCurve(performance, of, lengthIn);
  const unknown = tooLittleKnown(curve, span, NAMES[of.q]);
  if (!unknown) return { span, curve };
  // A missing scale is a better reason than missing values.
  const there = readQuantity(performance, of, plane, span.first, lengthIn);
  return !there.measurable && there.reason === 'no-scale' ? there : unknown;
}

const isReady = (r: Ready | NotMeasurable): r is Ready => 'curve' in r;

/** The time of a frame position after the beginning of a phase, as a reading. */
function timeFrom(performance: Performance, from: string, frame: number, sd: number, points: readonly string[]): Measured {
  const start = performance.marks[from]!;
  return {
    measurable: true,
    value: timeAtFrame(performance.times, frame) - timeAtFrame(performance.times, start),
    sd: quadrature(sd, eventSd(performance.interval)),
    alikeSd: 0,
    unit: 'ms',
    provenance: { clipId: performance.clip.id, frames: [frame, start], points: [...points] },
  };
}

/** How sure the time of an extreme is: as far as the curve stays within its own random error of the top, half of that. */
function extremeTimeSd(score: Float64Array, frame: number, sd: number, interval: number): number {
  const top = score[Math.round(frame)]!;
  let [left, right] = [Math.round(frame), Math.round(frame)];
  while (left > 0 && top - score[left - 1]! < sd) left--;
  while (right < score.length - 1 && top - score[right + 1]! < sd) right++;
  return Math.max(eventSd(interval), ((right - left + 1) * interval) / 4);
}

const randomSd = (reading: Measured): number => Math.sqrt(Math.max(0, reading.sd ** 2 - reading.alikeSd ** 2));

export const value: KindOfMeasure<'value'> = {
  kind: 'value',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: 'Any quantity at a moment, or a share of the way from it to another moment.',
  evaluate: ({ of, at, towards, plane, lengthIn }, performance) => {
    const start = performance.marks[at];
    if (start === undefined) return momentMissing(at);
    const end = towards ? performance.marks[towards.moment] : start;
    if (end === undefined) return momentMissing(towards!.moment);
    return readQuantity(performance, of, plane, start + (towards?.share ?? 0) * (end - start), lengthIn);
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of, lengthIn }, performance, frame) => drawQuantity(of, performance, frame, lengthIn),
  curve: ({ of, lengthIn }, performance) => quantityCurve(performance, of, lengthIn),
};

export const extreme: KindOfMeasure<'extreme'> = {
  kind: 'extreme',
  unit: ({ of, lengthIn, give }) => (give === 'time' ? 'ms' : unitOfQuantity(of, lengthIn)),
  convention: 'Largest or smallest value of a quantity in a phase, or when it comes, from the beginning of the phase.',
  evaluate: ({ of, from, to, which, give, plane, lengthIn }, performance) => {
    const r = ready(performance, of, plane, { from, to }, lengthIn);
    if (!isReady(r)) return r;
    const sign = which === 'largest' ? 1 : -1;
    const score = r.curve.map((v) => sign * v);
    const top = largest(score, r.span)!;
    const there = readQuantity(performance, of, plane, top.frame, lengthIn);
    if (!there.measurable) return there;
    if (give === 'time') return timeFrom(performance, from, top.frame, extremeTimeSd(score, top.frame, randomSd(there), performance.interval), refsOfQuantity(of));
    return there;
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of, lengthIn }, performance, frame) => drawQuantity(of, performance, frame, lengthIn),
  curve: ({ of, lengthIn }, performance) => quantityCurve(performance, of, lengthIn),
  curveUnit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
};

export const range: KindOfMeasure<'range'> = {
  kind: 'range',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: 'Largest minus smallest value of a quantity in a phase: range of motion, or how constant it is held.',
  evaluate: ({ of, from, to, plane, lengthIn }, performance) => {
    const r = ready(performance, of, plane, { from, to }, lengthIn);
    if (!isReady(r)) return r;
    const top = largest(r.curve, r.span)!;
    const bottom = largest(r.curve.map((v) => -v), r.span)!;
    const [a, b] = [top, bottom].map(({ frame }) => readQuantity(performance, of, plane, frame, lengthIn)) as [Reading, Reading];
    if (!a.measurable) return a;
    if (!b.measurable) return b;
    // What is alike at both ends of the range falls out of it.
    return { ...a, value: top.value + bottom.value, sd: PEAK_WIDENING * quadrature(randomSd(a), randomSd(b)), alikeSd: 0, provenance: { ...a.provenance, frames: [top.frame, bottom.frame] } };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of, lengthIn }, performance, frame) => drawQuantity(of, performance, frame, lengthIn),
  curve: ({ of, lengthIn }, performance) => quantityCurve(performance, of, lengthIn),
};

const RATE_UNITS: Readonly<Record<string, DisplayUnit>> = { deg: 'deg/s', m: 'm/s', '%BH': 'BH/s', '%': '%' };

export const peakRate: KindOfMeasure<'peak-rate'> = {
  kind: 'peak-rate',
  unit: ({ of, lengthIn, give }) => (give === 'time' ? 'ms' : RATE_UNITS[unitOfQuantity(of, lengthIn)]!),
  convention: 'Fastest change of a quantity in a phase (angular velocity, speed of opening), or when it comes, from the beginning of the phase.',
  evaluate: ({ of, from, to, direction, give, plane, lengthIn }, performance) => {
    const r = ready(performance, of, plane, { from, to }, lengthIn);
    if (!isReady(r)) return r;
    const rates = rateOfChange(performance.times, r.curve);
    const score = rates.map((v) => (direction === 'rising' ? v : direction === 'falling' ? -v : Math.abs(v)));
    const top = largest(score, r.span);
    const there = top && readQuantity(performance, of, plane, top.frame, lengthIn);
    if (!top || !there) return notMeasurable('point-missing', 'The phase is too short for a rate', 'Mark the moments farther apart.');
    if (!there.measurable) return there;
    const sd = quadrature(PEAK_WIDENING * derivativeSd(randomSd(there), performance.interval, performance.cutoff), edgeSd(score, top.frame));
    if (give === 'time') return timeFrom(performance, from, top.frame, extremeTimeSd(score, top.frame, sd, performance.interval), refsOfQuantity(of));
    const signed = direction === 'falling' ? -top.value : direction === 'either' ? Math.sign(rates[Math.round(top.frame)]!) * top.value : top.value;
    return { ...there, value: signed, sd, alikeSd: 0, unit: RATE_UNITS[there.unit]! };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of, lengthIn }, performance, frame) => drawQuantity(of, performance, frame, lengthIn),
  curve: ({ of, lengthIn }, performance) => rateOfChange(performance.times, continuousCurve(performance, of, lengthIn)),
  curveUnit: ({ of, lengthIn }) => RATE_UNITS[unitOfQuantity(of, lengthIn)]!,
};

export const turn: KindOfMeasure<'turn'> = {
  kind: 'turn',
  unit: 'deg',
  convention: 'Change of a direction between two moments, whole turns counted (unwrapped).',
  evaluate: ({ of, from, to, plane }, performance) => {
    if (dimensionOf(of) !== 'angle') return notMeasurable('point-missing', 'Only a direction can turn', 'Choose an angle in the movement.');
    const r = ready(performance, of, plane, { from, to }, '%BH');
    if (!isReady(r)) return r;
    const [a, b] = [performance.marks[from]!, performance.marks[to]!].map((frame) => readQuantity(performance, of, plane, frame, '%BH')) as [Reading, Reading];
    if (!a.measurable) return a;
    if (!b.measurable) return b;
    // Whole turns come from the curve, the rest from the two readings.
    const whole = r.curve[r.span.last]! - r.curve[r.span.first]! - difference(of, r.curve[r.span.last]!, r.curve[r.span.first]!);
    // A finder sees a joint elsewhere in another posture: what is alike in all clips at one moment does not cancel between two.
    const alikeSd = quadrature(a.alikeSd, b.alikeSd);
    return { ...b, value: difference(of, b.value, a.value) + whole, sd: quadrature(randomSd(a), randomSd(b), alikeSd), alikeSd, provenance: { ...b.provenance, frames: [performance.marks[to]!, performance.marks[from]!] } };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of }, performance, frame) => drawQuantity(of, performance, frame, '%BH'),
  curve: ({ of }, performance) => continuousCurve(performance, of, '%BH'),
};

/** The same quantity of the other side of the body. */
export function otherSide(of: Quantity): Quantity {
  const swap = (ref: string): string => (ref.startsWith('dominant-') ? ref.replace('dominant', 'opposite') : ref.replace('opposite', 'dominant'));
  return JSON.parse(JSON.stringify(of), (key, v: unknown) => (typeof v === 'string' && key !== 'q' && key !== 'against' && key !== 'axis' && key !== 'limb' && key !== 'side' ? swap(v) : v)) as Quantity;
}

export const evenness: KindOfMeasure<'evenness'> = {
  kind: 'evenness',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: 'A quantity of the dominant side minus the same of the other side, at a moment: 0 is even.',
  evaluate: ({ of, at, plane, lengthIn }, performance) => {
    const frame = performance.marks[at];
    if (frame === undefined) return momentMissing(at);
    const [own, other] = [of, otherSide(of)].map((q) => readQuantity(performance, q, plane, frame, lengthIn)) as [Reading, Reading];
    if (!own.measurable) return own;
    if (!other.measurable) return other;
    return { ...own, value: difference(of, own.value, other.value), sd: quadrature(own.sd, other.sd), alikeSd: quadrature(own.alikeSd, other.alikeSd), provenance: { ...own.provenance, points: [...own.provenance.points, ...other.provenance.points] } };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ of, lengthIn }, performance, frame) => [...drawQuantity(of, performance, frame, lengthIn), ...drawQuantity(otherSide(of), performance, frame, lengthIn)],
};

type TimedEvent = 'peak-rate' | 'largest' | 'smallest';

/** When an event of a quantity comes in a phase, from its beginning. */
function timeOf(of: Quantity, event: TimedEvent, { from, to, plane }: { readonly from: string; readonly to: string; readonly plane: Plane }, performance: Performance): Reading {
  const common = { ...UNLISTED, plane, of, from, to, give: 'time', lengthIn: '%BH' } as const;
  return event === 'peak-rate' ? peakRate.evaluate({ ...common, kind: 'peak-rate', direction: 'either' }, performance) : extreme.evaluate({ ...common, kind: 'extreme', which: event }, performance);
}

export const order: KindOfMeasure<'order'> = {
  kind: 'order',
  unit: 'ms',
  convention: 'Several peaks in a phase in their stated order: the smallest lag from one to the next; negative where two come the wrong way round.',
  evaluate: ({ steps, ...phase }, performance) => {
    const times: Measured[] = [];
    for (const { of, event } of steps) {
      const reading = timeOf(of, event, phase, performance);
      if (!reading.measurable) return reading;
      times.push(reading);
    }
    const lags = times.slice(1).map((b, i) => ({ value: b.value - times[i]!.value, sd: quadrature(b.sd, times[i]!.sd), frames: [b.provenance.frames[0]!, times[i]!.provenance.frames[0]!] }));
    const least = lags.reduce((a, b) => (b.value < a.value ? b : a));
    return { ...times[0]!, value: least.value, sd: least.sd, alikeSd: 0, unit: 'ms', provenance: { ...times[0]!.provenance, frames: [...least.frames, ...times.map((t) => t.provenance.frames[0]!)], points: times.flatMap((t) => t.provenance.points) } };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ steps }, performance, frame) => steps.flatMap(({ of }) => drawQuantity(of, performance, frame, '%BH')),
};

/** The order in which the steps of an order came, with the time of each after the first of them, seconds. */
export function orderOf({ steps, ...phase }: MeasureOf<'order'>, performance: Performance): readonly { readonly name: string; readonly after: number; readonly sd: number }[] | null {
  const times = steps.map(({ name, of, event }) => ({ name, reading: timeOf(of, event, phase, performance) }));
  const known = times.flatMap(({ name, reading }) => (reading.measurable ? [{ name, at: reading.value, sd: reading.sd }] : []));
  if (known.length < steps.length) return null;
  const first = Math.min(...known.map((k) => k.at));
  return known.map(({ name, at, sd }) => ({ name, after: at - first, sd })).sort((a, b) => a.after - b.after);
}

export const lag: KindOfMeasure<'lag'> = {
  kind: 'lag',
  unit: 'ms',
  convention: 'When the second quantity has its peak rate, largest or smallest value in a phase, minus when the first has: positive where the first comes first.',
  evaluate: ({ first, second, event, ...phase }, performance) => {
    const times: Measured[] = [];
    for (const quantity of [first, second]) {
      const reading = timeOf(quantity, event, phase, performance);
      if (!reading.measurable) return reading;
      times.push(reading);
    }
    const [a, b] = times as [Measured, Measured];
    return { ...b, value: b.value - a.value, sd: quadrature(a.sd, b.sd), provenance: { ...b.provenance, frames: [b.provenance.frames[0]!, a.provenance.frames[0]!], points: [...a.provenance.points, ...b.provenance.points] } };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: ({ first, second }, performance, frame) => [...drawQuantity(first, performance, frame, '%BH'), ...drawQuantity(second, performance, frame, '%BH')],
};
