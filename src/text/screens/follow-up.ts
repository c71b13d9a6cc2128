/** What is said here, by the file that says it. */
export const TEXT = {
  // also-moved
  nearerToItsRange: 'Nearer to its range',
  furtherFromItsRange: 'Further from its range',
  moved: 'Moved',
  whatElseMoved: 'What else moved',
  nothingElseByMoreThan: 'Nothing else by more than its error.',
  plusMinusSinceDayText: (plusMinus: string, dayText: string) => `${plusMinus} since ${dayText}`,

  // conditions-card
  resultsAndSetUp: 'Results and set-up',
  session: 'Session',
  result: 'Result',
  setUp: 'Set-up',
  otherWhatNow: (what: string, now: string) => `Other ${what}: ${now}`,
  before: (before: string) => `before: ${before}`,
  measureThatMovedWithSet: 'A measure that moved with the set-up need not have moved with the technique.',

  // follow-up-screen
  nameOverTime: (name: string) => `${name} over time`,
  overTime: 'Over time',
  addAthletesClipAtIntake:
    'Add the athlete’s clip at Intake first. Other sessions of the same name and movement are then looked up here.',
  measuringOtherSessions: 'Measuring the other sessions.',
  thisIsOnlySessionOf: (name: string) =>
    `This is the only session of ${name} with this movement in this browser. Start the next one when there is new ` +
    'footage: it takes the references along, and here stands what became of today’s corrections. Sessions kept as ' +
    'files can be opened on the start page.',
  whatWasAskedFor: 'What was asked for',
  noSessionHasAskedFor: 'No session has asked for a correction yet.',
  curveOfTitle: (title: string) => `Curve of ${title}`,
  curve: 'Curve',
  letNumbersDecideAboutTitle: (title: string) => `Let the numbers decide about ${title}`,
  byNumbers: 'By the numbers',
  keepOpen: 'Keep open',
  close: 'Close',
  closedOnTargetInTwo:
    'Closed: on target in two sessions one after the other, and better by more than chance. Improving: nearer to ' +
    'the range by more than measuring and the athlete’s own attempts differ by.',
  measure: 'Measure',
  shadedRangeByWhichEach:
    'Shaded: the range by which each session judged. Press a value to see the frames that prove it.',
  beforeAndAfter: 'Before and after',
  putsEarlierPerformanceBesideTodays: 'Puts an earlier performance beside today’s as the reference; it can be undone.',
  compareWithDayText: (dayText: string) => `Compare with ${dayText}`,
  closeThisCorrection: 'Close this correction?',
  keepThisCorrectionOpen: 'Keep this correction open?',
  closeIt: 'Close it',
  keepItOpen: 'Keep it open',
  dayTextValuePlusMinus: (dayText: string, value: string, plusMinus: string) =>
    `${dayText}: ${value} ${plusMinus}. Show the frames`,

  // next-session
  athlete: 'Athlete',
  startNextSession: 'Start the next session',
} as const;
