/** What is said here, by the file that says it. */
export const TEXT = {
  // compare-screen
  readings: 'Readings',
  curves: 'Curves',
  timing: 'Timing',
  trajectories: 'Trajectories',
  repetitions: 'Repetitions',
  synchrony: 'Synchrony',
  criteria: 'Criteria',
  differences: 'Differences',
  differencesStandHereOnceAthletes:
    'Differences stand here once the athlete’s clip is in. Add it at Intake, or open the demo from the start page.',
  waysToCompare: 'Ways to compare',

  // performers-view
  performersBeside: 'Performers',
  comparedWith: 'Compared with',
  comparedWithOf: (name: string) => `${name}, compared with`,
  decidedAndReported: 'Decided and reported',
  decideAndReportThis: 'Decide and report this one',
  addFurtherAthletesOrReferences:
    'A column per performer stands here once there are three clips or more: further athletes, partners or seats of a ' +
    'crew, further attempts, or several references. Add them at Intake.',
  eachIsJudgedAgainstTheir:
    'Each athlete is judged against the reference in their column, seat with seat; decisions and the report are of one ' +
    'at a time. Press a number to see its frames.',

  // criteria-view
  notMet: 'not met',
  thisMovementHasNoCriteria:
    'This movement has no criteria sheet. A movement of your own can have one: see its file or “Change the ' +
    'movement” at Intake.',
  mustBeThere: 'Must be there',
  countsExtra: 'Counts extra',
  byEyeReason: (reason: string) => `by eye: ${reason}`,
  wordsPointsOfPoints2: (words: string, points: number, points2: number) => `${words}, ${points} of ${points2}`,
  byMeasureAgain: 'By the measure again',
  markByEye: 'Mark by eye',
  namePointsOfMostPoints: (name: string, points: number, most: number, open: number) =>
    `${name}: ${points} of ${most} points, ${open} still open`,
  namePointsOfMostPointsWithName: (name: string, points: number, most: number) =>
    `${name}: ${points} of ${most} points`,
  heldAtMostBecause: (most: number, because: string) => `Held at ${most}: ${because}.`,
  criterion: 'Criterion',
  state: 'State',
  athlete: 'Athlete',
  points: 'Points',
  fullPointsOnTargetHalf: (source: string) =>
    `Full points on target, half where it is borderline or lies within the measuring error. Source: ${source}.`,
  byEye: ': by eye',
  isItMet: 'Is it met?',
  met: 'Met',
  partly: 'Partly',
  notMetLabel: 'Not met',
  reason: 'Reason',
  standsBesideCriterionAndIn: 'Stands beside the criterion and in the report.',
  cancel: 'Cancel',
  markIt: 'Mark it',
  metWithin: 'met',
  openWithin: 'open',
  partlyWithin: 'partly',

  // curves-view
  curvesStandHereOnceTwo:
    'Curves stand here once two moments are marked, in their order, and points are detected on both sides.',
  measure: 'Measure',
  greyRangeInWhichWhole: 'Grey: the range in which the whole curve of another such performer lies in 95 of 100 cases. ',
  greyTargetsToleranceRoundReference: 'Grey: the target’s tolerance round the reference. ',
  nothingGivesRangeForThis: 'Nothing gives a range for this measure. ',
  bandWithoutError: (band: string) =>
    `${band}Its error is not known through the movement, so no stretch is named. Press the chart to see the frames.`,
  bandPressChart: (band: string) => `${band}Press the chart to see the frames.`,
  longestStretchesOutsideRange: 'Longest stretches outside the range',
  region: 'Region',
  all: 'all',
  whereItIsWorst: 'Where it is worst',
  stretch: 'Stretch',
  beyondRange: 'Beyond the range',
  phase: 'the phase',
  shareOfName: (share: number, name: string) => `${share} % of ${name}`,
  atOfMovement: (at: number) => `${at} % of the movement`,
  noCurveLeavesItsRange: 'No curve leaves its range by more than the measuring error.',

  // paths-view
  handDominantSide: 'Hand, dominant side',
  handOtherSide: 'Hand, other side',
  hips: 'Hips',
  shoulders: 'Shoulders',
  head: 'Head',
  footDominantSide: 'Foot, dominant side',
  footOtherSide: 'Foot, other side',
  centreOfMass: 'Centre of mass',
  nameAxesAlongLineTo: (name: string, name2: string) => `${name}, axes along the line to ${name2}`,
  hipsWithin: 'the hips',
  shouldersWithin: 'the shoulders',
  point: 'Point',
  seenFrom: 'Seen from',
  groundBothTogetherAtName: (name: string) => `the ground, both together at ${name}`,
  fromNameOnInStanding: (name: string) =>
    `From ${name} on, in standing heights, both going to the right. Press a trajectory to see its frame.`,
  findLaidOverEachOther: (find: string) => `${find}, laid over each other`,

  // reference-card
  onePerformance: 'One performance',
  severalPerformancesMeanAndSpread: 'Several performances, mean and spread',
  anotherPerformanceForSomePhases: 'Another performance for some phases',
  athletesOwnRepetition: 'The athlete’s own repetition',
  publishedTargetsOnlyNoClip: 'Published targets only, no clip',
  repetitionI: (i: number) => `, repetition ${i}`,
  performers: (performers: number) => `${performers} performers`,
  rangeIsThatInWhich:
    'the range is that in which another such performer lies in 95 of 100 cases, and no narrower than the tolerance',
  tooFewPeopleToClaim: 'too few people to claim a spread, the tolerance stands',
  reference: 'Reference',
  performance: 'Performance',
  repetition: 'Repetition',
  worstAttemptAgainstBest: 'Worst attempt against best',
  school: 'School',
  asMeasured: (name: string) => `As measured: ${name}`,
  asMeasuredUnsure: 'As measured: not sure',
  movementsOwnTargets: 'The movement’s own targets',
  countPerformancesOfWhoSpread: (count: number, who: string, spread: string) =>
    `${count} performances of ${who}: ${spread}. `,
  athleteCountsWithMeanOf: (count: number) => `The athlete counts with the mean of ${count} repetitions. `,
  onlyTargetsThatMovementStates: 'Only targets that the movement states are judged; the rest is shown. ',
  onePerformer: '1 performer',

  // repetitions-view
  repetitionsAreComparedHereOnce:
    'Repetitions are compared here once a clip has several: find them at Moments, or add one by eye there.',
  repetitionByRepetition: 'Repetition by repetition',
  changeFromEarlyToLate:
    'A change from early to late is set off where it is larger than its error. Press a number to see its frame.',
  mean: 'Mean',
  spread: 'Spread',
  lateMinusEarly: 'Late minus early',
  changesAfterNumber: ' changes',

  // timing-view
  timesAreComparedOnceReference:
    'Times are compared once a reference clip is chosen and moments are marked on both sides.',
  phases: 'Phases',
  runningGainAndLossSince: (name: string) => `Running gain and loss since “${name}”`,
  moment: 'Moment',
  behindSoFar: 'Behind so far',
  lostSinceOneBefore: 'Lost since the one before',
  nameWhichComesWhen: (name: string) => `${name}: which comes when`,
  notAllOfStatedCan: (stated: string) => `: not all of ${stated} can be measured.`,
  afterMsCoverage95BeforeIts: (after: number, coverage95: number) => `${after} ms ±${coverage95}, before its turn`,
  afterMsCoverage95: (after: number, coverage95: number) => `${after} ms ±${coverage95}`,

  // together-view
  addFurtherClipsAtIntake:
    'Add further clips at Intake, one for each member of a crew or pair, to see who is ahead and how alike they move.',
  noCurveIsKnownYet: 'No curve is known yet. Detect points at Measure first.',
  alignedAt: 'Aligned at',
  against: 'Against',
  nameInRealTime: (name: string) => `${name}, in real time`,
  performer: 'Performer',
  lagBehind: 'Lag',
  correlationOfCurves: 'Correlation',
  remainingDifference: 'Remaining difference',
  onsetLaterBy: 'Onset later by',
  momentOrPointsAreMissing: 'the moment or the points are missing, or it cannot be measured from there',
  inRealTimeAllAligned: (name: string, name2: string, least: number) =>
    `In real time, all aligned at ${name}: the lag at which the curves of ${name2} and the other agree best ` +
    '(positive is later), their correlation there, and what differs once the lag is taken out. A lag is told ' +
    `where they correlate by at least ${least} and at no other lag as well; an onset where both rest first. ` +
    '± is the 95 % interval of what points and the common moment leave open.',
} as const;
