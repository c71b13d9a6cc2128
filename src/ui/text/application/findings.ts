/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // finding-use-cases
  hipsAndHeightOfBoth: 'The hips and the height of both must be known there: detect points, or place them by hand.',

  // voice-notes
  voiceNoteWav: 'voice note.wav',
} as const;
