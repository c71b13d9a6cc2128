import { EXTENT } from '../model/words';
import { pictureOfQuantity, readQuantity, refsOfQuantity, unitOfQuantity } from '../quantities';
import { sharedVariance, type Reading } from '../reading';
import { largest } from '../signal/peaks';
import { quadrature } from '../statistics/propagate';
import { drawOf, errorOfDifference, seriesOfQuantity } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { edgeSd } from './peak-error';
import { isSeries, phaseSeries } from './phase-series';
import { TEXT } from '../../text/core/measures';

/** Largest minus smallest. */
export const range: KindOfMeasure<'range'> = {
  kind: 'range',
  unit: ({ of, lengthIn }) => unitOfQuantity(of, lengthIn),
  convention: TEXT.largestMinusSmallestValue,
  error: TEXT.pointsAtBothEndsLess,
  drawn: TEXT.itsQuantity,
  words: () => EXTENT,
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'movement',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, plane, lengthIn } = measure;
    const r = phaseSeries(trial, measure, measure);
    if (!isSeries(r)) return r;
    const top = largest(r.series, r.span)!;
    const bottom = largest(
      r.series.map((v) => -v),
      r.span,
    )!;
    const [a, b] = [top, bottom].map(({ frame }) => readQuantity(trial, of, { plane, frame, lengthIn, timeSd: 0 })) as [
      Reading,
      Reading,
    ];
    if (!a.measurable) return a;
    if (!b.measurable) return b;
    const error = errorOfDifference(a, b);
    const edges = [top, bottom].map(({ frame }) => edgeSd(trial, r.series, frame, measure));
    const together = sharedVariance(error.shared);
    const sd = quadrature(Math.sqrt(Math.max(0, error.sd ** 2 - together)), Math.sqrt(together), ...edges);
    return {
      ...a,
      value: top.value + bottom.value,
      ...error,
      sd,
      provenance: { ...a.provenance, frames: [top.frame, bottom.frame] },
    };
  },
  difference: plainDifference,
  draw: drawOf,
  series: seriesOfQuantity(false),
};
