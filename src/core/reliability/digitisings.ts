import { seriesOfMeasure, seriesUnitOf, seriesOf } from '../measures';
import type { Measure } from '../model/measure';
import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import type { DisplayUnit } from '../units';
import { agreement, limitsOfAgreement, type Agreement, type LimitsOfAgreement } from './agreement';

/** The same clip digitised twice. */
export interface DigitisedTwice {
  readonly first: Trial;
  readonly second: Trial;
}

/** How well two digitisings agree on one measure. */
export interface MeasureAgreement {
  /** All measures that read the same thing, whichever moment they read it at. */
  readonly measures: readonly [Measure, ...Measure[]];
  readonly unit: DisplayUnit;
  /** Pairs of values: one for each marked moment of each clip at which both know the measure. */
  readonly pairs: number;
  readonly agreement: Agreement;
  readonly limits: LimitsOfAgreement;
}

/** Times at which both are read, between the marked moments too: so many to a phase. */
const PER_PHASE = 3;

/** Frame positions at which two digitisings are compared: every marked moment, and evenly between them. */
function positionsOf({ first }: DigitisedTwice): readonly number[] {
  const marks = Object.values(first.marks).sort((a, b) => a - b);
  return marks.flatMap((mark, i) => {
    const next = marks[i + 1];
    return next === undefined
      ? [mark]
      : Array.from({ length: PER_PHASE }, (_, k) => mark + ((next - mark) * k) / PER_PHASE);
  });
}

/**
 * Agreement of two digitisings, measure by measure, over the marked moments and the phases between them of all clips
 * that were digitised twice. Measures without a curve (times, shares) do not depend on the points, changes and rates
 * have errors of their own. ICC, SEM and limits: `agreement.ts`.
 */
export function agreementOf(movement: Movement, clips: readonly DigitisedTwice[]): readonly MeasureAgreement[] {
  const systematic = new Map<string, [Measure, ...Measure[]]>();
  for (const measure of movement.measures) {
    // The error of a change, a rate or a lag is another one than that of its curve.
    const series = seriesOf(measure);
    if (!series?.holdsValue(measure)) continue;
    const key = JSON.stringify([measure.name, series.of(measure)]);
    const others = systematic.get(key);
    if (others) others.push(measure);
    else systematic.set(key, [measure]);
  }
  return [...systematic.values()].flatMap((measures) => {
    const [measure] = measures;
    const rows = clips.flatMap((clip) => {
      const [a, b] = [clip.first, clip.second].map((p) => seriesOfMeasure(measure, p)!) as [Float64Array, Float64Array];
      return positionsOf(clip)
        .map((at) => [a[Math.round(at)] ?? NaN, b[Math.round(at)] ?? NaN] as const)
        .filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y));
    });
    const [found, limits] = [
      agreement(rows),
      limitsOfAgreement(
        rows.map(([x]) => x),
        rows.map(([, y]) => y),
      ),
    ];
    return found.ok && limits.ok
      ? [{ measures, unit: seriesUnitOf(measure), pairs: rows.length, agreement: found.value, limits: limits.value }]
      : [];
  });
}
