import { strictest } from '../calibration/camera-state';
import { WHEN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { pictureOfQuantity, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import type { Measured } from '../reading';
import { COVERAGE_95 } from '../statistics/normal';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { timeOfEvent } from './timed-event';
import { TEXT } from '../../text/core/measures';

/** The error of one time after another of the same phase: its beginning, which both are counted from, falls out. */
export const lagSd = (a: Measured, b: Measured, startSd: number): number =>
  Math.sqrt(Math.max(0, a.sd ** 2 + b.sd ** 2 - 2 * startSd ** 2));

/** Several peaks one after the other. */
export const order: KindOfMeasure<'order'> = {
  kind: 'order',
  unit: 'ms',
  convention: TEXT.severalPeaksInPhase,
  error: TEXT.howFlatTwoNearestPeaks,
  drawn: TEXT.allQuantitiesAndStrip,
  words: () => ({ ...WHEN, seenLow: TEXT.outOfOrder }),
  refs: ({ steps }) => steps.flatMap(({ of }) => refsOfQuantity(of)),
  picture: ({ steps }) => strictest(steps.map(({ of }) => pictureOfQuantity(of))),
  reads: 'time',
  needsSureEvents: true,
  evaluate: ({ steps, ...phase }, trial) => {
    const times: Measured[] = [];
    for (const { of, event } of steps) {
      const reading = timeOfEvent(of, event, phase, trial);
      if (!reading.measurable) return reading;
      times.push(reading);
    }
    const lags = times.slice(1).map((b, i) => ({
      value: b.value - times[i]!.value,
      sd: lagSd(times[i]!, b, keyEventSd(trial, phase.from)),
      frames: [b.provenance.frames[0]!, times[i]!.provenance.frames[0]!],
    }));
    const least = lags.reduce((a, b) => (b.value < a.value ? b : a));
    return {
      ...times[0]!,
      value: least.value,
      sd: least.sd,
      systematicSd: 0,
      unit: 'ms',
      provenance: {
        ...times[0]!.provenance,
        frames: [...least.frames, ...times.map((t) => t.provenance.frames[0]!)],
        points: times.flatMap((t) => t.provenance.points),
      },
    };
  },
  difference: plainDifference,
  draw: ({ steps }, trial, frame) => steps.flatMap(({ of }) => drawQuantity(of, trial, frame, '%BH')),
  series: null,
};

/** A step of an order as it came. */
export interface StepThatCame {
  readonly name: string;
  /** Time after the step that came first, seconds, and its standard deviation. */
  readonly after: number;
  readonly sd: number;
  /** One that should come before it comes after it, by more than can be told apart (95 %). */
  readonly early: boolean;
}

/** The steps of an order as they came; null where not all of them can be measured. */
export function orderOf(measure: MeasureOf<'order'>, trial: Trial): readonly StepThatCame[] | null {
  const { steps, ...phase } = measure;
  const came = steps.flatMap(({ name, of, event }, stated) => {
    const reading = timeOfEvent(of, event, phase, trial);
    return reading.measurable ? [{ name, stated, reading }] : [];
  });
  if (came.length < steps.length) return null;
  came.sort((a, b) => a.reading.value - b.reading.value);
  const startSd = keyEventSd(trial, phase.from);
  const [first] = came;
  return came.map((step) => ({
    name: step.name,
    after: step.reading.value - first!.reading.value,
    sd: step === first ? 0 : lagSd(first!.reading, step.reading, startSd),
    early: came.some(
      (other) =>
        other.stated < step.stated &&
        other.reading.value - step.reading.value > COVERAGE_95 * lagSd(step.reading, other.reading, startSd),
    ),
  }));
}
