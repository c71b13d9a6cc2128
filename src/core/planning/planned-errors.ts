import { viewOf, type Views } from '../comparison/side';
import { evaluateMeasure } from '../measures';
import type { CameraPlan } from '../model/camera-plan';
import type { Measure } from '../model/measure';
import type { Reading } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { toSi, usualTolerance } from '../units';
import type { Trial } from '../trial/trial';
import { asFilmed } from './as-filmed';
import { levelHeight, looksDown } from './camera-plan';
import { TEXT } from '../../text/core/planning';

/** What would make a reading surer. */
export interface Improvement {
  readonly words: string;
  /** Half of the 95 % interval with it, SI. */
  readonly plusMinus: number;
}

/** What is to be expected of a measure from a planned camera. */
export interface PlannedError {
  readonly measure: Measure;
  readonly reading: Reading;
  /** Half of the 95 % interval, SI; null where it is not measurable. */
  readonly plusMinus: number | null;
  /** Whether it is read in space, from two cameras. */
  readonly inSpace: boolean;
  /** The difference that matters, SI. */
  readonly tolerance: number;
  /** The change of the plan that helps most; null where none helps by a quarter. */
  readonly improvement: Improvement | null;
}

/** Frames a second that a phone films in full size. */
const MOST_FRAMES = 240;
/** What makes an interval no narrower than this share of it is not worth a word. */
const WORTH = 0.75;

const changesOf = (plan: CameraPlan): readonly { readonly words: string; readonly plan: CameraPlan }[] => [
  {
    words: TEXT.fromMOrTwiceFocal(Number((plan.distance / 2).toFixed(1))),
    plan: { ...plan, distance: plan.distance / 2 },
  },
  ...(plan.rate * 2 <= MOST_FRAMES
    ? [{ words: TEXT.atFramesSecond(plan.rate * 2), plan: { ...plan, rate: plan.rate * 2 } }]
    : []),
  ...(Math.abs(looksDown(plan, plan.distance)) > 3
    ? [{ words: TEXT.withLensAt(levelHeight(plan)), plan: { ...plan, lensHeight: levelHeight(plan) } }]
    : []),
  ...(Math.abs(plan.offPlane) > 3 ? [{ words: TEXT.squareToMovement, plan: { ...plan, offPlane: 0 } }] : []),
];

const plusMinusOf = (reading: Reading): number | null => (reading.measurable ? COVERAGE_95 * reading.sd : null);

const toleranceOf = ({ target }: Measure, reading: Reading): number => {
  if (!reading.measurable) return NaN;
  return target && 'tolerance' in target ? toSi(target.tolerance, reading.unit) : usualTolerance(reading.unit);
};

/**
 * What each measure of a movement would say of its error from a planned camera, by the formulas by which it says it of
 * a clip.
 * @param views the trial as that camera would give it (`as-filmed`), or as two would (`two-cameras`)
 */
export function plannedErrors(
  measures: readonly Measure[],
  trial: Trial,
  plan: CameraPlan,
  views: Views,
): readonly PlannedError[] {
  const others = changesOf(plan).map(({ words, plan: changed }) => ({ words, trial: asFilmed(trial, changed) }));
  return measures.map((measure) => {
    const view = viewOf(measure, views);
    const reading = evaluateMeasure(measure, view);
    const plusMinus = plusMinusOf(reading);
    const [best] = others
      .map(({ words, trial: other }) => ({
        words,
        plusMinus: plusMinusOf(evaluateMeasure(measure, other)) ?? Infinity,
      }))
      .sort((a, b) => a.plusMinus - b.plusMinus);
    const helps = best && best.plusMinus < WORTH * (plusMinus ?? Infinity) && Number.isFinite(best.plusMinus);
    return {
      measure,
      reading,
      plusMinus,
      inSpace: view.space?.errors !== undefined,
      tolerance: toleranceOf(measure, reading),
      improvement: helps ? best : null,
    };
  });
}
