/** What is said here, by the file that says it. */
export const TEXT = {
  // asked-last-time
  askedLastTimeDayText: (dayText: string, asked: string) => `Asked last time, ${dayText}: ${asked}.`,
  whatBecameOfIt: 'What became of it',
  whichStagesArePassed: 'Which stages are passed?',

  // attempt-card
  resultAndSetUpOf: (resultText: string) => `Result and set-up of this attempt: ${resultText}`,
  resultAndSetUpOfThis: 'Result and set-up of this attempt',
  result: 'Result',
  notWrittenDown: 'not written down',
  didItSucceed: 'Did it succeed?',
  yes: 'Yes',
  no: 'No',
  howMuchUnit: (unit: string) => `How much, ${unit}`,
  howMuch: 'How much',

  // clip-answers
  withoutConsentFootageMustNot: 'Without consent the footage must not be analysed. Ask first.',
  giveDegreesFrom90To: 'Give degrees from -90 to 90, or leave it empty.',
  giveDegreesFrom60To: 'Give degrees from -60 to 60, or leave it empty.',
  giveFramesPerSecondFor: 'Give frames per second, for example 120.',
  rateIsAtMostSecond: (most: number) => `A rate is at most ${most} a second.`,

  // clip-form
  fromSide: 'From the side',
  fromFront: 'From the front',
  fromBehind: 'From behind',
  fromAbove: 'From above',
  toRight: 'To the right',
  toLeft: 'To the left',
  oneFurtherPartBecomesClip: 'One further part becomes a clip of the same answers; each is a performance of its own.',
  countFurtherPartsBecomeClips: (count: number) =>
    `${count} further parts become clips of the same answers; each is a performance of its own.`,
  name: 'Name',
  dominantSide: 'Dominant side',
  segmentMasses: 'Segment masses',
  cameraView: 'Camera view',
  movesInPicture: 'Moves in the picture',
  captureRateFramesPerSecond: 'Capture rate, frames per second',
  slowMotionFilePlaysCapture: (captureRate: string) =>
    `Slow motion: the file plays ${captureRate} times slower than life`,
  notKnownNoTimesAre: 'Not known: no times are measured',
  whatCameraTookMoreThan: 'What the camera took; more than the file’s rate for slow motion. Empty: not known',
  cameraOffPlaneDegrees: 'Camera off the plane, degrees',
  emptyNotKnown: 'Empty: not known',
  cameraLooksDownDegrees: 'Camera looks down, degrees',
  fromStandOrRaised: 'From a stand or a raised tripod; minus: up. Empty: about level',
  underAge: 'Under age',
  consentToFilmAndAnalyse: 'Consent to film and analyse is given',
  takeThisCamera: 'Use this camera',
  takeAsRole: (role: string) => `Use as ${role}`,
  saveChanges: 'Save changes',
  doNotUseThisFile: 'Do not use this file',

  // clip-intake
  fileNameHasFramesOf: (fileName: string) =>
    `“${fileName}” has the frames of this clip: it has its video again, with the points that were there.`,
  remove: 'Remove',
  leaveIt: 'Leave it',
  fileNameDropAnotherFile: (fileName: string) => `${fileName}. Drop another file to replace it.`,
  dropThisCamerasClipHere:
    'Drop this camera’s clip here: video (WebM, MP4, MOV, MKV), pictures (PNG, JPEG, WebP, AVIF; several of them ' +
    'are the moments of one performance) or points (C3D, BVH, TRC, CSV, COCO JSON).',
  dropRoleSClipHere: (role: string) =>
    `Drop the ${role}’s clip here: video (WebM, MP4, MOV, MKV), pictures (PNG, JPEG, WebP, AVIF; several of them ` +
    'are the moments of one performance) or points (C3D, BVH, TRC, CSV, COCO JSON).',
  clipThatWasHereStays: ' The clip that was here stays.',
  convertItOnThisMachine: 'Convert it on this machine',

  // drop-zone
  readingFile: 'Reading the file',
  chooseFile: 'Choose a file',

  // figure-from-above
  planFromAboveCameraIs: (beside: number) => `Plan from above: the camera is ${beside} degrees off the side view`,
  whatCameraSees: 'What the camera sees',
  cameraRoundPerformerBesideFrom: (beside: number) => `Camera round the performer: ${beside}° from the side`,
  cameraAboveHorizonElevationDegrees: (elevationDegrees: number) => `Camera above the horizon: ${elevationDegrees}°`,

  // file-facts
  floorMinSecondsS: (floor: number, seconds: number) => `${floor} min ${seconds} s`,
  fromToSOfFile: (from: string, to: string) => `${from} to ${to} s of the file, `,
  stillPicture: 'still picture',
  countOfWhatIsRead: (countOf: string) => `${countOf}: what is read at moments is measured, nothing of time`,
  partTextCountOfFile: (partText: string, countOf: string, fileRate: number) =>
    `${partText}${countOf}, ${fileRate} frames per second in the file, `,
  frame: 'frame',

  // intake-screen
  sessionName: 'Session name',
  daysToNextCompetition: 'Days to the next competition',
  emptyNoCompetitionNear: 'Empty: no competition near',
  valueIsNotNumberOf: (value: string) => `“${value}” is not a number of days; leave it empty when there is none.`,
  filmedOn: 'Filmed on',
  valueIsKeptOnceIt: (value: string) => `“${value}” is kept once it is a day between 1900 and 2199.`,
  setUpAndEquipmentOf: 'Set-up and equipment of the session',
  sessionWithin: 'the session',
  athlete: 'Athlete',
  reference: 'Reference',
  anotherCameraOfName: (name: string) => `Another camera of ${name}`,
  anotherAttemptOfAthlete: 'Another attempt of the athlete',
  anotherReference: 'Another reference',
  anotherCameraOfAthlete: 'Another camera of the athlete',
  anotherCameraOfReference: 'Another camera of the reference',
  footageStaysInThisBrowser:
    'Footage stays in this browser. Film with consent; for a minor, with a guardian’s. A fixed camera at hip ' +
    'height, at right angles to the movement, measures best.',
  goOnToReview: 'Go on to Review',

  // library-card
  thisCannotBeKeptLevel: 'This cannot be kept: a level has at most 60 characters, and there are at most 20 tags of 40.',
  keepInReferenceLibrary: 'Keep in the reference library',
  keepNameInReferenceLibrary: (name: string) => `Keep ${name} in the reference library`,
  level: 'Level',
  nationalUnder16: 'national, under 16',
  tags: 'Tags',
  enterAfterEach: 'Enter after each',

  // measure-by-file
  sessionIsMeasuredByName: (name: string, count: number, count2: number) =>
    `The session is measured by “${name}”: ${count} moments, ${count2} measures.`,
  messageMovementStaysAsIt: (message: string) => `${message} The movement stays as it was.`,

  // movement-choice
  movement: 'Movement',
  yourOwn: ' (your own)',
  changeMovement: 'Change the movement',
  movementFromFile: 'Movement from a file',
  loadFromFile: 'Load from a file',
  saveItAsFile: 'Save it as a file',

  // other-document
  isSavedSessionNoClip: 'is a saved session, no clip.',
  openIt: 'Open it',
  isMovementNoClip: 'is a movement, no clip.',
  measureThisSessionByIt: 'Measure this session by it',

  // parts-chooser
  partEndsAfterItBegins: (clock: string) => `A part ends after it begins (${clock}). Go on in the video first.`,
  nothingInThisFileStands: (by: string) => `Nothing in this file stands out by its ${by}. Choose the parts by eye.`,
  noCutWasFoundIn: (name: string) => `No cut was found in “${name}”.`,
  partsOfFile: 'Parts of the file',
  playsClockChooseAttemptsIn: (clock: string) =>
    `plays ${clock}. Choose the attempts in it; points are detected only there.`,
  videoName: (name: string) => `Video ${name}`,
  beginsHereI: 'Begins here (I)',
  endsHereO: 'Ends here (O)',
  proposeAttempts: 'Propose attempts',
  roundEachContactThatIs: 'Round each contact that is heard: of a foot, a bat, a ball',
  proposeBySound: 'Propose by sound',
  ofFilmThatIsCut: 'Of a film that is cut: each shot from its first picture to its last',
  proposeShots: 'Propose shots',
  partBeginsAtClockGo: (clock: string) => `A part begins at ${clock}: go to its end.`,
  clockToClock2ToS: (clock: string, clock2: string, to: string) => `${clock} to ${clock2}, ${to} s`,
  showPartI: (i: number) => `Show part ${i}`,
  removePartI: (i: number) => `Remove part ${i}`,
  takeThisPart: 'Use this part',
  takeCountParts: (count: number) => `Use ${count} parts`,
  takeAllOfIt: 'Use all of it',

  // points-options
  inSpace: 'in space',
  inPicture: 'in a picture',
  unitOfLengthNotStated: ', unit of length not stated',
  inUnit: (unit: string) => `, in ${unit}`,
  whatFileHolds: (fileName: string, count: number, framesOf: number, rate: number, space: string, unit: string) =>
    `${fileName}: ${count} markers, ${framesOf} frames at ${rate} per second, ${space}${unit}`,
  subject: 'Subject',
  standingHeightMetres: 'Standing height, metres',
  fileDoesNotSayHow: 'The file does not say how long its unit is; the height of the performer does.',
  heightIsNotHeightIn: (height: string) => `“${height}” is not a height in metres, for example 1.75.`,
  framesUsedFromToTo2: (from: number, to: number, to2: string) =>
    `Frames used: ${from} to ${to}, ${to2} s. Of a long recording take one attempt.`,
  knownOfCountJointsHave: (known: number, count: number) =>
    `${known} of ${count} joints have markers. Look at them or change them`,

  // repeats-note
  repeatsTextEachPictureIs: (repeatsText: string, count: number, fileRate: number) =>
    `${repeatsText}. Each picture is taken once: ${count} at ${fileRate} a second.`,
  takeEveryFrame: 'Take every frame',
  itsTimesAreTrue: 'Its times are true',

  // taken-trial
  takeFromAnotherSession: 'Take from another session',
  takePerformanceFromAnotherSession: 'Take a performance from another session',
  noOtherSessionInThis:
    'No other session in this browser has a clip yet. Whatever is measured in one can be taken into another: a ' +
    'reference, or an earlier performance of the athlete.',
  allCamerasAndPointsCome:
    'All cameras and points come along, moments too where the movement is the same. The session it comes from ' +
    'stays as it is.',
  findByPerformerSessionLevel: 'Find by performer, session, level or tag',
  thisMovementOnly: 'This movement only',
  referenceLibraryOnly: 'Reference library only',
  noPerformanceMatches: 'No performance matches. Remove a word, or look through all movements.',
  performer: 'Performer',
  camera: 'Camera',
  session: 'Session',
  nameOfName2: (name: string, name2: string) => `${name} of ${name2}`,
  inLibrary: 'In the library',
  hasNotAgreedToBe: 'Has not agreed to be shown to others.',
  rateNotKnown: 'rate not known',
  cameras: (cameras: number) => `${cameras} cameras`,
  ofTextAsReference: (ofText: string) => `${ofText} as reference`,
  asReference: 'As reference',
  ofTextAsAthlete: (ofText: string) => `${ofText} as athlete`,
  asAthlete: 'As athlete',

  // withdraw-consent
  footageOfNameIsRemoved: (name: string, others: string) =>
    `The footage of ${name} is removed. Other sessions still know of them: ${others}. Open them on the start page ` +
    'to remove all.',
  footageOfNameIsRemovedWithName: (name: string) => `The footage of ${name} is removed.`,
  removeFootage: 'Remove the footage',
  wasConsentOfNameWithdrawn: (name: string) => `Was the consent of ${name} withdrawn? Then the footage must go.`,
  removeFootageOfName: (name: string) => `Remove the footage of ${name}?`,
  everyVideoOfNameIn: (name: string) =>
    `Every video of ${name} in this session is removed for good, with all points, moments, notes and drawings on ` +
    'it. This cannot be undone.',
  fromAllSessions: 'To remove it from all sessions, use',
  onPageOf: (name: string) => `the page of ${name}`,
  keepIt: 'Keep it',
  removeForGood: 'Remove for good',
} as const;
