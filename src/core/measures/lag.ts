import { strictest } from '../calibration/camera-state';
import { WHEN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import { pictureOfQuantity, refsOfQuantity } from '../quantities';
import { drawQuantity } from '../quantities/draw';
import { plainDifference, type KindOfMeasure } from './kind';
import { lagSd } from './order';
import { timeOfEvent } from './timed-event';
import { TEXT } from '../../text/core/measures';

/** One peak after another. */
export const lag: KindOfMeasure<'lag'> = {
  kind: 'lag',
  unit: 'ms',
  convention: TEXT.whenSecondQuantityHasIts,
  error: TEXT.howFlatBothPeaks,
  drawn: TEXT.bothQuantities,
  words: () => WHEN,
  refs: ({ first, second }) => [...refsOfQuantity(first), ...refsOfQuantity(second)],
  picture: ({ first, second }) => strictest([first, second].map(pictureOfQuantity)),
  reads: 'time',
  needsSureEvents: true,
  evaluate: ({ first, second, event, ...phase }, trial) => {
    const a = timeOfEvent(first, event, phase, trial);
    if (!a.measurable) return a;
    const b = timeOfEvent(second, event, phase, trial);
    if (!b.measurable) return b;
    return {
      ...b,
      value: b.value - a.value,
      sd: lagSd(a, b, keyEventSd(trial, phase.from)),
      provenance: {
        ...b.provenance,
        frames: [b.provenance.frames[0]!, a.provenance.frames[0]!],
        points: [...a.provenance.points, ...b.provenance.points],
      },
    };
  },
  difference: plainDifference,
  draw: ({ first, second }, trial, frame) => [first, second].flatMap((q) => drawQuantity(q, trial, frame, '%BH')),
  series: null,
};
