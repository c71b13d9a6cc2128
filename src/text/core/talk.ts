/** What is said here, by the file that says it. */
export const TEXT = {
  // talk-part
  pictureNamesSceneThat: 'A picture names a scene that is not there.',
  partOfWhatWasShown: 'A part of what was shown while talking cannot be read. Record that section anew.',
  partOfWhatWasShownWhile: (path: string, message: string) =>
    `A part of what was shown while talking is damaged (${path}: ${message}). Record that section anew.`,
};
