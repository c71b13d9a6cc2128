/** What is said here, by the file that says it. */
export const TEXT = {
  // athlete-screen
  bornBirthYear: (birthYear: number) => `born ${birthYear}`,
  lookingForAthlete: 'Looking for the athlete',
  noSessionOrRecordIn: 'No session or record in this browser is of this athlete.',
  allAthletes: 'All athletes',
  underAge: 'under age',
  mayBeUnderAge: 'may be under age',

  // consent-card
  toBeFilmed: 'To be filmed',
  toBeAnalysed: 'To be analysed',
  thatPicturesAndReportsAre: 'That pictures and reports are given to others',
  everyVideoOfNameIs: (name: string) => `Every video of ${name} is removed. The numbers stay.`,
  everyVideoOfNameIsRemoved: (name: string) => `Every video of ${name} is removed. `,
  consent: 'Consent',
  itWasGivenAgain: 'It was given again',
  withdrawnOnDayTextTheir: (dayText: string) =>
    `Withdrawn on ${dayText}. Their videos are removed, and no new clip of them is taken.`,
  nothingIsWrittenDownHere:
    'Nothing is written down here; each clip was added with a tick that consent was given. For somebody under age ' +
    'a guardian gives it.',
  givenOn: 'Given on',
  itWasWithdrawn: 'It was withdrawn',
  removeFootageOfName: (name: string) => `Remove the footage of ${name}?`,
  everyVideoThatShowsName: (name: string) =>
    `Every video that shows ${name}, in all sessions of this browser, is removed for good. This cannot be undone. ` +
    'Files that were saved before are not reached from here.',
  pointsAndNumbersStayDrawn: 'Points and numbers stay; a drawn figure takes the picture’s place',
  pointsNumbersNotesAndDrawings: 'Points, numbers, notes and drawings on those clips go, too',
  keepIt: 'Keep it',
  removeForGood: 'Remove for good',

  // record-form
  record: 'Record',
  name: 'Name',
  squad: 'Squad',
  birthYear: 'Birth year',
  standingHeightM: 'Standing height, m',
  bodyMassKg: 'Body mass, kg',
  dominantSide: 'Dominant side',
  segmentMasses: 'Segment masses',
  notes: 'Notes',
  saveRecord: 'Save the record',
  newClipsTakeSideAnd: 'New clips take the side and the table from here. A new name stands in all sessions.',

  // their-sessions
  sessions: 'Sessions',
  noneYet: 'None yet.',
  asReferenceOfOthers: 'As the reference of others',
  session: 'Session',
  movement: 'Movement',
  filmed: 'Filmed',
  followUpName: (name: string) => `Follow up ${name}`,
  followUp: 'Follow up',

  // who-is-it
  countSessions: (count: number) => `${count} sessions`,
  undo: 'Undo',
  nameAndName2AreOne: (name: string, name2: string) => `${name} and ${name2} are one athlete now.`,
  anotherNameHasRecordOf: (name: string) =>
    `Another ${name} has a record of their own now; give it what tells them apart.`,
  whoItIs: 'Who it is',
  isSamePersonAs: 'Is the same person as',
  merge: 'Merge',
  someSessionsShowAnotherPerson: 'Some sessions show another person of this name',
  giveThemRecordOfTheir: 'Give them a record of their own',
  nobodyElseIsKnownHere: 'Nobody else is known here yet.',

  // works-on
  worksOn: 'Works on',
  noSessionIsAboutThis: 'No session is about this athlete yet.',
  sessionsAreNotMeasuredYet: 'The sessions are not measured yet: the start page does that by itself.',
  nothingIsOpen: 'Nothing is open.',
  correction: 'Correction',
  stands: 'Stands',
  checkDue: 'Check due',
  measureOverCountSessions: (measure: string, count: number) => `${measure} over ${count} sessions`,
  onDayText: (dayText: string) => `on ${dayText}`,
  inDisplayUnitAtFirst: (inDisplayUnit: string) => `, ${inDisplayUnit} at first`,
} as const;
