import { WHEN } from '../model/words';
import { keyEventSd } from '../trial/key-events';
import { difference, pictureOfQuantity, readQuantity, refsOfQuantity, unitOfQuantity } from '../quantities';
import { largest } from '../signal/peaks';
import { quadrature } from '../statistics/propagate';
import { ownSd } from '../reading';
import { SAME_BETWEEN_MOMENTS, drawOf, seriesOfQuantity, quantityWords } from './common';
import type { KindOfMeasure } from './kind';
import { edgeSd, peakTimeSd } from './peak-error';
import { isSeries, phaseSeries, timeFrom } from './phase-series';
import { TEXT } from '../../text/core/measures';

/** Largest or smallest value in a phase. */
export const extreme: KindOfMeasure<'extreme'> = {
  kind: 'extreme',
  unit: ({ of, lengthIn, output }) => (output === 'time' ? 'ms' : unitOfQuantity(of, lengthIn)),
  convention: TEXT.largestOrSmallestValue,
  error: TEXT.pointsCameraScaleOfIts,
  drawn: TEXT.itsQuantity,
  words: ({ of, output }) => (output === 'time' ? WHEN : quantityWords(of)),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: ({ output }) => (output === 'time' ? 'time' : 'movement'),
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, from, which, output, plane, lengthIn } = measure;
    const r = phaseSeries(trial, measure, measure);
    if (!isSeries(r)) return r;
    const sign = which === 'largest' ? 1 : -1;
    const score = r.series.map((v) => sign * v);
    const top = largest(score, r.span)!;
    // At a top the rate of change is nought: what a shifted moment does there is in the edge's error.
    const there = readQuantity(trial, of, { plane, frame: top.frame, lengthIn, timeSd: 0 });
    if (!there.measurable) return there;
    if (output === 'time')
      return timeFrom(
        trial,
        from,
        top.frame,
        quadrature(
          peakTimeSd(
            trial,
            score,
            r.span,
            top.frame,
            quadrature(ownSd(there), SAME_BETWEEN_MOMENTS * there.systematicSd),
          ),
          Math.abs(top.frame - trial.marks[from]!) <= 1 ? keyEventSd(trial, from) : 0,
        ),
        refsOfQuantity(of),
      );
    // The curve says through how many whole turns a direction went, the reading what it is there.
    const turns =
      of.type === 'joint-angle' ? 0 : sign * top.value - there.value - difference(of, sign * top.value, there.value);
    return {
      ...there,
      value: there.value + turns,
      sd: quadrature(there.sd, edgeSd(trial, r.series, top.frame, measure)),
    };
  },
  difference: ({ of, output }, a, b) => (output === 'time' ? a - b : difference(of, a, b)),
  draw: drawOf,
  series: { ...seriesOfQuantity(true), holdsValue: ({ output }) => output === 'value' },
};
