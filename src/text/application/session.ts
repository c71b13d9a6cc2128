/** What is said here, by the file that says it. */
export const TEXT = {
  // session-use-cases
  sessionNameWasMadeFor: (name: string, movementId: string) =>
    `The session “${name}” was made for the movement “${movementId}”, which this application does not have. Open ` +
    'it with the version in which it was made; it stays here as it is.',
  videosOfMissingAreNot: (missing: string) =>
    `The videos of ${missing} are not in this browser. Drop each file on its clip at Intake; the points stay.`,

  // steps
  intake: 'Intake',
  review: 'Review',
  match: 'Match',
  moments: 'Moments',
  measure: 'Measure',
  compare: 'Compare',
  decide: 'Decide',
  report: 'Report',
  followUp: 'Follow up',
  athletesClip: 'the athlete’s clip',
  referencesClip: 'the reference’s clip',
  addMissingClipsAtIntake: (missingClips: string) => `Add ${missingClips} at Intake first.`,
  dropMissingClipsHereAnd: (missingClips: string) => `Drop ${missingClips} here and answer the questions.`,
  bothClipsAreInGo: 'Both clips are in. Go on to Review and run them through before measuring.',
  clipIsInGo: 'The clip is in. Go on to Review, or drop a reference’s clip beside it.',
  runItThroughFewTimes: 'Run it through a few times and write down what strikes you, before any number.',
  checkWhichWayItTravels: 'Check which way it travels, and the capture rate; then mark the moments.',
  readWhatTargetsSay:
    'Read from the ground up what the movement’s own targets say. Press a row to see the frame that proves it.',
  runBothClipsThroughFew: 'Run both clips through a few times and write down what strikes you, before any number.',
  checkThatBothTravelSame: 'Check that both travel the same way, and the capture rates; then mark the moments.',
  proposedMomentsAreProposedFrom: (proposed: number) =>
    `${proposed} moments are proposed from the points. Go to each, look, and confirm or move it.`,
  stillToMark: 'Still to mark: ',
  andCountMore: (count: number) => ` and ${count} more`,
  allMomentsAreMarked: 'All moments are marked. Go on to Measure.',
  allMomentsAreMarkedIn: 'All moments are marked in both clips. Go on to Measure.',
  allMomentsAreMarkedInAll: 'All moments are marked in all clips. Go on to Measure.',
  detectPointsOfWithoutPoints: (withoutPoints: string) =>
    `Detect the points of ${withoutPoints}, then check them at each moment.`,
  goThroughMomentsAndCheck: 'Go through the moments and check that the lines lie on the body; drag what is off.',
  readDifferencesFromGroundUp: 'Read the differences from the ground up. Press a row to see the frames that prove it.',
  countProposedReorderDropWith: (count: number) =>
    `${count} proposed. Reorder, drop with a reason, or keep as they are.`,
  noGapIsLeftTo: 'No gap is left to work on. Look at what could not be measured.',
  nothingCouldBeJudgedYet: 'Nothing could be judged yet. Mark the moments, and look at what is not measurable.',
  readItThroughThenSave: 'Read it through, then save it as PDF, print it, or save the numbers as CSV.',
  sameNumbersAgainDidWhat:
    'The same numbers again: did what was asked for move, did something else get worse, can a correction be closed?',
  and: ' and ',
} as const;
