/** What is said here, by the file that says it. */
export const TEXT = {
  // progress
  itWasNotMeasured: 'It was not measured.',

  // ladder
  isPositionRightAndStill: 'Is the position right, and still to the end, 4 times of 5?',
  isItSamePositionWhen: 'Is it the same position when slow, 5 times of 6?',
  doesItLookAs: 'Does it look as in the second picture, 3 times of 4?',
  filmedTimes: (target: string) => `Filmed: ${target}, 3 times of 4.`,
  makeItEasierHold: 'Make it easier: hold on to something, or hold it for a shorter time.',
  goBackOneStage: 'Go back one stage for one practice.',
  coachBesideItStopWhere: ', a coach beside it; stop where it hurts',
  goBackOneStageForTwo: (rest: string) => `Go back one stage for two practices, then try again${rest}.`,
  fullSpeed: 'full speed',
  ofFullSpeed: (load: number) => `${load}\u00a0% of full speed`,
  atManyRest: (many: string, rest: string) => `${many} at ${rest}`,

  // usual-words
  cameraFromSideAtHip: 'Camera from the side at hip height',
  cameraFromFrontOr: 'Camera from the front or from behind at hip height',
  cameraFromAbove: 'Camera from above',
  cameraOnStandEverything: 'Camera on a stand, everything in the picture',
  holdPositionOfAndLook: (at: string) => `Hold the position of ${at} and look at it`,
  slowlyIntoAndStopThere: (at: string) => `Slowly into ${at}, and stop there`,
  fullMovementLookedAtAgain: 'Full movement, looked at again',
  walkThroughItFrom: (from: string, at: string) => `Walk through it from ${from} to ${at}, counting aloud`,
  atHalfSpeedToClaps: 'At half speed, to claps in the rhythm of the reference',
  atFullSpeedFilmedUntil: (range: string) => `At full speed, filmed, until it is ${range}`,
  atRange: (range: string) => `at ${range}`,
  holdPositionOfWith: (at: string, rest: string) =>
    `Hold the position of ${at} with it ${rest}, before a mirror or a camera`,
  atFullSpeedFilmedOnce: (range: string) => `At full speed, filmed, once the slow one is ${range}`,
  stopAtAndAsk: (camera: string, at: string, question: string) => `${camera}; stop at ${at} and ask: ${question}`,
  stopAtShould: (camera: string, at: string, measure: string, range: string) =>
    `${camera}; stop at ${at}: ${measure} should be ${range}.`,
  referenceHasItOtherwise: 'The reference has it otherwise, by more than the tolerance.',
  targetSource: (source: string) => `The target: ${source}.`,

  // correction
  thisPerformerIsUnderAge: (text: string) =>
    `${text} This performer is under age: growth plates and tendons are still growing, so pain that stays is ` +
    'never trained through.',
  onlyWithQualifiedCoachBeside: '; only with a qualified coach beside it, and a guardian who knows of it',
  fewRepetitionsNoAddedWeight: (rest: string) => `Few repetitions, no added weight, rest days kept${rest}.`,
  atReducedLoadAndSpeed:
    'At reduced load and speed first, under a qualified coach; more only while it stays free of pain.',
  fewFreshRepetitionsAtTime: 'A few fresh repetitions at a time; add speed once the position holds.',
  asInReference: 'as in the reference',
  atMost: (high: string) => `at most ${high}`,
  atLeast: (low: string) => `at least ${low}`,
  toLowHigh: (low: string, high: string) => `${low} to ${high}`,
  analystAdds: 'the analyst adds it',
  eyeFound: 'the eye found it',
  seenByEye: 'Seen by eye',
  noN: (n: number) => `No. ${n}`,

  // movement-gaps
  whatIsSeenWhen: 'what is seen when it is too small',
  whatIsSeenWhenItIs: 'what is seen when it is too large',
  whyItMatters: 'why it matters',
  cue: 'a cue',
  hasNoNameOfIts: 'has no name of its own',
  hasTargetThatNamesNo: 'has a target that names no source',
  doesNotSay: (without: string) => `does not say ${without}`,
  doesNotSayWhat: (name: string) => `“${name}” does not say what to look for`,
  ruleOfWaitsForOne: (name: string) => `The rule of “${name}” waits for one that waits for it`,
  noMeasureHasTargetNothing: 'No measure has a target: nothing would be judged',
  noMeasureIsCause: 'No measure is the cause of another: no correction has a root',
  criterionCanNeverBeMet: (criterion: string) =>
    `The criterion “${criterion}” can never be met: its measure has no target`,
  noCautionStandsOnEvery: 'No caution stands on every report',
  repetitionsAreCountedByMoment: 'Repetitions are counted by a moment that has no rule',

  // athlete-page
  asInSecondPicture: 'as in the second picture',
  nothingWasJudgedYetSo: 'Nothing was judged yet, so this page says nothing of the technique.',
  nothingToChangeWasFound: 'Nothing to change was found. Keep it as it is, and film it again next time.',

  // report
  noMeasuredDifferenceLiesBeyond: 'No measured difference lies beyond its range and its measuring error.',
  whatEyeFoundStandsAbove: 'What the eye found stands above.',
  whatEyeFoundGoodStands: 'What the eye found good stands above.',
  nothingWasMeasured: 'Nothing was measured.',
  noMeasureStandsClear: 'No measure stands clear of the measuring error.',
};
