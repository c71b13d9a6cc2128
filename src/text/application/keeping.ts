/** What is said here, by the file that says it. */
export const TEXT = {
  // backup
  savingEverything: 'Saving everything',
  recordOfNameMessage: (name: string, message: string) => `the record of ${name} (${message})`,
  openingName: (name: string) => `Opening ${name}`,
  cancelledOpenedOfCountSessions: (opened: number, count: number) =>
    `Cancelled: ${opened} of ${count} sessions are opened; they stay.`,

  // damaged-sessions
  nameAsStoredJson: (name: string) => `${name} as stored.json`,

  // session-files
  savingName: (name: string) => `Saving ${name}`,
  nameFromFile: (name: string) => `${name} (from a file)`,
} as const;
