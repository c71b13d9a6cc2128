import { difference, pictureOfQuantity, readQuantity, refsOfQuantity, unitOfQuantity } from '../quantities';
import { momentAlike, momentSd } from '../performance/moments';
import { drawQuantity } from '../quantities/draw';
import { quantitySeries, quantityWords } from './common';
import type { KindOfMeasure } from './kind';

/** Any quantity at a moment. */
export const value: KindOfMeasure<'value'> = {
  kind: 'value',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: 'Any quantity at a moment, or a share of the way from it to another moment.',
  error: 'points, moment, camera, scale',
  drawn: 'its quantity',
  words: ({ of }) => quantityWords(of),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  needsSureMoments: true,
  evaluate: ({ of, at, towards, plane, lengthIn }, performance) => {
    const start = performance.marks[at]!;
    const end = towards ? performance.marks[towards.moment]! : start;
    const share = towards?.share ?? 0;
    const timeSd = Math.hypot(
      (1 - share) * momentSd(performance, at),
      towards ? share * momentSd(performance, towards.moment) : 0,
    );
    const timeAlike = Math.hypot(
      (1 - share) * momentAlike(performance, at),
      towards ? share * momentAlike(performance, towards.moment) : 0,
    );
    return readQuantity(performance, of, { plane, frame: start + share * (end - start), lengthIn, timeSd, timeAlike });
  },
  difference: ({ of }, a, b) => difference(of, a, b),
  // At its own moment the picture says what the sheet says.
  draw: ({ of, at, towards, lengthIn }, performance, frame) => {
    const mark = performance.marks[at];
    return drawQuantity(
      of,
      performance,
      frame,
      lengthIn,
      mark !== undefined && !towards && Math.round(mark) === frame ? mark : frame,
    );
  },
  series: quantitySeries(true),
};
