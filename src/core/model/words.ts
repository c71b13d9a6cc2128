/** What is said of a value for which a movement has no words of its own. */
export interface UsualWords {
  readonly seenLow: string;
  readonly seenHigh: string;
  readonly cueLow: string;
  readonly cueHigh: string;
}

export const ANGLE: UsualWords = {
  seenLow: 'More bent than it should be',
  seenHigh: 'Straighter than it should be',
  cueLow: 'Longer',
  cueHigh: 'More bend',
};
export const TIME: UsualWords = {
  seenLow: 'Too short',
  seenHigh: 'Too long',
  cueLow: 'Take the time',
  cueHigh: 'Quicker',
};
export const WHEN: UsualWords = {
  seenLow: 'Too early',
  seenHigh: 'Too late',
  cueLow: 'Wait for it',
  cueHigh: 'Earlier',
};
export const PACE: UsualWords = { seenLow: 'Too slow', seenHigh: 'Too fast', cueLow: 'Quicker', cueHigh: 'Calmer' };
export const LENGTH: UsualWords = { seenLow: 'Too short', seenHigh: 'Too long', cueLow: 'Longer', cueHigh: 'Shorter' };
export const HEIGHT: UsualWords = { seenLow: 'Too low', seenHigh: 'Too high', cueLow: 'Higher', cueHigh: 'Lower' };
export const EXTENT: UsualWords = {
  seenLow: 'Moves too little',
  seenHigh: 'Moves too much',
  cueLow: 'Let it move',
  cueHigh: 'Keep it still',
};
export const PLAIN: UsualWords = { seenLow: 'Too small', seenHigh: 'Too large', cueLow: 'More', cueHigh: 'Less' };
