import { unwrap, wrapAngle } from '../geometry/angle';
import type { Quantity } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { dimensionOf, goesRound, quantitySeries, readQuantity, unitOfQuantity } from '../quantities';
import { ownSd } from '../reading';
import type { FrameSpan } from '../signal/peaks';
import { toSi } from '../units';

/** Every time that a quantity passes a level. */

/** A quantity minus a level (display unit), SI; directions without jumps of whole turns. */
export function awayFrom(trial: Trial, of: Quantity, level: number): Float64Array {
  const at = toSi(level, unitOfQuantity(of, '%BH'));
  const series = quantitySeries(trial, of, '%BH');
  return goesRound(of) ? unwrap(series.map((v) => wrapAngle(v - at))) : series.map((v) => v - at);
}

/**
 * How far a curve must go beyond a level, in its own random deviations, before it has passed it: noise goes to and fro
 * over it many times.
 */
const HYSTERESIS = 2;

/** Random deviation of a quantity, taken in the middle of a span, or else where it is known first. */
export function noiseOf(trial: Trial, of: Quantity, { first, last }: FrameSpan): number {
  const middle = (first + last) >> 1;
  for (const frame of [
    middle,
    first,
    last,
    ...Array.from({ length: Math.max(0, last - first) }, (_, k) => first + k),
  ]) {
    const reading = readQuantity(trial, of, { plane: 'any', frame, lengthIn: '%BH', timeSd: 0 });
    if (reading.measurable) return ownSd(reading);
  }
  return 0;
}

/**
 * Positions at which a curve passes 0 upwards for good: from below -h to above h. Of several passings between, the
 * middle.
 */
function passings(series: ArrayLike<number>, { first, last }: FrameSpan, h: number): readonly number[] {
  const found: number[] = [];
  let [armed, between]: [boolean, number[]] = [false, []];
  let before = NaN;
  const count = (): void => {
    if (armed && between.length > 0) found.push((between[0]! + between.at(-1)!) / 2);
    [armed, between] = [false, []];
  };
  let at = first;
  for (let i = first; i <= last; i++) {
    const v = series[i]!;
    if (Number.isNaN(v)) continue;
    if (Number.isNaN(before) && v < 0) armed = true;
    if (before < 0 && v >= 0) between.push(at + ((i - at) * before) / (before - v));
    if (v < -h) {
      armed = true;
      between = [];
    } else if (v > h) count();
    before = v;
    at = i;
  }
  // At the end of the span there is no more to wait for.
  if (before >= 0) count();
  return found;
}

/**
 * Frame positions at which a quantity passes a level (display unit) in a span, in order; whole turns do not matter for
 * a direction. One passing counts once, however often noise carries the curve over the level and back.
 */
export function crossingsOf(
  trial: Trial,
  of: Quantity,
  level: number,
  direction: 'rising' | 'falling',
  span: FrameSpan,
  away = awayFrom(trial, of, level),
): readonly number[] {
  const up = direction === 'rising' ? away : away.map((v) => -v);
  const h = HYSTERESIS * noiseOf(trial, of, span);
  const inside = Array.from(up.slice(Math.max(0, span.first), span.last + 1)).filter((v) => !Number.isNaN(v));
  if (inside.length === 0) return [];
  if (!goesRound(of)) return passings(up, span, h);
  const [low, high] = [Math.min(...inside), Math.max(...inside)].map((v) => Math.round(v / (2 * Math.PI))) as [
    number,
    number,
  ];
  const turns = Array.from({ length: high - low + 1 }, (_, k) => (low + k) * 2 * Math.PI);
  return turns
    .flatMap((turn) =>
      passings(
        up.map((v) => v - turn),
        span,
        Math.min(h, Math.PI / 4),
      ),
    )
    .sort((a, b) => a - b);
}

/** How sure the time of a passing is, seconds: the quantity's random deviation over its rate of change there. */
export function crossingSd(trial: Trial, of: Quantity, away: Float64Array, frame: number): number {
  const i = Math.round(frame);
  const reach = Math.max(1, Math.round(1 / (4 * trial.cutoff) / trial.interval));
  const [low, high] = [Math.max(0, i - reach), Math.min(away.length - 1, i + reach)];
  const rate = Math.abs(away[high]! - away[low]!) / (trial.times[high]! - trial.times[low]!);
  return (
    noiseOf(trial, of, { first: i, last: i }) /
    Math.max(Number.isNaN(rate) ? 0 : rate, dimensionOf(of) === 'angle' ? 0.3 : 0.05)
  );
}
