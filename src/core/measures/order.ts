import { strictest } from '../calibration/camera-state';
import { WHEN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import type { Trial } from '../trial/trial';
import { pictureOfQuantity, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import type { Measured } from '../reading';
import { plainDifference, type KindOfMeasure, type MeasureOf } from './kind';
import { timeOfEvent } from './timed-event';

/** The error of one time after another of the same phase: its beginning, which both are counted from, falls out. */
export const lagSd = (a: Measured, b: Measured, startSd: number): number =>
  Math.sqrt(Math.max(0, a.sd ** 2 + b.sd ** 2 - 2 * startSd ** 2));

/** Several peaks one after the other. */
export const order: KindOfMeasure<'order'> = {
  kind: 'order',
  unit: 'ms',
  convention:
    'Several peaks in a phase in their stated order: the smallest lag from one to the next; negative where two ' +
    'come the wrong way round.',
  error: 'how flat the two nearest peaks are',
  drawn: 'all quantities, and a strip of their order',
  words: () => ({ ...WHEN, seenLow: 'Out of order' }),
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

/** The order in which the steps of an order came, with the time of each after the first of them, seconds. */
export function orderOf(
  { steps, ...phase }: MeasureOf<'order'>,
  trial: Trial,
): readonly { readonly name: string; readonly after: number; readonly sd: number }[] | null {
  const times = steps.map(({ name, of, event }) => ({ name, reading: timeOfEvent(of, event, phase, trial) }));
  const known = times.flatMap(({ name, reading }) =>
    reading.measurable ? [{ name, at: reading.value, sd: reading.sd }] : [],
  );
  if (known.length < steps.length) return null;
  const first = Math.min(...known.map((k) => k.at));
  return known.map(({ name, at, sd }) => ({ name, after: at - first, sd })).sort((a, b) => a.after - b.after);
}
