import { wrapAngle } from '../geometry/angle';
import { WHEN } from '../model/words';
import { eventSystematic, keyEventSd, quoted } from '../trial/key-events';
import { notMeasurable } from '../reading';
import {
  continuousSeries,
  dimensionOf,
  goesRound,
  pictureOfQuantity,
  readQuantity,
  refsOfQuantity,
  unitOfQuantity,
} from '../quantities';
import { unwrap } from '../geometry/angle';
import { quadrature } from '../statistics/propagate';
import { timeAtFrame } from '../timing/clip-time';
import { toSi } from '../units';
import { drawOf, seriesOfQuantity } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** Slower than this a passing has no time, radians or heights a second. */
const SLOWEST = { angle: 0.5, length: 0.05, ratio: 0.05, metres: 0.09 } as const;

/** Position at which a curve passes zero in a direction, nearest to a place; null where it never does. */
function nearestCrossing(series: Float64Array, direction: 'rising' | 'falling', near: number): number | null {
  let best: number | null = null;
  for (let i = 1; i < series.length; i++) {
    const [a, b] = [series[i - 1]!, series[i]!];
    const passes = direction === 'rising' ? a < 0 && b >= 0 : a > 0 && b <= 0;
    if (!passes) continue;
    const at = i - 1 + a / (a - b);
    if (best === null || Math.abs(at - near) < Math.abs(best - near)) best = at;
  }
  return best;
}

/** Time by which a quantity passes a level before (negative) or after (positive) a moment. */
export const eventOffset: KindOfMeasure<'event-offset'> = {
  kind: 'event-offset',
  unit: 'ms',
  convention: TEXT.timeAtWhichQuantityPasses,
  error: TEXT.quantitysErrorOverItsSpeed,
  drawn: TEXT.itsQuantity,
  words: () => WHEN,
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, plane, lengthIn } = measure;
    const mark = trial.marks[measure.moment]!;
    const series = continuousSeries(trial, of, lengthIn);
    const level = toSi(measure.crossing, unitOfQuantity(of, lengthIn));
    const reach = Math.ceil(toSi(measure.within, 'ms') / trial.interval);
    const start = Math.max(0, Math.floor(mark) - reach);
    const window = series.slice(start, Math.floor(mark) + reach + 1);
    const away = goesRound(of) ? unwrap(window.map((v) => wrapAngle(v - level))) : window.map((v) => v - level);
    // Each whole turn has its own passing; the window's own turns are looked through.
    const turns = goesRound(of) ? [-2, -1, 0, 1, 2] : [0];
    const found = turns
      .map((n) =>
        nearestCrossing(
          away.map((v) => v - 2 * Math.PI * n),
          measure.direction,
          mark - start,
        ),
      )
      .filter((at) => at !== null)
      .sort((a, b) => Math.abs(a - (mark - start)) - Math.abs(b - (mark - start)));
    const [crossing] = found;
    if (crossing === undefined) {
      return notMeasurable(
        'no-crossing',
        TEXT.itDoesNotPassWithin(measure.crossing, measure.within, quoted(trial, measure.moment)),
        TEXT.lookAtPointsRoundThis,
      );
    }
    const frame = start + crossing;
    const there = readQuantity(trial, of, { plane, frame, lengthIn, timeSd: 0 });
    if (!there.measurable) return there;
    const low = Math.max(0, Math.floor(frame) - 1);
    const high = Math.min(series.length - 1, Math.ceil(frame) + 1);
    const speed = Math.abs(series[high]! - series[low]!) / (trial.times[high]! - trial.times[low]!);
    const perUnit = 1 / Math.max(Number.isNaN(speed) ? 0 : speed, SLOWEST[dimensionOf(of)]);
    return {
      measurable: true,
      value: timeAtFrame(trial.times, frame) - timeAtFrame(trial.times, mark),
      sd: quadrature(there.sd * perUnit, keyEventSd(trial, measure.moment)),
      systematicSd: quadrature(there.systematicSd * perUnit, eventSystematic(trial, measure.moment)),
      unit: 'ms',
      provenance: { clipId: trial.clip.id, frames: [frame, mark], points: [...there.provenance.points] },
    };
  },
  difference: plainDifference,
  draw: drawOf,
  series: seriesOfQuantity(false),
};
