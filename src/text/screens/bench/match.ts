/** What is said here, by the file that says it. */
export const TEXT = {
  // camera-direction
  notSaidTakenAsSquare: 'Not said: taken as square',
  stated: 'Stated',
  measured: 'Measured',
  cameraOffSideViewDegrees: 'Camera off the side view, degrees',
  cameraLooksDownDegrees: 'Camera looks down, degrees',
  rectangleSaysItLooksDown: (degrees: string, plusMinus: number) =>
    `The rectangle on the ground says ${degrees}° ± ${plusMinus}°.`,
  rectangleSaysItIsOff: (degrees: string, plusMinus: number) =>
    `If a side of it lies along the way, the camera stands ${degrees}° ± ${plusMinus}° off.`,
  takeBothAngles: 'Use both angles',
  notSaidTakenAsLevel: 'Not said: taken as level',
  valueIsNotAngleFrom: (value: string, most: number) =>
    `“${value}” is not an angle from −${most} to ${most} degrees; for example 12`,
  whichAgrees: ', which agrees.',
  whichDoesNotAgree: ', which does not agree.',
  shouldersAndHipsSayDegrees: (degrees: string, coverage95: number, agreement: string) =>
    `Shoulders and hips say ${degrees}° ± ${coverage95}°${agreement}`,
  takeThisAngle: 'Use this angle',

  // capture-rate
  firstFrameHasRateAbove: 'The first frame has the rate above. Go to the frame from which it changes.',
  changeStandsAtFrameFrom: (from: number) => `A change stands at frame ${from} already.`,
  clipHasAtMostRate: (rateChanges: number) =>
    `A clip has at most ${rateChanges} changes of its rate. Remove one first.`,
  notKnownNoTimesAre: 'Not known: no times are measured over it',
  captureRateFramesPerSecond: 'Capture rate, frames per second',
  filePlaysFileRateFrames: (fileRate: number) =>
    `The file plays ${fileRate} frames per second; times are real times. Empty: not known`,
  fromFrameFromFramesPer: (from: number) => `From frame ${from}, frames per second`,
  removeChangeAtFrameFrom: (from: number) => `Remove the change at frame ${from}`,
  rateChangesAtThisFrame: 'Rate changes at this frame',

  // clip-match
  nameViewnamesView: (name: string, viewnames: string) => `${name}, ${viewnames} view`,
  compareAthleteWithThisOne: 'Compare the athlete with this one',
  movesInPicture: 'Moves in the picture',
  toRight: 'To the right',
  toLeft: 'To the left',
  showMirrored: 'Show mirrored',
  drawAlongLevelOrPlumb: 'Draw along a level or plumb line',
  levelByLine: 'Level by a line',
  turnedByLevelDegrees: (levelDegrees: string) => `turned by ${levelDegrees}°`,
  asFilmed: 'As filmed',
  brightness: 'Brightness',
  contrast: 'Contrast',
  driftsDriftSSecondFits: (drift: string, misfit: string) => `, drifts ${drift} µs a second, fits within ${misfit} ms`,
  startsAgainstFirstCamera: (offset: string, drift: string) => `Starts ${offset} against the first camera${drift}.`,
  stepBothCamerasToOne:
    'Step both cameras to one instant that both show (a clap, a flash, a contact): Shift with the arrows steps ' +
    'this one alone. Then join them there.',
  offsetSecondInstantFarFrom: (offset: string) =>
    `${offset} A second instant, far from the first, measures the drift of the clocks.`,
  sameInstantHere: 'Same instant here',
  oneMoreInstantHere: 'One more instant here',
  joinAgain: 'Join again',
  frameOwnOther: (own: string, other: string) => `frame ${own} = ${other}`,
  pairsWithThisPictureChosen: (pairs: string) =>
    `${pairs}. With this picture chosen, Alt with the arrows moves it by a frame, with Shift by a tenth.`,
  comparingSounds: 'Comparing the sounds',
  joinBySound: 'Join by the sound',
  distanceToWhatIsHeard: 'Distance to what is heard, metres',
  fromCamera29Ms: 'From the camera: 2.9 ms a metre are taken off where a moment or a camera is set by the sound',
  workCopyInShortGroups: 'A work copy in short groups is shown here; measuring uses the original.',
  backToOriginal: 'Use the original',
  makeWorkCopyThatJumps: 'Make a work copy that jumps quicker',

  // ground-rectangle
  forgetIt: 'Forget it',
  keep: 'Keep',
  leave: 'Leave',
  pressItsFourCornersOne: 'Press its four corners, one after the other',
  rectangleOnGround: 'Rectangle on the ground',
  countByWidthM: (count: number, width: number) => `${count} by ${width} m`,
  corner1To2Metres: 'Corner 1 to 2, metres',
  corner2To3Metres: 'Corner 2 to 3, metres',

  // tie-points
  markThatStandsStill: 'Mark that stands still',
  whatMarksAreFor:
    'Something on the ground that is seen in frames far apart: what the camera drifted between is put right. ' +
    'Two in the same frames put zoom and roll right, too.',
  pressItInEachFrame: 'Press it in this frame, go to another one far away, and press it again.',
  markInFrames: (mark: number, frames: string) => `Mark ${mark} in frames ${frames}`,
  markInFrame: (mark: number, frame: string) => `Mark ${mark} in frame ${frame}`,
  thatIsAll: 'That is all',
  pressItAgain: 'Press it in more',
  forgetMark: (mark: number) => `Forget mark ${mark}`,

  // known-length
  drawAlongKnownLength: 'Draw along the known length',
  knownLength: 'Known length',
  untilOneIsDrawnStanding: (heightMetres: number) =>
    `Until one is drawn, the standing height of ${heightMetres} m serves.`,
  metresMArePixels: (metres: number, pixels: string) => `${metres} m are ${pixels} pixels`,
  itsLengthMetres: 'Its length, metres',
  metresIsNotLengthFor: (metres: string) => `“${metres}” is not a length; for example 1.22`,
  pixels: (pixels: string) => `${pixels} pixels`,

  // match-panel
  theyMoveInOppositeDirections: 'They move in opposite directions on the screen. Mirror one of them.',
  picturesThatFollowBodyAre: 'Pictures that follow the body are equal by',
  performersSize: 'the performer’s size',
  knownLengths: 'the known lengths',
  mirroringChangesPictureOnlyMeasured:
    'Mirroring changes the picture only: measured values count forward as forward either way. With points ' +
    'detected, “follow the body” shows both performers at the same size.',

  // shots-card
  attempt: 'An attempt',
  firstAttemptFromAnotherSide: 'The first attempt from another side',
  leftOut: 'Left out',
  noCutWasFoundIn: (fileName: string) => `No cut was found in “${fileName}”.`,
  lookForCuts: 'Look for cuts',
  shotsOfFileName: (fileName: string) => `Shots of ${fileName}`,
  filmIsCutCountShots: (count: number) =>
    `The film is cut: ${count} shots. Points and moments go along with their frames. Say at Intake from where a ` +
    'replay was filmed.',
  shotI: (i: number) => `Shot ${i}`,
  countOfFromFrameFirst: (countOf: string, first: number) => `, ${countOf} from frame ${first}`,
  showShotI: (i: number) => `Show shot ${i}`,
  show: 'Show',
  shotIIs: (i: number) => `Shot ${i} is`,
  captureRate: 'Capture rate',
  notKnown: 'Not known',
  firstShotThatIsUsed: 'The first shot that is used is an attempt: a further camera needs one.',
  takeThisShot: 'Take this shot',
  makeCountClips: (count: number) => `Make ${count} clips`,
  leaveItWhole: 'Leave it whole',
  frameNoun: 'frame',

  // space-card
  offsetCoverage95Ms: (offset: string, coverage95: string) => `${offset} ±${coverage95} ms`,
  apartMaxFromFirstIts: (apart: number, max: number, clock: string) =>
    `${apart}° ±${max}° from the first, its clock ${clock} from where it was joined`,
  bodyInSpace: 'Body in space',
  beingComputedFromItsCameras: 'being computed from its cameras.',
  secondCameraStandsFoundText: (foundText: string) => `the second camera stands ${foundText}.`,
  notComputed: 'not computed.',
  computeIt: 'Compute it',
  computedOnceBothCamerasHave: 'computed once both cameras have points and are joined at one instant.',
  whatNoCameraShowsSquare:
    'What no camera shows square, such as hips against shoulders, is measured in space. Errors are those of the ' +
    'points, the cameras and the clocks together.',
  hideBodyInSpace: 'Hide the body in space',
  showBodyInSpace: 'Show the body in space',

  // space-pane
  side: 'Side',
  front: 'Front',
  aboveLabel: 'Above',
  hips: 'Hips',
  shoulders: 'Shoulders',
  shouldersToHips: 'Shoulders to hips',
  closeBodyInSpace: 'Close the body in space',
  noTwoCamerasSeeBody: 'No two cameras see the body at this frame.',
  turnedFromStraightAheadAway: 'Turned from straight ahead, away from the dominant side positive',
} as const;
