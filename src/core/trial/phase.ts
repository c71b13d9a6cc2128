import { notMeasurable, type NotMeasurable } from '../reading';
import { knownShare, type FrameSpan } from '../signal/peaks';
import { eventMissing, outOfOrder, type TimedEvents } from './key-events';
import { TEXT } from '../../text/core/trial';

/** The whole frames between two moments; why there are none where one is missing, or they do not follow each other. */
export function spanOf(
  trial: Pick<TimedEvents, 'marks' | 'times' | 'names'>,
  phase: { readonly from: string; readonly to: string },
): FrameSpan | NotMeasurable {
  const { from, to } = phase;
  const [a, b] = [trial.marks[from], trial.marks[to]];
  if (a === undefined) return eventMissing(trial, from);
  if (b === undefined) return eventMissing(trial, to);
  if (b <= a) return outOfOrder(trial, phase);
  // Where no whole frame lies between two moments, the one after the first stands for the phase.
  const first = Math.max(0, Math.ceil(a - 1e-9));
  const last = Math.min(trial.times.length - 1, Math.max(first, Math.floor(b + 1e-9)));
  return {
    first,
    last,
    from: Math.min(first, Math.max(0, a)),
    to: Math.max(last, Math.min(trial.times.length - 1, b)),
  };
}

export const isSpan = (span: FrameSpan | NotMeasurable): span is FrameSpan => 'first' in span;

/** Less of a phase than this says nothing about its extremes or its path. */
const LEAST_KNOWN = 0.9;

export const tooLittleKnown = (values: ArrayLike<number>, span: FrameSpan, what: string): NotMeasurable | null =>
  knownShare(values, span) >= LEAST_KNOWN
    ? null
    : notMeasurable(
        'point-missing',
        TEXT.isKnownOnOfPhase(what, Math.round(100 * knownShare(values, span))),
        TEXT.detectPointsOrPlaceMissing,
      );
