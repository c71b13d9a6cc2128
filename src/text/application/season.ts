/** What is said here, by the file that says it. */
export const TEXT = {
  // athlete-use-cases
  anotherWindowOfApplicationIs:
    'Another window of the application is open and may have one of these sessions. Close it, then try again.',

  // camera-plan-use-cases
  planningTwoCameras: 'Planning two cameras',

  // consent
  nothingWasRemoved: 'Nothing was removed.',

  // follow-up-use-cases
  nameHasNoClipOf: (name: string) => `“${name}” has no clip of the athlete.`,

  // history
  lookingForSessions: 'Looking for sessions',
  measuringSessionsOfName: (name: string) => `Measuring the sessions of ${name}`,
  measuringSession: 'Measuring a session',
  measuringSessionsWasCancelled: 'Measuring the sessions was cancelled. Open the step again to go on.',

  // squad
  dueFirst: 'Due first',
  latestSession: 'Latest session',
  name: 'Name',
  measuringSessions: 'Measuring sessions',

  // taken-trials
  nameNoLongerHasThat: (name: string) => `“${name}” no longer has that clip. Look again.`,
} as const;
