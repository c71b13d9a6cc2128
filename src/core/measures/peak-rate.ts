import { PACE, WHEN } from '../model/words';
import type { Trial } from '../trial/trial';
import { continuousSeries, pictureOfQuantity, readQuantity, refsOfQuantity, unitOfQuantity } from '../quantities';
import { NOTHING_SHARED, notMeasurable, ownSd, type Measured, type Reading } from '../reading';
import { derivativeSd, rateOfChange } from '../signal/derivative';
import { noiseOfSamples } from '../signal/noise';
import { largest } from '../signal/peaks';
import { interpolateLinear } from '../signal/resample';
import { quadrature } from '../statistics/propagate';
import { intervalAt, timeAtFrame } from '../timing/clip-time';
import type { DisplayUnit } from '../units';
import { drawOf, type OfQuantity } from './common';
import { plainDifference, type KindOfMeasure } from './kind';
import { aboveTop, edgeSd, flattened, lostInNoise, PEAK_WIDENING, peakTimeSd, POSTURE_TIME } from './peak-error';
import { isSeries, phaseSeries, timeFrom } from './phase-series';
import { TEXT } from '../../text/core/measures';

const RATE_UNITS: Readonly<Record<string, DisplayUnit>> = { deg: 'deg/s', m: 'm/s', '%BH': 'BH/s', '%': '%' };
const rateUnit = ({ of, lengthIn }: OfQuantity): DisplayUnit => RATE_UNITS[unitOfQuantity(of, lengthIn)]!;

const ratesOf = (trial: Trial, { of, lengthIn }: OfQuantity): Float64Array =>
  rateOfChange(trial.times, continuousSeries(trial, of, lengthIn));
const rateSd = (trial: Trial, there: Measured, frame: number): number =>
  quadrature(derivativeSd(ownSd(there), intervalAt(trial, frame), trial.cutoff), there.systematicSd / POSTURE_TIME);

/** The filter takes so much off a quick peak (against made movements). */
const FILTER_SHARE = 0.03;

/** Scale and camera do to a rate what they do to the value, in the same proportion. */
const shareOfScale = (there: Measured): number => (there.value === 0 ? 0 : (there.shared?.scale ?? 0) / there.value);

/** Fastest change in a phase. */
export const peakRate: KindOfMeasure<'peak-rate'> = {
  kind: 'peak-rate',
  unit: (measure) => (measure.output === 'time' ? 'ms' : rateUnit(measure)),
  convention: TEXT.fastestChangeOfQuantity,
  error: TEXT.noiseThroughFilterOfIts,
  drawn: TEXT.itsQuantity,
  words: ({ output }) => (output === 'time' ? WHEN : PACE),
  refs: ({ of }) => refsOfQuantity(of),
  picture: ({ of }) => pictureOfQuantity(of),
  reads: 'time',
  needsSureEvents: true,
  evaluate: (measure, trial) => {
    const { of, from, direction, output, plane, lengthIn } = measure;
    const r = phaseSeries(trial, measure, measure);
    if (!isSeries(r)) return r;
    const rates = rateOfChange(trial.times, r.series);
    const score = rates.map((v) => (direction === 'rising' ? v : direction === 'falling' ? -v : Math.abs(v)));
    const top = largest(score, r.span);
    const there = top && readQuantity(trial, of, { plane, frame: top.frame, lengthIn, timeSd: 0 });
    if (!top || !there) return notMeasurable('point-missing', TEXT.phaseIsTooShort, TEXT.markMomentsFartherApart);
    if (!there.measurable) return there;
    const noise = rateSd(trial, there, top.frame);
    const edge = edgeSd(trial, score, top.frame, measure);
    const raw = continuousSeries({ ...trial, smoothed: trial.raw }, of, lengthIn);
    const trembling = derivativeSd(noiseOfSamples(raw) || 0, intervalAt(trial, top.frame), trial.cutoff);
    const height = top.value - aboveTop(trial, score, r.span, trembling);
    const lost = direction === 'either' ? lostInNoise(height) : null;
    if (lost) return lost;
    if (output === 'time')
      return timeFrom(trial, from, top.frame, peakTimeSd(trial, score, r.span, top.frame, noise), refsOfQuantity(of));
    const signed =
      direction === 'falling'
        ? -height
        : direction === 'either'
          ? Math.sign(rates[Math.round(top.frame)]!) * height
          : height;
    const shared = { ...NOTHING_SHARED, scale: signed * shareOfScale(there) };
    return {
      ...there,
      value: signed,
      sd: quadrature(
        PEAK_WIDENING * noise,
        edge,
        FILTER_SHARE * signed,
        flattened(trial, score, top.frame),
        shared.scale,
      ),
      systematicSd: 0,
      shared,
      unit: rateUnit(measure),
    };
  },
  difference: plainDifference,
  draw: drawOf,
  series: {
    unit: rateUnit,
    values: (measure, trial) => ratesOf(trial, measure),
    read: (measure, trial, frame): Reading => {
      const there = readQuantity(trial, measure.of, {
        plane: measure.plane,
        frame,
        lengthIn: measure.lengthIn,
        timeSd: 0,
      });
      if (!there.measurable) return there;
      const at = interpolateLinear(trial.times, ratesOf(trial, measure), timeAtFrame(trial.times, frame));
      if (Number.isNaN(at))
        return notMeasurable('point-missing', TEXT.rateIsNotKnownThere, TEXT.detectPointsOrPlaceMissing);
      const shared = { ...NOTHING_SHARED, scale: at * shareOfScale(there) };
      return {
        ...there,
        value: at,
        sd: quadrature(rateSd(trial, there, frame), shared.scale),
        systematicSd: 0,
        shared,
        unit: rateUnit(measure),
      };
    },
    of: ({ of, lengthIn }) => ['rate', of, lengthIn],
    holdsValue: () => false,
  },
};
