import { TIME } from '../model/words';
import { refsOfTrajectory } from '../trial/trajectory';
import { notMeasurable } from '../reading';
import { eventSd } from '../statistics/event-time';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import { plainDifference, type KindOfMeasure } from './kind';
import { drawPath, isPath, pathOf, pathProvenance, speeds, speedSd, type Path } from './point-path';
import { TEXT } from '../../text/core/measures';

interface Rest {
  /** Frame positions between which the point is slower; where it passes the limit by linear interpolation. */
  readonly from: number;
  readonly to: number;
  /** Seconds. */
  readonly time: number;
}

/** The longest time of a phase in which a curve is below a limit. */
function longestRest(series: Float64Array, times: Float64Array, { span }: Path, limit: number): Rest {
  let best: Rest = { from: span.first, to: span.first, time: 0 };
  const passes = (i: number): number =>
    series[i]! === series[i + 1]! ? i : i + (limit - series[i]!) / (series[i + 1]! - series[i]!);
  let start: number | null = null;
  for (let i = span.first; i <= span.last + 1; i++) {
    const slow = i <= span.last && series[i]! < limit;
    if (slow && start === null) start = i > span.first && series[i - 1]! >= limit ? passes(i - 1) : i;
    if (slow || start === null) continue;
    const end = i <= span.last && series[i]! >= limit ? passes(i - 1) : i - 1;
    const time = timeAtFrame(times, end) - timeAtFrame(times, start);
    if (time > best.time) best = { from: start, to: end, time };
    start = null;
  }
  return best;
}

/** How long a point rests. */
export const dwell: KindOfMeasure<'dwell'> = {
  kind: 'dwell',
  unit: 'ms',
  convention: TEXT.longestTimeInPhase,
  error: TEXT.twoFramesAtEitherEnd,
  drawn: TEXT.pathOfPoint,
  words: () => TIME,
  refs: refsOfTrajectory,
  picture: ({ relativeTo }) => (relativeTo ? 'size' : 'place'),
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const path = pathOf(trial, measure);
    if (!isPath(path)) return path;
    const series = speeds(path, trial.times, 'straight');
    const trembling = speedSd(path, path.trembling, trial);
    if (trembling > measure.slower)
      return notMeasurable('too-uncertain', TEXT.pointTremblesFasterThanLimit, TEXT.detectPointsWithAccurateDetector);
    // Noise in both coordinates adds its variance to the square of a speed, and so to that of the limit.
    const rest = (limit: number): Rest =>
      longestRest(series, trial.times, path, Math.sign(limit) * Math.hypot(limit, Math.SQRT2 * trembling));
    const { from, to, time } = rest(measure.slower);
    // Noise in the speed ends a rest early or late: how long it would be with the limit moved by two deviations either
    // way, a third of it (against rendered truth).
    const noise = 2 * speedSd(path, path.sd, trial);
    const unsure = (rest(measure.slower + noise).time - rest(measure.slower - noise).time) / 3;
    return {
      measurable: true,
      value: time,
      sd: quadrature(2 * eventSd(path.intervals[1]), unsure),
      systematicSd: 0,
      unit: 'ms',
      provenance: pathProvenance(trial, measure, [from, to]),
    };
  },
  difference: plainDifference,
  draw: drawPath,
  series: null,
};
