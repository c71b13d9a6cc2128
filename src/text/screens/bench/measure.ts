/** What is said here, by the file that says it. */
export const TEXT = {
  // agreement-card
  agreement: 'Agreement',
  placePointsOfOneClip:
    'Place the points of one clip twice, you or somebody else, to know how far two digitisings differ. Keep the ' +
    'first, start again, and read it here.',
  keptByStampText: (by: string, stampText: string) => `Kept: ${by}, ${stampText}`,
  dropIt: 'Drop it',
  digitisedBy: 'Digitised by',
  keepThesePoints: 'Keep these points',
  startClipNameAgain: (clipName: string) => `Start the ${clipName} again, without points`,
  measure: 'Measure',
  intraclassCorrelationOverAttemptsAbsolute:
    'Intraclass correlation over attempts, absolute agreement, single value, ICC(2,1), with its 95 % interval',
  icc: 'ICC',
  standardErrorOfMeasurement: 'Standard error of measurement',
  sem: 'SEM',
  minimalDetectableChange95: 'Minimal detectable change, 95 %',
  mdc: 'MDC',
  iccNeedsThreeAttemptsDigitised: 'ICC needs three attempts digitised twice; these readings are of one movement.',
  alongMovement: 'along the movement ',
  ofAttempts: (attempts: number) => `of ${attempts} attempts `,
  below: 'below',
  above: 'above',
  valueInInterval: (value: string, low: string, high: string) => `${value} (${low} to ${high})`,
  usedInBrackets: ' (used)',
  limitsOfAgreement: (
    name: string,
    pairs: number,
    over: string,
    bias: string,
    side: string,
    lower: string,
    upper: string,
  ) =>
    `${name}: over ${pairs} readings ${over}the first digitising is ${bias} ${side} the second; 95 of 100 ` +
    `differences lie between ${lower} and ${upper}.`,
  computeItsErrorFromPoints: 'Compute its error from the points again',
  takeThisAsItsMeasuring: 'Take this as its measuring error',

  // by-hand
  placedByHand: 'placed by hand',
  detectedConfidenceApart: (confidence: string, apart: string) => `detected, confidence ${confidence}${apart}`,
  trackedLikenessConfidence: (confidence: string) => `tracked, likeness ${confidence}`,
  fromFile: 'from a file',
  betweenDetectedFramesConfidence: (confidence: string) => `between detected frames, confidence ${confidence}`,
  filledInByHand: 'filled in by hand',
  notPlaced: 'not placed',
  pointOfName: (name: string) => `Point of the ${name}`,
  frameSaysHint: (frame: number, says: string, hint: string) => `Frame ${frame}: ${says}. ${hint}`,
  frameSays: (frame: number, says: string) => `Frame ${frame}: ${says}.`,
  nEPlacesItWhere: 'N; E places it where the pointer is',
  pressInPicture: 'Press in the picture',
  place: 'Place',
  then: 'Then',
  stayHere: 'stay here',
  samePointNextFrame: 'the same point, next frame',
  nextPointSameFrame: 'the next point, same frame',
  hiddenHere: 'Hidden here',
  fillToHandPlacedNeighbours: 'Fill to the hand-placed neighbours',
  moveFramesAfterIt: 'Move the frames after it by as much',
  trackForward: 'Track forward',
  shiftF: 'Shift + F',
  andBackward: 'and backward',
  itLooks: 'It looks',
  small: 'small',
  middling: 'middling',
  large: 'large',
  exchangeLeftAndRightFrom: (frame: number, frame2: number) =>
    `Exchange left and right from frame ${frame} to ${frame2}:`,
  legs: 'legs',
  arms: 'arms',
  all: 'all',
  leaveIt: 'leave it',
  leftAndRightAreExchanged: 'Left and right are exchanged from here',
  correctionsTellHowDetectorErrs: 'Corrections tell how the detector errs on the other frames',
  pointNameCountCorrectedFrame: (pointName: string, count: number, share: string) =>
    `${pointName}: ${count} corrected frame; the others are moved by ${share} of body height on average.`,
  pointNameCountCorrectedFrames: (pointName: string, count: number, share: string) =>
    `${pointName}: ${count} corrected frames; the others are moved by ${share} of body height on average.`,
  nothingYetCorrectionsWereOf: 'Nothing yet: the corrections were of single wrong frames.',
  onceMomentsAreMarkedPoints: 'Once moments are marked, the points that are still missing at them stand here.',
  everyPointThatMeasuresNeed: (count: number) =>
    `Every point that the measures need is known at all ${count} marked moments.`,
  stillToPlaceOrCheck: (count: number) => `Still to place or check: ${count}`,
  neededForMeasures: (measures: string) => `Needed for ${measures}`,
  twoDetectorsApart: (pixels: string) => `, two detectors ${pixels} px apart`,

  // camera-lines
  cameraStandsStill: (still: string) => `Camera stands still: ${still}.`,
  cameraOfNameText: (name: string, text: string) => `Camera of the ${name}: ${text}.`,
  itStoodStill: 'It stood still',
  checkAgain: 'Check again',
  checkWhetherCameraOfName: (name: string) => `Check whether the camera of the ${name} moves`,
  checkWhetherCamerasMove: 'Check whether the cameras move',

  // measure-curve
  nameThroughMovementInMatched: (name: string) => `${name} through the movement, in matched time`,

  // measure-panel
  readingsOfBothPerformersStand: 'Readings of both performers stand here once both clips are in.',
  openDemo: 'Open the demo',
  toSeeThem: 'to see them.',
  noMomentIsMarkedYet:
    'No moment is marked yet. Readings stand here once the moments are marked; with points detected they can be ' +
    'proposed.',

  // point-files
  pointsOfNameFromFile: (name: string) => `Points of the ${name} from a file`,
  savePointsAs: 'Save points as',
  fileNameStatesCaptureRate: (fileName: string, captureRate: number, ratesInWords: string) =>
    `“${fileName}” states ${captureRate} frames per second throughout: the rate changes within this clip ` +
    `(${ratesInWords}). Say so where you read it.`,

  // points-card
  leave: 'Leave',
  points: 'Points',
  setting: 'Setting',
  accurate: 'Accurate',
  fast: 'Fast',
  correctByHand: 'Correct by hand',
  noPointsYet: 'no points yet',
  shareKnown: (share: number) => `${share} % known`,
  detectPointsOfName: (name: string) => `Detect points of the ${name}`,
  detectPoints: 'Detect points',
  detectingWasStoppedCountOf: (count: number, count2: number) =>
    `Detecting was stopped: ${count} of ${count2} frames were looked at.`,
  goOnDetectingPointsOf: (name: string) => `Go on detecting points of the ${name}`,
  goOn: 'Go on',
  thesePointsWereDerivedBy: 'These points were derived by the rules of an earlier version.',
  deriveThemByTodays: 'Derive them by today’s',
  drawBoxRoundName: (name: string) => `Draw a box round the ${name}, where nobody stands before or behind`,
  severalPeopleChooseOne: 'Several people? Choose one',
  personInBoxOnFrame: (frame: number) => `the person in the box on frame ${frame}`,
  followAgainFromThere: 'Follow again from there',
  whatIsRightAlreadyStays:
    'On both sides, until the same person is met who is followed already. All other frames stay as they are.',
  nobodyIsSeenOnFrames: 'Nobody is seen on frames',
  fromTo: (from: number, to: number) => `${from} to ${to}`,
  goToFramesWithoutAnybody: (from: number, to: number) => `Go to frames ${from} to ${to}, on which nobody is seen`,
  andMore: (count: number) => ` and in ${count} more ${count === 1 ? 'stretch' : 'stretches'}`,
  drawBoxWhereSeenAgain: 'Draw a box round the one who is meant where they are seen again, and follow them from there.',
  whoeverIsLargest: 'whoever is largest',
  anotherPersonInThisPicture: 'Another person in this picture',
  nameHasPaneNowDraw: (name: string) => `${name} has a pane now. Draw a box round that person, then detect the points.`,
  nameOrSeat: 'Name, or seat',
  add: 'Add',

  // partner-choice
  partnerOf: (name: string) => `Partner of ${name}`,

  // smoothing-card
  smoothing: 'Smoothing',
  cutOffFrequencyHz: 'Cut-off frequency, Hz',
  valueIsNotCutOff: (value: string, highestcutoff: number) =>
    `“${value}” is not a cut-off frequency from 1 to ${highestcutoff} Hz`,
  zeroLagButterworthFilterRaw: 'Zero-lag Butterworth filter; raw points are kept',
  residualAnalysis: 'Residual analysis',
  nameHasNoPointsYet: (name: string) => `The ${name} has no points yet, or too few frames with points.`,
  byResidualAnalysisNameS: (name: string, cutoffs: string, cutoffs2: string, cutoffs3: string) =>
    `By residual analysis the ${name}’s points ask for ${cutoffs} to ${cutoffs2} Hz, half of them for more than ` +
    `${cutoffs3}. One cut-off serves all; too low a one flattens quick limbs.`,
  point: 'Point',
  pointNameCutoffHz: (pointName: string, cutoff: string) => `${pointName}: ${cutoff} Hz`,

  // travel-lines
  pointsOfClipNameFace: (clipName: string, said: string, travel: string) =>
    `The points of the ${clipName} face to the ${said}; Intake says that it moves to the ${travel}. Forward and ` +
    'the sides of the body count by it.',
  itMovesToSaid: (said: string) => `It moves to the ${said}`,
} as const;
