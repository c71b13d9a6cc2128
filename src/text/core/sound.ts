/** What is said here, by the file that says it. */
export const TEXT = {
  // wav
  partOfWhatWasSaid: (what: string) => `A part of what was said cannot be read: ${what}. Record that section anew.`,
  itIsNoWavFile: 'it is no WAV file',
  itIsNotLinearPcm: 'it is not linear PCM of one channel',
  itsSamplesHaveNotBits: 'its samples have not 16 bits',
  itDoesNotSayIts: 'it does not say its rate',
  thereIsNoSound: 'there is no sound in it',

  // sound-offset
  twoSoundsHaveNothing: 'The two sounds have nothing in common that stands out of the noise',
  twoSoundsAgreeAtSeveral: 'The two sounds agree at several places alike, as steps or claps at an even beat do',
  loudestThatFallsTogether: 'The loudest that falls together in the two sounds is not the same sound',
};
