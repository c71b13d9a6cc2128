/** What is said here, by the file that says it. */
export const TEXT = {
  // view
  fromSideAtRightAngles: 'from the side, at right angles to the direction of travel',
  fromStraightInFront: 'from straight in front or behind',
  withSecondCameraToDegrees: 'with a second camera 60 to 120 degrees from the first, or from above',
  notMeasurable: (kind: string) => `Not measurable from the ${kind}`,
  filmAlso: (cameraFor: string) => `Film also ${cameraFor}.`,
  cameraIsDegreesOffView: (offPlaneDegrees: number, kind: string, mostOffPlaneDegrees: number) =>
    `The camera is ${offPlaneDegrees} degrees off the ${kind} view; ${mostOffPlaneDegrees} is the most`,
  down: 'down',
  up: 'up',
  cameraLooksDownBy: (way: string, degrees: number, most: number) =>
    `The camera looks ${way} at the performer by ${degrees} degrees; ${most} is the most`,
  filmFromHipHeight: 'Film from about hip height, or from farther away.',
  filmCamera: (cameraFor: string) => `Film ${cameraFor}.`,

  // camera-state
  nobodyHasLookedWhether: 'nobody has looked whether it moves',
  standsStill: 'stands still',
  cannotBeToldNothing: 'cannot be told: nothing that stands still gives a hold',
  followsOverOfPicturesWidth: (shift: string) => `follows over ${shift} of the picture’s width`,
  zoomsTimes: (zoom: string) => `zooms ${zoom} times`,
  tiltsSidewaysByDegrees: (roll: string) => `tilts sideways by ${roll} degrees`,

  // level
  lineOfPixelsIsToo: (length: string, shortestLine: number) =>
    `A line of ${length} pixels is too short to level by. Draw it along something level or plumb, at least ` +
    `${shortestLine} pixels long.`,

  // homography
  planeNeedsFourMarksEach: (from: number) =>
    `A plane needs four marks, each with its place on the ground; there are ${from}.`,
  threeOfMarksLie:
    'Three of the marks lie on one line, or two on each other. Choose the corners of something wide, such as a ' +
    'box painted on the ground.',
};
