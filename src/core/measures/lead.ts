import { viewRefusal } from '../calibration/view';
import { unwrap, wrapAngle } from '../geometry/angle';
import { notMeasurable } from '../reading';
import { timeAtFrame } from '../timing/clip-time';
import { toSi } from '../units';
import { eventSd } from '../statistics/event-time';
import { quadrature } from '../statistics/propagate';
import { angleCurve, readAngle } from './angle-at';
import { momentMissing } from '../performance/phase';
import type { KindOfMeasure } from './kind';
import { directionOf, drawDirection } from './segment-angle';

/** Frame position at which a curve passes zero in a direction, nearest to a frame; null where it never does. */
function nearestCrossing(curve: Float64Array, direction: 'rising' | 'falling', near: number): number | null {
  let best: number | null = null;
  for (let i = 1; i < curve.length; i++) {
    const a = curve[i - 1]!;
    const b = curve[i]!;
    const passes = direction === 'rising' ? a < 0 && b >= 0 : a > 0 && b <= 0;
    if (!passes) continue;
    const at = i - 1 + a / (a - b);
    if (best === null || Math.abs(at - near) < Math.abs(best - near)) best = at;
  }
  return best;
}

/** Time by which a segment passes an angle before (negative) or after (positive) a moment. */
export const lead: KindOfMeasure<'lead'> = {
  kind: 'lead',
  unit: 'ms',
  convention: 'Time at which a segment passes an angle, minus the time of a moment: before it is negative.',
  evaluate: (measure, performance) => {
    const refusal = viewRefusal(performance.clip, measure.plane);
    if (refusal) return refusal;
    const mark = performance.marks[measure.moment];
    if (mark === undefined) return momentMissing(measure.moment);
    const of = directionOf(measure.points, measure.against);
    const curve = angleCurve(performance, of);
    const level = toSi(measure.crossing, 'deg');
    const reach = Math.ceil(toSi(measure.within, 'ms') / performance.interval);
    const start = Math.max(0, Math.floor(mark) - reach);
    const window = curve.slice(start, Math.floor(mark) + reach + 1);
    const relative = unwrap(window.map((angle) => wrapAngle(angle - level)));
    const crossing = nearestCrossing(relative, measure.direction, mark - start);
    if (crossing === null) {
      return notMeasurable(
        'no-crossing',
        `The segment does not pass ${measure.crossing} degrees within ${measure.within} ms of ${measure.moment.replaceAll('-', ' ')}`,
        'Look at the points round this moment and correct them.',
      );
    }
    const frame = start + crossing;
    const angle = readAngle(performance, of, measure.plane, frame);
    if (!angle.measurable) return angle;
    const low = Math.max(0, Math.floor(frame) - 1);
    const high = Math.min(curve.length - 1, Math.ceil(frame) + 1);
    const speed = Math.abs(wrapAngle(curve[high]! - curve[low]!)) / ((high - low) * performance.interval);
    // The angle's own error includes the crossing's frame error; the moment's comes on top.
    const perRadian = 1 / Math.max(speed, 0.5);
    const sd = quadrature(angle.sd * perRadian, eventSd(performance.interval));
    return {
      measurable: true,
      value: timeAtFrame(performance.times, frame) - timeAtFrame(performance.times, mark),
      sd,
      alikeSd: angle.alikeSd * perRadian,
      unit: 'ms',
      provenance: { clipId: performance.clip.id, frames: [frame, mark], points: [...measure.points] },
    };
  },
  subtract: (athlete, reference) => athlete - reference,
  draw: (measure, performance, frame) => drawDirection(measure.points, measure.against, performance, frame),
  curveUnit: () => 'deg',
  curve: (measure, performance) => angleCurve(performance, directionOf(measure.points, measure.against)),
};
