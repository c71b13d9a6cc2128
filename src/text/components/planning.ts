/** What is said here, by the file that says it. */
export const TEXT = {
  // camera-planner
  done: 'Done',
  measure: 'Measure',
  planCamera: 'Plan the camera',
  whereCameraStandsNextTime: 'Where the camera stands next time',
  asThisClipWasFilmed: 'As this clip was filmed',
  distanceMetres: 'Distance, metres',
  offSquareViewDegrees: 'Off the square view, degrees',
  lensMetresAboveGround: 'Lens above the ground, metres',
  focalLength36Mm: 'Focal length (36 mm), mm',
  picture: 'Picture',
  framesPerSecond: 'Frames per second',
  performersHeightMetres: 'Performer’s height, metres',
  whatToExpect: 'What to expect',
  about: 'About',
  toExpect: 'To expect',
  now: 'Now',
  mattersFrom: 'Matters from',
  whatWouldHelp: 'What would help',
  secondCamera: 'Second camera',
  degreesFromFirst: 'Degrees from the first',
  itsDistanceMetres: 'Its distance, metres',
  anotherLensOrRate: 'Another lens, picture or rate',
  itsFocalLength: 'Its focal length (36 mm), mm',
  itsPicture: 'Its picture',
  itsFramesPerSecond: 'Its frames per second',
  computingBothCameras: 'What both cameras give together is being computed ...',
  inSpaceFromBoth: 'in space, from both cameras',

  // filming-list
  filmNextTime: 'Film next time',

  // plan-from-above
  distanceMetresAwayOffPlane: (distance: string, offPlane: number) =>
    `${distance} metres away, ${offPlane} degrees off the square view`,
  cameraUpAndDownDistance: 'Camera: up and down the distance, left and right the direction',
  cameraWords: (words: string) => `Camera: ${words}`,
  secondCameraDegreesAndDistance: 'Second camera: up and down the distance, left and right the direction',
  secondAway: (distance: string, apart: number) => `${distance} metres away, ${apart} degrees from the first`,
  goesTravelsM: (travels: string) => `goes ${travels} m`,

  // plan-through-camera
  whatPlannedCameraSeesAt: 'What the planned camera sees at the moments',

  // planned-camera
  pictureShowsWidthByHeight: (width: string, height: string, pixels: number) =>
    `The picture shows ${width} by ${height} m; the performer is ${pixels} pixels tall.`,
  movementDoesNotFitIt: (width: string, height: string) =>
    `The movement does not fit: it takes ${width} by ${height} m.`,
  goToDistanceMOr: (distance: string) => `Go to ${distance} m, or film a part of it.`,
  shutter1ShutterSOr: (shutter: number, speed: string, speed2: string) =>
    `Shutter 1/${shutter} s or shorter: the fastest point goes ${speed} m/s, and smears by ${speed2} cm in a whole ` +
    'frame.',
  cameraOnTripod:
    'Camera on a tripod, still and not tilted sideways; a known length on the ground in the plane of the movement.',
  down: 'down',
  up: 'up',
  looksBy: (way: string, degrees: number, hips: number) =>
    `It looks ${way} at the performer by ${degrees} degrees: say so at Intake. From ${hips} m, at ` +
    'hip height, it looks level, and what leaves the plane does least.',
  secondCameraStands: (distance: string, apart: number, films: string) =>
    `Second camera: ${distance} m away, ${apart} degrees round from the first to the front, ${films}; one instant is ` +
    'seen or heard in both.',
  secondFilmsAlike: 'same lens and rate',
  secondFilms: (focal: number, width: number, height: number, rate: number) =>
    `${focal} mm, ${width} × ${height}, ${rate} frames a second`,
  secondStandsAhead:
    'It stands straight ahead, where the performer, or what is thrown, may go: go round to 60 to 75 degrees.',
  neverInLineOfFlight:
    'Never in the line of flight, the landing area or the run-up, no cable across them; no mains beside water, no ' +
    'sun in the lens.',
} as const;
