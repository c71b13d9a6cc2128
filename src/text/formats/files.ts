/** What is said here, by the file that says it. */
export const TEXT = {
  // session-json
  isNotValidJsonExport: (fileName: string, detail: string) =>
    `“${fileName}” is not valid JSON (${detail}). Export the session again.`,
  isNotSessionFileIts: (fileName: string, header: string) =>
    `“${fileName}” is not a session file: its “format” is not “${header}”.`,
  hasSessionVersionThisApplication: (fileName: string, schemaVersion: string) =>
    `“${fileName}” has session version ${schemaVersion}; this application reads version 1. Update the application.`,
  nothingOfItCan: (fileName: string) => `“${fileName}”: nothing of it can be opened.`,

  // session-archive
  itGrowsBeyondMb: (most: number) => `it grows beyond ${most} MB as it is unpacked`,
  savingSessionWasCancelledNo: 'Saving the session was cancelled; no file was written.',
  holdsNoSessionThere: (fileName: string, sessionEntry: string) =>
    `“${fileName}” holds no session: there is no “${sessionEntry}” in it. Choose a file that was saved from a report.`,
  videoNameDetail: (name: string, detail: string) => `the video “${name}” (${detail})`,
  cannotBeReadToIts: (fileName: string, detail: string) =>
    `“${fileName}” cannot be read to its end (${detail}). Copy or save the file again.`,

  // backup
  backupWasCancelledNoFile: 'The backup was cancelled; no file was written.',
  recordsOfAthletes: (damaged: number) => `${damaged} records of athletes`,

  // movement-json
  movement: 'the movement',
  isNotValidJson: (fileName: string, detail: string) => `“${fileName}” is not valid JSON (${detail}).`,
  isNotMovementItHas: (fileName: string) =>
    `“${fileName}” is not a movement: it has no “moments” and “measures”. What belongs in one stands in ` +
    'docs/movement.schema.json.',
  hasMovementVersionThisApplication: (fileName: string, version: string) =>
    `“${fileName}” has movement version ${version}; this application reads version 1.`,
  andMore: (more: number) => ` And ${more} more.`,
};
