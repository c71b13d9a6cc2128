import { cautionText } from './caution-text';
import type { RankedGap } from '../assessment/priority';
import { inUnit } from '../units';
import type { Movement } from '../model/movement';

/** One thing to work on, ready to be read by an athlete. */
export interface Correction {
  readonly measureId: string;
  readonly title: string;
  readonly seen: string;
  readonly shouldBe: string;
  readonly why: string;
  readonly cue: string;
  readonly drills: readonly string[];
  readonly selfCheck: string;
  readonly willFollow: readonly string[];
  readonly caution: string | null;
  /** "first because ..." */
  readonly reason: string;
}

export function draftCorrection(movement: Movement, gap: RankedGap): Correction {
  const { measure, athlete, band } = gap.judged;
  const unit = athlete.measurable ? athlete.unit : 'deg';
  const value = athlete.measurable ? inUnit(athlete.value, unit) : '';
  const plusMinus = athlete.measurable ? inUnit(1.96 * athlete.sd, unit) : '';
  const { coaching } = measure;
  const low = gap.judged.excess < 0;
  const text = (si: number): string => inUnit(si, unit);
  const range = ((): string => {
    if (unit === 'answer') return 'yes';
    if (!band) return 'as in the reference';
    if (!Number.isFinite(band.low)) return `at most ${text(band.high)}`;
    if (!Number.isFinite(band.high)) return `at least ${text(band.low)}`;
    return `${text(band.low)} to ${text(band.high)}`;
  })();
  return {
    measureId: measure.id,
    title: measure.name,
    seen: measure.kind === 'checkpoint' ? `${measure.question} ${value}` : `${coaching ? (low ? coaching.seenLow : coaching.seenHigh) : low ? 'Too small' : 'Too large'}: ${value} \u00b1 ${plusMinus}`,
    shouldBe: range,
    why: coaching?.why ?? '',
    cue: coaching?.cue ?? '',
    drills: coaching?.drills ?? [],
    selfCheck: coaching?.selfCheck ?? '',
    willFollow: gap.willFollow.map((f) => `${f.judged.measure.name}${f.because ? ` (${f.because})` : ''}`),
    caution: cautionText(movement, gap),
    reason: gap.reason,
  };
}
