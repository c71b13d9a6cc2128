/** What is said here, by the file that says it. */
export const TEXT = {
  // by-athlete
  byAthlete: 'By athlete',
  athlete: 'Athlete',
  sessions: 'Sessions',
  pointsAndNotes: 'Points and notes',
  sizeOfVideos: 'Size of videos',

  // kept-screen
  counting: 'Counting',
  megabytesRemoved: (megabytes: string) => `${megabytes} removed.`,
  nothingWasRemovedAnotherWindow: 'Nothing was removed: another window is open, or a step back could still need it.',
  allSessions: 'All sessions',
  whatIsKeptHere: 'What is kept here',
  everythingIsInThisBrowser: (origin: string, megabytes: string, megabytes2: string) =>
    `Everything is in this browser, at the address ${origin}; nothing is sent anywhere. Another browser, or this ` +
    `one at another address, does not see it. In use: ${megabytes} of ${megabytes2} that the browser gives.`,
  everythingIsInThisBrowserAt: (origin: string) =>
    `Everything is in this browser, at the address ${origin}; nothing is sent anywhere. Another browser, or this ` +
    'one at another address, does not see it. ',
  askBrowserToKeepIt: 'Ask the browser to keep it',
  browserMayClearThisBy: 'The browser may clear this by itself when the disk is full. Save what matters as files.',
  sessionsAndTheirVideos: 'Sessions and their videos',
  noSessions: 'No sessions.',
  session: 'Session',
  videos: 'Videos',
  saveNameAsFile: (name: string) => `Save ${name} as a file`,
  saveAsFile: 'Save as a file',
  removeName: (name: string) => `Remove ${name}`,
  remove: 'Remove',
  leftOver: 'Left over',
  everyVideoHereBelongsTo: 'Every video here belongs to a session.',
  countVideosThatNoSession: (count: number, looseText: string) =>
    `${count} videos that no session shows any more, ${looseText}. `,
  removeThem: 'Remove them',
  noSetsOfMarkersAre: 'No sets of markers are remembered.',
  markerMapsSetsOfMarkers: (markerMaps: number) => `${markerMaps} sets of markers of point files are remembered. `,
  forgetThem: 'Forget them',
  removeThisSession: 'Remove this session?',
  andVideosThatOnlyIt: '” and the videos that only it shows are removed from this browser for good.',
  keepIt: 'Keep it',
  noVideos: 'none',
} as const;
