/** What is said here, by the file that says it. */
export const TEXT = {
  // finding-use-cases
  hipsAndHeightOfBoth: 'The hips and the height of both must be known there: detect points, or place them by hand.',

  // voice-notes
  voiceNoteWav: 'voice note.wav',
} as const;
