/** What is said here, by the file that says it. */
export const TEXT = {
  // checkpoint
  questionAnsweredByEye: 'A question answered by eye at a moment: yes, partly, no, or not visible.',
  thatOfEye: 'that of an eye',
  lookAtPictureAndAnswer: 'Look at the picture and answer.',
  notToBeSeen: 'Not to be seen in this picture',
  filmItSoThat: 'Film it so that it can be seen.',

  // facing-by-eye
  whereSomethingFacesAtMoment:
    'Where something faces at a moment, judged by eye as on a clock seen from above: 0 is forward, away from the ' +
    'dominant side positive (for a right-hander 9 o’clock is 90, 3 o’clock -90).',
  thatOfEyeDegrees: 'that of an eye, 20 degrees (95 %)',
  lookAtPictureAndSet: 'Look at the picture and set the dial.',

  // count
  howOftenFeetTouchDown:
    'How often feet touch down or lift off, or a quantity passes a level, in a phase; one that lies on its edge ' +
    'counts half as error.',
  oneMoreOrLessWhere: 'one more or less where one lies on the edge of the phase, or all but passes the level',
  itsQuantityWhereItHas: 'its quantity, where it has one',
  feetAreNotKnown: 'The feet are not known',
  detectPointsOrPlaceHeel: 'Detect points, or place heel and toe by hand.',
  whatIsCounted: 'What is counted',

  // duration
  realTimeBetweenTwoMoments:
    'Real time between two moments; its error is that of both: T / sqrt(6) where they were marked by hand.',
  bothMoments: 'both moments',
  pinsAndThreadsOfRibbons: 'pins and threads of the ribbons',

  // symmetry
  quantityOfDominantSideMinus:
    'A quantity of the dominant side minus the same of the other side as in a mirror, at a moment: 0 is even.',
  pointsOfBothSidesMoment: 'points of both sides, moment, camera, scale',
  bothSides: 'both sides',

  // peak-error
  nothingHereStandsOut: 'Nothing here stands out of the noise of the points',
  detectPointsWithAccurateDetector:
    'Detect the points with the accurate detector, place them by hand, or film from nearer.',

  // extreme
  largestOrSmallestValue:
    'Largest or smallest value of a quantity in a phase (a direction is followed through whole turns first), or ' +
    'when it comes, from the beginning of the phase.',
  pointsCameraScaleOfIts: 'points, camera, scale; of its time, how flat the curve is there',
  itsQuantity: 'its quantity',

  // peak-rate
  fastestChangeOfQuantity:
    'Fastest change of a quantity in a phase (angular velocity, speed of opening), or when it comes, from the ' +
    'beginning of the phase.',
  noiseThroughFilterOfIts: 'noise through the filter; of its time, how flat the curve is there',
  phaseIsTooShort: 'The phase is too short for a rate',
  markMomentsFartherApart: 'Mark the moments farther apart.',
  rateIsNotKnownThere: 'The rate is not known there',
  detectPointsOrPlaceMissing: 'Detect points, or place the missing ones by hand.',

  // order
  severalPeaksInPhase:
    'Several peaks in a phase in their stated order: the smallest lag from one to the next; negative where two ' +
    'come the wrong way round.',
  howFlatTwoNearestPeaks: 'how flat the two nearest peaks are',
  allQuantitiesAndStrip: 'all quantities, and a strip of their order',
  outOfOrder: 'Out of order',

  // lag
  whenSecondQuantityHasIts:
    'When the second quantity has its peak rate, largest or smallest value in a phase, minus when the first has: ' +
    'positive where the first comes first.',
  howFlatBothPeaks: 'how flat both peaks are',
  bothQuantities: 'both quantities',

  // event-offset
  timeAtWhichQuantityPasses:
    'Time at which a quantity passes a level, minus the time of a moment: before it is negative. A direction ' +
    'passes it in every turn.',
  quantitysErrorOverItsSpeed: 'the quantity’s error over its speed, and the moment',
  itDoesNotPassWithin: (crossing: number, within: number, moment: string) =>
    `It does not pass ${crossing} within ${within} ms of ${moment}`,
  lookAtPointsRoundThis: 'Look at the points round this moment and correct them.',

  // point-path
  replaceAll: (replaceAll: string) => `The ${replaceAll}`,

  // path
  ofPointsPathThroughPhase:
    'Of a point’s path through a phase: its length, its straightness (chord over arc), or its largest distance ' +
    'from the chord.',
  pointsAtItsEndsNoise: 'the points at its ends, the noise on the way, and the scale',
  pathOfPoint: 'the path of the point',
  pointHardlyMovesInThis: 'The point hardly moves in this phase',
  lookAtMomentsThatBegin: 'Look at the moments that begin and end it.',
  pathEndsWhereItBegins: 'The path ends where it begins, so that nothing is beside its chord',
  chooseTwoMomentsSo: 'Choose the two moments so that the point has gone somewhere between.',

  // path-angle
  directionInWhichPointMoves:
    'Direction in which a point moves at the end or the beginning of a phase (release, take-off, entry), or of the line ' +
    'that its whole path lies nearest to (a swing seen along its plane): against forward, rising is positive; against ' +
    'up or down, forward is.',
  noiseOfVelocityOverSpeed: 'what the velocity is off across itself over the speed, how fast it turns, and the camera',
  pointHardlyMovesThere: 'The point hardly moves there, so that it has no direction',
  chooseMomentAtWhichItMoves: 'Choose a moment at which it moves, or correct its points round it by hand.',
  pathIsNearlyAsWide: 'The path is nearly as wide as long, so that as a whole it has no direction',
  pathComesBack: 'The path comes back to where it began, so that as a whole it has no direction',
  chooseShorterPhase: 'Choose a shorter phase, or its direction at one of the two moments.',
  directionIsNotKnownThere: 'The direction is not known there',

  // path-plane
  inclinationOfPlane:
    'How steep the plane is that the path of a point in space lies nearest to (orthogonal least squares): 0 is level, ' +
    '90 upright; of points from a file in space or from two cameras.',
  pathAcrossPlane: 'what the path is off across its plane over how far it goes up it, and its two moments',
  pathIsHardlyWider: 'The path is hardly wider than its error, so that it lies in many planes',
  chooseLongerPhase: 'Choose a longer phase, or correct its points by hand.',
  pathLeavesEveryPlane: 'The path leaves every plane by too much to have one',
  chooseShorterPhaseOfSwing: 'Choose a shorter phase, such as the way down to contact.',

  // range
  largestMinusSmallestValue:
    'Largest minus smallest value of a quantity in a phase: range of motion, or how constant it is held.',
  pointsAtBothEndsLess: 'the points at both ends, less what camera and scale do to both',

  // rate
  howManyStepsStrokes:
    'How many steps, strokes or cycles lie between two moments, per minute; the error is that of the time ' +
    'between them.',
  timeBetweenItsMoments: 'the time between its moments',

  // share
  timeBetweenTwoMoments: 'Time between two moments as a share of the time between two others.',
  itsMomentsEachCountedOnce: 'its moments, each counted once',
  wholeEndsBeforeItBegins: 'The whole ends before it begins',
  moveOneOfItsTwo: 'Move one of its two moments.',

  // speed
  peakSpeedOfPoint:
    'Peak speed of a point in a phase, in the picture or as seen from another point, on axes that may turn with ' +
    'a line; straight, or along one axis; or when it comes.',
  noiseThroughFilterWhere: 'noise through the filter, where on the segment the point is, and the scale',
  phaseIsTooShortForSpeed: 'The phase is too short for a speed',
  speedIsNotKnownThere: 'The speed is not known there',

  // split
  realTimeFromStart:
    'Real time from the start to a gate; against the reference it is the running gain or loss. Its error is that ' +
    'of two events.',
  runningGainAndLoss: 'running gain and loss',

  // dispersion
  radiusOfSmallestCircle: 'Radius of the smallest circle that holds a point through a phase.',
  pointAtBothEnds: 'the point at both ends of the circle, and the scale',

  // dwell
  longestTimeInPhase: 'Longest time in a phase for which a point is slower than a stated speed.',
  twoFramesAtEitherEnd: 'two frames at either end, and what noise in the speed does to the limit',
  pointTremblesFasterThanLimit: 'The point trembles faster than the limit of a rest',

  // rotation
  changeOfAngleBetweenTwo:
    'Change of an angle between two moments, whole turns counted: straightening of a joint is positive.',
  pointsAtBothEndsLessWhat: 'the points at both ends, less what the camera does to both',
  onlyDirectionCanTurn: 'Only a direction can turn',
  chooseAngleInMovement: 'Choose an angle in the movement.',
  angleIsNotKnown: 'The angle is not known at both moments',

  // value
  anyQuantityAtMoment: 'Any quantity at a moment, or a share of the way from it to another moment.',
  pointsMomentCameraScale: 'points, moment, camera, scale',

  // index
  oneCameraDoesNotSee: 'One camera does not see how it lies in space',
  filmWithSecondCamera: 'Film also with a second camera 60 to 120 degrees from the first.',
  stillPicturesShowNoMovement: 'Still pictures show no movement and no time',
  useVideoFor: 'Use a video for it.',
  fileRepeatsPicturesUnevenlyWhen: 'The file repeats pictures unevenly: when they were taken is not known',
  useCamerasOwnFile: 'Use the camera’s own file, or the part that plays at one speed.',
  momentLiesOutsideClip: (outside: string) => `The moment ${outside} lies outside the clip`,
  markItAgain: 'Mark it again.',
};
