/** What is said here, by the file that says it. */
export const TEXT = {
  // document-store
  thisCannotBeKeptAnd: (fault: string) => `This cannot be kept, and nothing was changed. ${fault}`,

  // updates
  workIsUnderWayHere: 'Work is under way here. Let it end or cancel it, then use the new version.',
  otherWindowsShowOldVersion: 'Other windows show the old version. Close them, then use the new one.',

  // windows
  anotherWindowWritesThisSession:
    'Another window writes this session. Press “Work here” above to change it in this one.',
} as const;
