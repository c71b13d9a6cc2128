import type { Trial } from '../trial/trial';
import { notMeasurable, type NotMeasurable } from '../reading';
import { keyEventSd } from '../trial/key-events';
import type { FrameSpan } from '../signal/peaks';
import { smoothCoordinate } from '../signal/smooth';
import { largestOf } from '../statistics/normal';
import { timeAtFrame } from '../timing/clip-time';
import { eventSd } from '../statistics/event-time';
import { quadrature } from '../statistics/propagate';
import { TEXT } from '../../text/core/measures';

/**
 * The largest of many noisy values lies above the true peak, by most of their own deviation: what is said of a peak is
 * so much wider (calibrated with `npm run bench judge`).
 */
export const PEAK_WIDENING = 1.35;

/**
 * What the edge of a phase that is off by its timing error does to a peak that lies at that edge: the curve's slope
 * there, per second, times that error. Nothing for a peak inside.
 */
export function edgeSd(
  trial: Trial,
  series: Float64Array,
  frame: number,
  phase: { readonly from: string; readonly to: string },
): number {
  const i = Math.min(series.length - 1, Math.max(0, Math.round(frame)));
  const [low, high] = [Math.max(0, i - 1), Math.min(series.length - 1, i + 1)];
  const slope = (series[high]! - series[low]!) / (trial.times[high]! - trial.times[low]!);
  if (Number.isNaN(slope)) return 0;
  const [a, b] = [trial.marks[phase.from]!, trial.marks[phase.to]!];
  const edge = Math.abs(frame - a) <= 1 ? phase.from : Math.abs(frame - b) <= 1 ? phase.to : null;
  return edge === null ? 0 : Math.abs(slope) * keyEventSd(trial, edge);
}

/** Of values that come within this many deviations of noise of the largest any may be it by its noise. */
const WITHIN_NOISE = 3;

/**
 * By how much the largest of noisy values lies above the true top: what the largest of as many errors is as have a say
 * there. Noise that is cut off has two independent values for each period of the cut-off.
 * @param values upwards; @param noise standard deviation that the data show; 0 takes nothing away
 */
export function aboveTop(
  { cutoff, interval }: Pick<Trial, 'cutoff' | 'interval'>,
  values: ArrayLike<number>,
  { first, last }: FrameSpan,
  noise: number,
): number {
  if (!(noise > 0)) return 0;
  let top = -Infinity;
  for (let i = first; i <= last; i++) if (values[i]! > top) top = values[i]!;
  let near = 0;
  for (let i = first; i <= last; i++) if (values[i]! > top - WITHIN_NOISE * noise) near++;
  return noise * largestOf(near * Math.min(1, 2 * cutoff * interval));
}

/**
 * Why nothing is said of the peak of a size (which has no sign) that is no higher than noise alone would make it; null
 * for one that stands out.
 * @param height the peak without its noise
 */
export const lostInNoise = (height: number): NotMeasurable | null =>
  height <= 0 ? notMeasurable('too-uncertain', TEXT.nothingHereStandsOut, TEXT.detectPointsWithAccurateDetector) : null;

/**
 * What a quick peak of a rate loses: to the derivative over two frames a sixth of its second difference (series of the
 * central difference) and about as much again by what lies between frames; to the smoothing what the same smoothing
 * takes off once more (twicing, Tukey 1977).
 * @param score the rate, upwards, over the whole clip
 */
export function flattened(
  { times, cutoff }: Pick<Trial, 'times' | 'cutoff'>,
  score: Float64Array,
  frame: number,
): number {
  const i = Math.round(frame);
  const bend = (score[i - 1] ?? NaN) - 2 * score[i]! + (score[i + 1] ?? NaN);
  const again = smoothCoordinate(times, score, { cutoff, longestBridge: 0 })[i]!;
  return quadrature(Number.isNaN(bend) ? 0 : bend / 3, Number.isNaN(again) ? 0 : score[i]! - again);
}

/**
 * What a detector does systematically in all clips changes with the posture, in about so much time, seconds (a limb
 * passes another; common practice).
 */
export const POSTURE_TIME = 0.1;

/**
 * Filter and detector bend a curve as well as trembling on it: a peak's time is so much less sure (against rendered
 * truth).
 */
const TIME_WIDENING = 1.2;

/** Half of a stretch of smooth noise: what is nearer together than this is one peak, seconds. */
const halfPeriod = (cutoff: number): number => 1 / (4 * cutoff);

/**
 * A curve that comes this near to its top elsewhere may have its true top there: detector and filter bend it by some
 * per cent (against rendered truth).
 */
const NEARLY = 0.12;

/** Of two tops whose noise is the same either may be the higher within two deviations of their difference. */
const BOTH_NOISY = 2.83;

/**
 * How sure the time of a peak is, seconds. Noise of deviation s that is cut off at w moves the top of a peak of
 * curvature c by s w / (sqrt(3) c), which is the deviation of the noise's slope over c. Wherever else in the phase the
 * curve comes all but as high the true top may lie too: anywhere between, evenly, as far as that is from the top read.
 * @param score the curve, upwards, over the whole clip; @param span the phase; @param sd of the curve's noise
 */
export function peakTimeSd(
  { times, cutoff, interval }: Trial,
  score: Float64Array,
  span: FrameSpan,
  frame: number,
  sd: number,
): number {
  const top = Math.min(score.length - 1, Math.max(0, Math.round(frame)));
  const reach = Math.max(1, Math.round(halfPeriod(cutoff) / interval));
  const [a, b, c] = [score[top - reach] ?? NaN, score[top]!, score[top + reach] ?? NaN];
  const curvature = Math.abs(a - 2 * b + c) / (reach * interval) ** 2;
  const slope = (sd * 2 * Math.PI * Math.min(cutoff, 0.5 / interval)) / Math.sqrt(3);
  let lowest = b;
  for (let i = span.first; i <= span.last; i++) if (score[i]! < lowest) lowest = score[i]!;
  const near = b - Math.max(BOTH_NOISY * sd, NEARLY * (b - lowest));
  let [first, last] = [top, top];
  for (let i = span.first; i <= span.last; i++) {
    // Beside a top its own slope is no other one.
    const isTop = !(score[i - 1]! > score[i]!) && !(score[i + 1]! > score[i]!);
    const atEdge = i === span.first || i === span.last;
    if (!(score[i]! >= near) || !(isTop || atEdge)) continue;
    first = Math.min(first, i);
    last = Math.max(last, i);
  }
  const [before, after] = [first, last].map((i) => Math.abs(timeAtFrame(times, i) - timeAtFrame(times, top)));
  const flat = before! + after! > 0 ? Math.sqrt((before! ** 3 + after! ** 3) / (3 * (before! + after!))) : 0;
  const local = curvature > 0 ? Math.min(slope / curvature, Math.max(2 * flat, interval)) : 0;
  return Math.max(eventSd(interval), TIME_WIDENING * local, flat);
}
