import { notMeasurable, type NotMeasurable } from '../reading';
import { unknownTimes } from '../timing/clip-time';
import type { Trial } from './trial';
import { TEXT } from '../../text/core/trial';

/** Why no time can be told over some frames: the capture rate is not known between them; null where it is. */
export function rateRefusal({ clip }: Pick<Trial, 'clip'>, frames: readonly number[]): NotMeasurable | null {
  const [first, last] = [Math.min(...frames), Math.max(...frames)];
  const unknown = unknownTimes(clip).find(([from, until]) => first < until && from < last);
  return unknown === undefined
    ? null
    : notMeasurable('times-unsure', TEXT.captureRateIsNotKnown(unknown[0] + 1, unknown[1] + 1), TEXT.sayItAtMatch);
}
