/** What is said here, by the file that says it. */
export const TEXT = {
  // demo-route
  allSessions: 'All sessions',
  loadingDemo: 'Loading the demo',

  // main
  thisPage: 'This page',
  newerVersionOfApplicationHas:
    'A newer version of the application has changed what is kept in this browser; this one leaves it as it is. ' +
    'Update the application and load this page again.',

  // page-routes
  thisScreen: 'This screen',
  opening: 'Opening',

  // session-route
  thisSessionWasDeletedIn: 'This session was deleted in another window.',
  openingSession: 'Opening the session',
} as const;
