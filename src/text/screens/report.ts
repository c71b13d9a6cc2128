/** What is said here, by the file that says it. */
export const TEXT = {
  // athlete-page
  goodAlready: 'Good already:',
  seenByEye: 'Seen by eye:',
  goOnWhen: 'Go on when:',
  checkItYourself: 'Check it yourself:',

  // everybody
  allPerformers: 'All performers',

  // camera-sheet
  whereCameraStandsIsPlanned:
    'Where the camera stands is planned on the points of a performance: detect or place them at Measure first.',
  whereCameraStands: 'Where the camera stands',
  whereCamerasStand: 'Where the cameras stand',
  away: 'away,',
  squareToMovement: 'square to the movement',
  offPlaneDegreesAheadOf: (offPlane: number) => `${offPlane} degrees ahead of the square view`,
  offPlaneDegreesBehindSquare: (offPlane: number) => `${offPlane} degrees behind the square view`,
  lensAboveGround: (metres: number) => `lens ${metres} m above the ground`,
  focalMmOf36Width: (focal: number, width: number, height: number) => `, ${focal} mm (of 36), ${width} × ${height},`,
  rateFramesSecond: (rate: number) => `${rate} frames a second`,
  whatItIsGoodFor: 'What it is good for',
  measure: 'Measure',
  toExpect: 'To expect',

  // event-stills
  moments: 'Moments',
  nameAtName2: (name: string, name2: string) => `${name} at ${name2}`,
  notMarked: ' not marked',
  frameMarks: (marks: number) => ` frame ${marks}`,

  // film-dialog
  sixteenth: 'a sixteenth',
  eighth: 'an eighth',
  quarter: 'a quarter',
  saveFilm: 'Save a film',
  panesMatchedAsOnBench: (panes: string) =>
    `${panes}, matched as on the bench. It holds pictures of people: give it only to those who may have it.`,
  pictureOfBenchItHolds:
    'The picture of the bench. It holds pictures of people: give it only to those who may have it.',
  from: 'From',
  beginning: 'the beginning',
  to: 'To',
  end: 'the end',
  speed: 'Speed',
  atEachMoment: 'At each moment',
  noStop: 'no stop',
  stillForS: (s: number) => `still for ${s} s`,
  file: 'File',
  mp4H264: 'MP4 (H.264)',
  mp4H264NotIn: 'MP4 (H.264): not in this browser',
  webMVp9: 'WebM (VP9)',
  measuredLinesAndValues: 'Measured lines and values',
  filmratePicturesSecond: (filmrate: number) => `${filmrate} pictures a second`,
  cancel: 'Cancel',
  makeFilm: 'Make the film',
  half: 'half',
  full: 'full',
  double: 'double',

  // methods
  byHand: 'by hand',
  interpolatedBetweenDetectedFrames: 'interpolated between detected frames',
  interpolatedBetweenHandPlacedFrames: 'interpolated between hand-placed frames',
  correctionsCarriedToOtherFrames: (joints: string) => `; corrections carried to the other frames: ${joints}`,
  viewnamesView: (viewnames: string) => `${viewnames} view`,
  offPlane: 'off the plane',
  looksDownBy: (degrees: number, plusMinus: number) => `looks down by ${degrees}° ±${plusMinus}°`,
  countStillPictures: (count: number) => `${count} still pictures`,
  countFrames: (count: number) => `${count} frames, `,
  intervalMsApart: (interval: string) => `${interval} ms apart`,
  metresMArePixels: (metres: number, pixels: number) => `, ${metres} m are ${pixels} pixels`,
  scaleByStatedStandingHeight: (heightMetres: number) => `, scale by the stated standing height of ${heightMetres} m`,
  noLengthInMetres: ', no length in metres',
  noPoints: 'no points',
  methods: 'Methods',
  movementU201cNameU201dId: (name: string, id: string, version: string) =>
    `Movement “${name}” (${id}, as changed in this session); application ${version}.`,
  movementU201cNameU201dIdAs: (name: string, id: string, version: string) =>
    `Movement “${name}” (${id}, as it ships with the application); application ${version}.`,
  bodyInSpaceOf: 'Body in space of',
  byBundleAdjustmentWithoutCalibration: (count: number, cameras: string, misfit: string) =>
    `by bundle adjustment without calibration: ${count} cameras, ${cameras} from the first; residuals ${misfit} of ` +
    'their stated deviation.',
  pointsSmoothedByZeroLag: (cutoff: number) =>
    `Points smoothed by a zero-lag Butterworth filter of second order at ${cutoff} Hz. Errors are first-order ` +
    'propagation (JCGM 100:2008) of those of the points, the moments, the camera and the scale; plus-minus values ' +
    'are 95 % intervals.',
  segmentMassesAfterDeLeva:
    'Segment masses after de Leva 1996, lengths after Drillis and Contini 1966. Angles, signs and formulas: the ' +
    'table of measures that ships with the application.',

  // paper-options
  whatItHoldsEverything: 'What it holds: everything',
  whatItHoldsCountOf: (count: number, count2: number) => `What it holds: ${count} of ${count2} parts`,
  clubOverReport: 'Club over the report',
  lineAtItsFoot: 'Line at its foot',

  // practice-part
  practice: 'Practice',
  stageCountOfCount2Drill: (
    count: number,
    count2: number,
    drill: string,
    doseText: string,
    pass: string,
    ifNot: string,
  ) => `stage ${count} of ${count2}: ${drill}, ${doseText}. Go on when: ${pass} If not: ${ifNot}`,
  allCountStagesArePassed: (count: number) => `all ${count} stages are passed.`,

  // readings-table
  measures: 'Measures',
  moment: 'Moment',
  athlete: 'Athlete',
  reference: 'Reference',
  difference: 'Difference',
  state: 'State',
  inSpace: ', in space',

  // report-body
  workOn: 'Work on',
  referenceValue: (value: string) => `, reference ${value}`,
  meanOfCountPerformances: (count: number) => ` (mean of ${count} performances)`,
  againstPublishedTargetsOnly: 'Against published targets only',
  resultText: (resultText: string) => `Result: ${resultText}`,
  schoolNameBecause: (name: string, because: string) => `School: ${name}. ${because}`,
  firstImpressions: 'First impressions',
  notWorkedOnNameReason: (name: string, reason: string) => `Not worked on: ${name} (“${reason}”).`,
  laterNameWhy: (name: string, why: string) => `Later: ${name}. ${why}.`,
  keep: 'Keep',
  goodAsItIsName: (nameOf: string, numbersOf: string) => `Good as it is: ${nameOf}, ${numbersOf}`,
  curves: 'Curves',
  inMatchedTimeGreyIs:
    'In matched time; grey is the range of the reference. Tinted: outside it by more than the measuring error.',
  timing: 'Timing',
  namePointsOfMostPoints: (name: string, points: number, most: number) => `${name}: ${points} of ${most} points`,
  stillOpen: 'open',
  pointsOfPoints2: (points: number, points2: number) => `${points} of ${points2}`,
  byEyeReason: (reason: string) => ` (by eye: ${reason})`,
  heldAtMostBecause: (most: number, because: string) => `Held at ${most}: ${because}.`,
  filmNextTime: 'Film next time',
  cautions: 'Cautions',
  plusMinusValuesAre95: (cutoff: number) =>
    'Plus-minus values are 95 % intervals. A difference is called a gap only when it lies outside its range by ' +
    `more than its margin and its measuring error. Points smoothed by a zero-lag Butterworth filter at ${cutoff} ` +
    'Hz.',
  sinceEarlierSessions: 'Since earlier sessions',

  // report-screen
  report: 'Report',
  athletesPage: 'Athlete’s page',
  forWhoeverFilms: 'For whoever films',
  letter: 'Letter',
  whatIsShownAndPrinted: 'What is shown and printed',
  sizeOfPaper: 'Size of the paper',
  saveAllNumbersAsCsv: 'Save all numbers as CSV',
  saveSessionWithVideo: 'Save the session with video',
  saveSessionWithoutVideo: 'Save the session without video',
  reportFillsItselfOnceAthletes: 'The report fills itself once the athlete’s clip is in: add it at Intake.',

  // seen-by-eye
  seenByEyeLabel: 'Seen by eye',
  clipRemoved: 'clip removed',
  good: 'Good',
  noWords: 'no words',
  framePanes: (panes: number) => `frame ${panes}`,
} as const;
