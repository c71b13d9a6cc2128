/** What is said here, by the file that says it. */
export const TEXT = {
  // backup-reminder
  oneSessionStands: 'One session stands',
  changedSessionsStand: (changed: number) => `${changed} sessions stand`,
  saveEverythingNow: 'Save everything now',
  whatInThisBrowserOnly: (what: string) => `${what} in this browser only, in no backup yet.`,
  whatInThisBrowserOnlyChanged: (what: string, days: number) =>
    `${what} in this browser only, changed since the last backup ${days} days ago.`,

  // demo-card
  beginWithDemo: 'Begin with the demo',
  demo: 'Demo',
  madeUpAcademyFilmedAt:
    'A made-up academy, filmed at 120 frames per second, with points, moments and judgements in place: see what a ' +
    'finished session looks like before you make your own.',
  openDemo: 'Open the demo',
  openName: (name: string) => `Open ${name}`,

  // files-card
  files: 'Files',
  allOfItStaysIn: (origin: string) => `All of it stays in this browser, at ${origin}:`,
  whatIsKeptHere: 'What is kept here',
  sessionFile: 'Session file',
  readingFile: 'Reading the file',
  openSessionOrBackup: 'Open a session or a backup',
  saveEverythingAsOneFile: 'Save everything as one file',

  // home-screen
  notInBackupValue: (value: string) => `Not in the backup: ${value}.`,
  oneOrTwoVideosBegin: (count: number) => `One or two videos begin a session, not ${count}; more are given at Intake.`,
  nameIsMovementCreateSession: (name: string) =>
    `“${name}” is a movement. Create a session, or open one, and drop it on a clip’s place at Intake to measure by it.`,
  putsAthletesClipBesideReference:
    'Puts an athlete’s clip beside a reference, brings both to the same moment, measures what differs and says ' +
    'what to work on first. Every athlete stands here then, with what they work on.',
  licencesOfWhatIsBuilt: 'Licences of what is built in',
  proudFalcon: 'Proud Falcon',
  thisBrowserLacksMissingCurrent: (missing: string) =>
    `This browser lacks ${missing}. A current desktop version of Chromium and its kin, of Firefox or of Safari has ` +
    'it all.',
  deleteThisSession: 'Delete this session?',
  withItsClipsPointsAnd: '” with its clips, points and decisions is removed from this browser for good.',
  keepIt: 'Keep it',
  delete: 'Delete',

  // new-session
  sessionOfFormat: (format: string) => `Session of ${format}`,
  newSession: 'New session',
  videosToBeginWith: 'Videos to begin with',
  beginWithOneOrTwo: 'Begin with one or two videos',
  orDropThemAnywhereOn: 'Or drop them anywhere on this page.',
  name: 'Name',
  movement: 'Movement',
  create: 'Create',

  // quick-start
  athlete: 'Athlete',
  nameHasWithdrawnConsentNo: (name: string) => `${name} has withdrawn the consent: no new footage of them is taken.`,
  messageCreateSessionAndGive: (message: string) =>
    `${message} Create a session and give it at Intake, where parts are chosen and files converted.`,
  whoIsInIt: 'Who is in it?',
  whoIsInThem: 'Who is in them?',
  reference: 'Reference',
  nameOfRole: (role: string) => `Name of the ${role}`,
  movesInPicture: 'Moves in the picture',
  toRight: 'To the right',
  toLeft: 'To the left',
  underAge: 'Under age',
  exchangeVideos: 'Exchange the videos',
  viewAndRateAreTaken:
    'View and rate are taken as last time, and of who was here last time the dominant side, too; all of it can be ' +
    'changed at Intake. Without consent to film and analyse, of a guardian for a minor, the footage must not be ' +
    'used.',
  cancel: 'Cancel',
  readingVideos: 'Reading the videos',
  consentIsGivenStart: 'Consent is given: start',

  // repair-buttons
  andCountMore: (count: number) => `; and ${count} more`,
  repairedLeftOutDroppedMore: (dropped: string, more: string) => `Repaired. Left out: ${dropped}${more}.`,
  repair: 'Repair',
  saveAsItIs: 'Save as it is',
  nothingLeftOut: 'nothing',

  // session-table
  sessions: 'Sessions',
  session: 'Session',
  performers: 'Performers',
  filmed: 'Filmed',
  lastChange: 'Last change',
  followUpName: (name: string) => `Follow up ${name}`,
  followUp: 'Follow up',
  deleteName: (name: string) => `Delete ${name}`,
  noClipsYet: 'no clips yet',
  cannotBeOpenedAsIt: 'Cannot be opened as it is:',

  // squad-and-sessions
  athletes: 'Athletes',
  findAthleteOrSession: 'Find an athlete or a session',
  movements: 'Movements',
  all: 'All',
  squads: 'Squads',
  order: 'Order',
  measuringSessionsThatHaveChanged: (done: number, all: number) =>
    `Measuring sessions that have changed: ${done} of ${all} athletes.`,
  nobodyYetAthleteStandsHere: 'Nobody yet: an athlete stands here once a session has a clip of them.',
  noAthleteMatches: 'No athlete matches. Remove a word, or choose all movements and squads.',
  noSessionsYet: 'No sessions yet.',

  // squad-list
  worksOn: 'Works on',
  trend: 'Trend',
  due: 'Due',
  lastSession: 'Last session',
  consentWithdrawn: 'Consent withdrawn',
  oneSession: '1 session',
  countSessions: (count: number) => `${count} sessions`,
  andCountOther: (count: number) => `and ${count} other`,
  andCountOthers: (count: number) => `and ${count} others`,
  nothingIsOpen: 'Nothing is open',
  notMeasuredYet: 'Not measured yet',
  measureCountSessionsLastIn: (measure: string, count: number, inDisplayUnit: string) =>
    `${measure}, ${count} sessions: last ${inDisplayUnit} `,
  past: 'past',
  openLastSessionOfName: (name: string) => `Open the last session of ${name}`,

  // unopened-session
  allSessions: 'All sessions',
} as const;
