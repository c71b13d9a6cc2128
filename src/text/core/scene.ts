/** What is said here, by the file that says it. */
export const TEXT = {
  // drawing
  toLevel: (degrees: string) => `${degrees} to level`,
  toPlumb: (degrees: string) => `${degrees} to plumb`,
};
