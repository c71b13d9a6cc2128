/** What is said here, by the file that says it. */
export const TEXT = {
  // storage-issue
  thereIsNoRoom: (what: string) =>
    `There is no room in this browser for ${what}. Under “What is kept here” on the start page videos and ` +
    'sessions can be saved as files and removed.',
  browserCouldNotStoreLeave: (what: string, detail: string) =>
    `The browser could not store ${what} (${detail}). Leave this window open; save the session as a file from ` +
    'the report if it lasts.',

  // media
  videoFileName: (fileName: string) => `the video “${fileName}”`,

  // sessions
  sessionWithoutName: 'A session without a name',
  nothingOfCanBeOpened: (textOr: string) =>
    `Nothing of “${textOr}” can be opened. Save it as it is and keep the file; then delete it here.`,
  thereIsNoSession: (id: string) => `There is no session “${id}” in this browser. Choose one from the list.`,
  sessionWasSavedByNewer: (name: string, version: number) =>
    `The session “${name}” was saved by a newer version of the application (${version}; this one reads 1). ` +
    'Update the application; it stays here as it is.',
  sessionCannotBeOpened: (name: string, message: string) =>
    `The session “${name}” cannot be opened as it is: ${message}`,
  sessionWasDeletedInAnother: (session: string) =>
    `The session “${session}” was deleted in another window, and is not stored again.`,
  sessionWasChangedInAnother: (session: string) =>
    `The session “${session}” was changed in another window since; this change is not stored over it.`,
  changes: (session: string) => `the changes of “${session}”`,
  databaseGaveItUp: 'the database gave it up',

  // athletes
  record: (athlete: string) => `the record of “${athlete}”`,
};
