/** What is said here, by the file that says it. */
export const TEXT = {
  // bench-player
  clip: 'the clip',
  clipsNowMoveFreelyChoose: 'The clips now move freely. Choose a way of matching to bring them together again.',

  // remember-gap
  frameOfFileNameCannot: (frame: number, fileName: string) =>
    `Frame ${frame} of “${fileName}” cannot be decoded: the file is damaged there. Such frames are stepped over ` +
    'and marked on its ribbon; copy the file from the camera again.',
} as const;
