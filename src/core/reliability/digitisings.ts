import { seriesOfMeasure, seriesUnitOf, seriesOf } from '../measures';
import { eventsOf, type Measure } from '../model/measure';
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
  /** Pairs of values at which both know the measure. */
  readonly pairs: number;
  /**
   * Attempts that were digitised twice, where there are enough; null where the pairs lie along one or two movements.
   */
  readonly attempts: number | null;
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

/** Fewer attempts say nothing of how attempts differ. */
const LEAST_ATTEMPTS = 3;

/**
 * Agreement of two digitisings, measure by measure: over attempts, each read at the measure's own moments, where three
 * or more were digitised twice; else along the movement, whose values differ for another reason than attempts do: an
 * intraclass correlation of those says nothing of attempts. Measures without a series (times, shares) do not depend on
 * the points, changes and rates have errors of their own. ICC, SEM and limits: `agreement.ts`.
 */
export function agreementOf(movement: Movement, clips: readonly DigitisedTwice[]): readonly MeasureAgreement[] {
  const overAttempts = clips.length >= LEAST_ATTEMPTS;
  return sameReadings(movement).flatMap((measures) => {
    const [measure] = measures;
    const rows = clips.flatMap((clip) => {
      const [a, b] = [clip.first, clip.second].map((p) => seriesOfMeasure(measure, p)!) as [Float64Array, Float64Array];
      const at = overAttempts ? measures.map((m) => clip.first.marks[eventsOf(m)[0]!] ?? NaN) : positionsOf(clip);
      return at
        .map((frame) => [a[Math.round(frame)] ?? NaN, b[Math.round(frame)] ?? NaN] as const)
        .filter(([x, y]) => Number.isFinite(x) && Number.isFinite(y));
    });
    const [found, limits] = [
      agreement(rows),
      limitsOfAgreement(
        rows.map(([x]) => x),
        rows.map(([, y]) => y),
      ),
    ];
    if (!found.ok || !limits.ok) return [];
    return [
      {
        measures,
        unit: seriesUnitOf(measure),
        pairs: rows.length,
        attempts: overAttempts ? clips.length : null,
        agreement: found.value,
        limits: limits.value,
      },
    ];
  });
}

/** Measures of a movement that read the same thing, whichever moment they read it at. */
function sameReadings(movement: Movement): readonly [Measure, ...Measure[]][] {
  const groups = new Map<string, [Measure, ...Measure[]]>();
  for (const measure of movement.measures) {
    // The error of a change, a rate or a lag is another one than that of its series.
    const series = seriesOf(measure);
    if (!series?.holdsValue(measure)) continue;
    const key = JSON.stringify([measure.name, series.of(measure)]);
    const others = groups.get(key);
    if (others) others.push(measure);
    else groups.set(key, [measure]);
  }
  return [...groups.values()];
}
