import { difference, pictureOfQuantity, readQuantity, refsOfQuantity, unitOfQuantity } from '../quantities';
import { eventSystematic, keyEventSd } from '../trial/key-events';
import { drawQuantity } from '../quantities/draw';
import { seriesOfQuantity, quantityWords } from './common';
import type { KindOfMeasure } from './kind';
import { TEXT } from '../../text/core/measures';

/** Any quantity at a moment. */
export const value: KindOfMeasure<'value'> = {
  kind: 'value',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: TEXT.anyQuantityAtMoment,
  error: TEXT.pointsMomentCameraScale,
  drawn: TEXT.itsQuantity,
  words: ({ of }) => quantityWords(of),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'moments',
  needsSureEvents: true,
  evaluate: ({ of, at, towards, plane, lengthIn }, trial) => {
    const start = trial.marks[at]!;
    const end = towards ? trial.marks[towards.moment]! : start;
    const share = towards?.share ?? 0;
    const timeSd = Math.hypot(
      (1 - share) * keyEventSd(trial, at),
      towards ? share * keyEventSd(trial, towards.moment) : 0,
    );
    const timeSystematic = Math.hypot(
      (1 - share) * eventSystematic(trial, at),
      towards ? share * eventSystematic(trial, towards.moment) : 0,
    );
    return readQuantity(trial, of, { plane, frame: start + share * (end - start), lengthIn, timeSd, timeSystematic });
  },
  difference: ({ of }, a, b) => difference(of, a, b),
  // At its own moment the picture says what the sheet says.
  draw: ({ of, at, towards, lengthIn }, trial, frame) => {
    const mark = trial.marks[at];
    return drawQuantity(
      of,
      trial,
      frame,
      lengthIn,
      mark !== undefined && !towards && Math.round(mark) === frame ? mark : frame,
    );
  },
  series: seriesOfQuantity(true),
};
