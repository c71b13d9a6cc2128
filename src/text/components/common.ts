/** What is said here, by the file that says it. */
export const TEXT = {
  // athlete-name
  bornBirthYear: (birthYear: number) => `born ${birthYear}`,
  consentWithdrawn: 'consent withdrawn',
  anotherPersonThanNameWho: (name: string) =>
    `Another person than the ${name} who is known; give them a record on the start page.`,
  knownHereAboutOf: (aboutOf: string) => `Known here: ${aboutOf}.`,
  anotherPersonCalledName: (name: string) => `Another person called ${name}`,
  oneSession: '1 session',
  countSessions: (count: number) => `${count} sessions`,
  asReference: 'reference',

  // boundary
  tryAgain: 'Try again',
  allSessions: 'All sessions',
  whatCannotBeShownMessage: (what: string, messageOf: string) =>
    `${what} cannot be shown (${messageOf}). What was done so far is stored. Undo the last change, or go to ` +
    'another step.',

  // choice-field
  right: 'Right',
  left: 'Left',
  maleTable: 'Male table',
  femaleTable: 'Female table',

  // clip-name
  roleViewnamesView: (role: string, viewnames: string) => `${role}, ${viewnames} view`,
  sideView: 'side',
  frontView: 'front',
  backView: 'back',
  overheadView: 'overhead',

  // compared-curve
  nameToName2: (name: string, name2: string) => `${name} to ${name2}`,

  // correction-card
  changeOfSetUp: ', change of set-up',
  placeBecauseReason: (place: string, reason: string) => `${place} because ${reason}.`,
  seen: 'Seen',
  byEyeToo: 'By eye, too',
  shouldBe: 'Should be',
  why: 'Why',
  cue: 'Cue',
  drills: 'Drills',
  load: 'Load',
  check: 'Check',
  willFollow: 'Will follow',

  // facing-dial
  hourOclock: (hour: number) => `${hour} o’clock`,
  halfPastHour: (hour: number) => `half past ${hour}`,
  clockForward: (clock: string) => `${clock}, forward`,
  clockBackward: (clock: string) => `${clock}, backward`,
  clockDegreesToLeft: (clock: string, degrees: number) => `${clock}, ${degrees}° to the left`,
  clockDegreesToRight: (clock: string, degrees: number) => `${clock}, ${degrees}° to the right`,
  notSet: 'not set',
  notVisible: 'not visible',
  setDial: 'set the dial',
  seenFromAbove12Is: (facingSet: string) => `Seen from above; 12 is the way the performer goes. ${facingSet}`,
  notVisibleLabel: 'Not visible',
  clear: 'Clear',
  done: 'Done',
  nowFacingText: (facingText: string) => `Now ${facingText}.`,

  // followed-table
  correction: 'Correction',
  asked: 'Asked',
  then: 'Then',
  lastRead: 'Last read',
  change: 'Change',
  stands: 'Stands',
  closedByAnalystReason: (reason: string) => `Closed by the analyst: ${reason}`,
  keptOpenByAnalystReason: (reason: string) => `Kept open by the analyst: ${reason}`,
  notReadThisTimeNot: (notRead: string) => `Not read this time. ${notRead}`,

  // format
  notAlike: 'not alike',
  secondsMs: (seconds: number) => `${seconds} ms`,
  framesPerSecondNotKnown: 'Frames per second not known',
  ownRateFramesPerSecond: (ownRate: string) => `${ownRate} frames per second`,
  notKnown: 'not known',
  rateFromFrame: (rate: string, from: number) => `${rate} from frame ${from}`,
  fileOwnRateS: (ownRate: string) => ` (file ${ownRate}/s)`,
  bytesGb: (bytes: string) => `${bytes} GB`,
  bytesMb: (bytes: string) => `${bytes} MB`,
  ceilKB: (ceil: number) => `${ceil} kB`,
  noDate: 'no date',
  alike: 'alike',

  // job-bar
  ceilSLeft: (ceil: number) => `, ${ceil} s left`,
  cancel: 'Cancel',
  starting: 'starting',

  // ladder
  ofTextStageIIs: (ofText: string, i: number) => `${ofText}: stage ${i} is passed`,
  ifNotIfNot: (ifNot: string) => `If not: ${ifNot}`,
  passedDayText: (dayText: string) => `Passed ${dayText}.`,

  // notices
  changeOverNow: 'Use it now',
  later: 'Later',
  newVersionOfApplicationIs:
    'A new version of the application is ready. Otherwise it comes once all windows are closed.',

  // number-says-line
  numberAgrees: 'The number agrees',
  numberDisagrees: 'The number disagrees',
  numberLeavesItOpen: 'The number leaves it open',
  notMeasurable: 'Not measurable',
  numberIsReadOncePoints: 'The number is read once points and moments are there.',

  // paper-buttons
  pdfOfTitle: (title: string) => `PDF of ${title}`,
  saveAsPdf: 'Save as PDF',
  print: 'Print',

  // practice-strip
  nameIsPickedUp: (name: string) => `${name} is picked up.`,
  nameIsPutBack: (name: string) => `${name} is put back.`,
  pressSpaceToPickItUp:
    'Press Space to pick it up, move it by a practice with the arrow keys left and right, put it down with Space.',
  nameIsPutDown: (name: string) => `${name} is put down.`,
  nothingNewIsBegunHere: 'Nothing new is begun here',
  competition: 'Competition',
  allStagesArePassed: 'all stages are passed',
  notBegunBeforeCompetition: 'not begun before the competition',
  nameDaysFromTo: (name: string, from: number, to: number) => `${name}: days ${from} to ${to}`,
  nameDaysFromToNot: (name: string, from: number, to: number) =>
    `${name}: days ${from} to ${to}, not done before the competition`,
  checkOnDay: (day: number) => `Check on day ${day}`,

  // reading-sheet
  yes: 'Yes',
  partly: 'Partly',
  no: 'No',
  athlete: 'Athlete',
  reference: 'Reference',
  nothingIsMeasuredAtThis: 'Nothing is measured at this moment. Step to another one.',
  measure: 'Measure',
  athl: 'Athl.',
  ref: 'Ref.',
  diff: 'Diff.',
  inSpace: 'in space',
  referenceMissesThisItselfAthlete: 'The reference misses this itself; the athlete meets it.',
  referenceMissesThisItself: 'The reference misses this itself.',
  athleteAndReferenceRead: (name: string, athlete: string, reference: string) =>
    `${name}: athlete ${athlete}, reference ${reference}`,

  // reason-dialog
  reason: 'Reason',
  keptWithAboutAndShown: (about: string) => `Kept with “${about}” and shown in the report.`,

  // session-frame
  keys: 'Keys',
  proudFalcon: 'Proud Falcon',
  orderOfWork: 'Order of work',
  undoCtrlZ: 'Undo (Ctrl+Z)',
  undo: 'Undo',
  redoCtrlShiftZ: 'Redo (Ctrl+Shift+Z)',
  redo: 'Redo',
  keysLabel: 'Keys (?)',
  notStoredYetProblemIt: (problem: string) => `Not stored yet: ${problem} It is tried again every few seconds.`,
  workHere: 'Work here',
  anotherWindowWritesThisSession: 'Another window writes this session; what is changed there shows here.',

  // set-up-facts
  setUpOfText: (ofText: string) => `Set-up of ${ofText}`,
  what: 'What',
  itIsThereAlreadyChange: 'It is there already: change it.',
  howItWas: 'How it was',
  add: 'Add',
  removeWhatOfText: (what: string, ofText: string) => `Remove ${what} of ${ofText}`,

  // share-note
  hasNotAgreedThatPictures:
    'has not agreed that pictures and reports are given to others. Ask first, or keep them here.',
  haveNotAgreedThatPictures:
    'have not agreed that pictures and reports are given to others. Ask first, or keep them here.',

  // show-more
  showMinMoreOfLeft: (min: number, left: number) => `Show ${min} more of ${left}`,

  // sortable-area
  placeIndexOfCount: (indexOf: number, count: number) => `place ${indexOf} of ${count}`,
  pressSpaceToPickIt:
    'Press Space to pick it up, move it with the arrow keys, put it down with Space; Escape leaves it where it was.',
  nameIsAtPlace: (name: string, place: string) => `${name} is at ${place}.`,
  nameIsAtNoPlace: (name: string) => `${name} is at no place.`,
  nameIsPutDownAt: (name: string, place: string) => `${name} is put down at ${place}.`,

  // stages-dialog
  give0To100Or: 'Give 0 to 100, or leave it empty.',
  labelStageI: (label: string, i: number) => `${label}, stage ${i}`,
  stagesOfText: (ofText: string) => `Stages: ${ofText}`,
  iWhatIsDone: (i: number) => `${i}. What is done`,
  sets: 'Sets',
  repetitions: 'Repetitions',
  ofFullSpeed: '% of full speed',
  removeStageI: (i: number) => `Remove stage ${i}`,
  passedWhen: 'Passed when',
  ifNot: 'If not',
  addStage: 'Add a stage',
  takeProposedStages: 'Take the proposed stages',
  keepThem: 'Keep them',

  // standing-mark
  new: 'New',
  open: 'Open',
  improving: 'Improving',
  furtherAway: 'Further away',
  onTargetNotClosedYet: 'On target, not closed yet',
  closed: 'Closed',
  cameBack: 'Came back',
  judgeByEye: 'Judge by eye',

  // state-mark
  gap: 'Gap',
  borderline: 'Borderline',
  onTarget: 'On target',
  strength: 'Strength',
  withinError: 'Within error',
  shownOnly: 'Shown only',
  style: 'Style',

  // timing-table
  meanOfCount: (count: number) => `, mean of ${count}`,
  atRateText: (rateText: string) => `at ${rateText}`,
  signedOfWhole: (signed: string) => `${signed} of the whole`,
  phase: 'Phase',
  difference: 'Difference',

  // use-session-file
  countOfWereHereIn: (countOf: string) =>
    ` ${countOf} were here in another state, which stays; those of the file stand beside them.`,
  countOfOpenedFromBackup: (countOf: string, besides: string) => `${countOf} opened from the backup.${besides}`,
  leftOutOfBackupLeft: (leftOut: string) => `Left out of the backup: ${leftOut}.`,
  leftOutOfFileDropped: (dropped: string) => `Left out of the file: ${dropped}.`,
  thatSessionWasHereAlready:
    'That session was here already in another state, which stays as it is; the one of the file stands beside it.',
  notInFile: (missing: string) => `Neither in the file nor in this browser: ${missing}.`,
  openWhatCanBeRead: 'Open what can be read?',
  restCanBeOpenedWithout:
    'The rest can be opened without it; what is left out is named. The file itself stays as it is.',
  leaveIt: 'Leave it',
  openRest: 'Open the rest',

  // view-dial
  side: 'the side',
  front: 'the front',
  fromNamesHowSquareNobody: (names: string) => `from ${names}; how square, nobody has said`,
  squareFromNames: (names: string) => `square from ${names}`,
  offSquareViewFromNames: (off: number, names: string) => `${off}° off the square view from ${names}`,
  frontOrBehind: 'the front or behind',
  fromPlanesCountsMore: (planes: string, counts: number) => ` From ${planes} ${counts} more.`,
  fromOfAllMeasuresCan: (from: number, all: number, more: string) =>
    `${from} of ${all} measures can be read from here.${more}`,
  camerasPlaceRoundPerformer: 'Camera’s place round the performer',
  cameraPlaceText: (placeText: string) => `Camera ${placeText}.`,
  cameraPlaceTextDirectionHalf: (placeText: string, directionHalfWidth: number) =>
    `Camera ${placeText} (±${directionHalfWidth}°).`,
  seenFromAboveArrowIs: 'Seen from above; the arrow is the way the performer goes. Drag the camera.',
  behind: 'behind',
  above: 'above',

  // performers-table
  noGapBeyondError: 'No gap beyond the measuring error.',
  shouldBeWithin: 'should be',
  followFromIt: (names: string) => `These follow from it: ${names}.`,
} as const;
