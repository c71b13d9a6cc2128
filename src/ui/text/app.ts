/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // demo-route
  allSessions: 'All sessions',
  loadingDemo: 'Loading the demo',

  // session-route
  thisSessionWasDeletedIn: 'This session was deleted in another window.',
  openingSession: 'Opening the session',
  thisScreen: 'This screen',

  // page-routes
  opening: 'Opening',

  // main
  thisPage: 'This page',
  newerVersionOfApplicationHas:
    'A newer version of the application has changed what is kept in this browser; this one leaves it as it is. Update the application and load this page again.',
} as const;
