import { TEXT } from '../../text/core/model';

/** What is said of a value for which a movement has no words of its own. */
export interface UsualWords {
  readonly seenLow: string;
  readonly seenHigh: string;
  readonly cueLow: string;
  readonly cueHigh: string;
}

export const ANGLE: UsualWords = {
  seenLow: TEXT.moreBentThanItShould,
  seenHigh: TEXT.straighterThanItShould,
  cueLow: TEXT.longer,
  cueHigh: TEXT.moreBend,
};
export const TIME: UsualWords = {
  seenLow: TEXT.tooShort,
  seenHigh: TEXT.tooLong,
  cueLow: TEXT.takeTime,
  cueHigh: TEXT.quicker,
};
export const WHEN: UsualWords = {
  seenLow: TEXT.tooEarly,
  seenHigh: TEXT.tooLate,
  cueLow: TEXT.waitFor,
  cueHigh: TEXT.earlier,
};
export const PACE: UsualWords = {
  seenLow: TEXT.tooSlow,
  seenHigh: TEXT.tooFast,
  cueLow: TEXT.quicker,
  cueHigh: TEXT.calmer,
};
export const LENGTH: UsualWords = {
  seenLow: TEXT.tooShort,
  seenHigh: TEXT.tooLong,
  cueLow: TEXT.longer,
  cueHigh: TEXT.shorter,
};
export const HEIGHT: UsualWords = {
  seenLow: TEXT.tooLow,
  seenHigh: TEXT.tooHigh,
  cueLow: TEXT.higher,
  cueHigh: TEXT.lower,
};
export const EXTENT: UsualWords = {
  seenLow: TEXT.movesTooLittle,
  seenHigh: TEXT.movesTooMuch,
  cueLow: TEXT.letItMove,
  cueHigh: TEXT.keepItStill,
};
export const PLAIN: UsualWords = {
  seenLow: TEXT.tooSmall,
  seenHigh: TEXT.tooLarge,
  cueLow: TEXT.more,
  cueHigh: TEXT.less,
};
