/** What is said here, by the file that says it. */
export const TEXT = {
  // aside-of-plan
  strengths: 'Strengths',
  noneStandsOutOfMeasuring: 'None stands out of the measuring error yet.',
  seenByEye: 'seen by eye',
  goodAsItIsOn: (onTarget: string) => `Good as it is: ${onTarget}.`,
  metHereAndMissedBy: (betterThan: string) => `Met here and missed by the reference: ${betterThan}.`,
  notNow: 'Not now',
  yourOwnCorrectionsComeBefore: ': your own corrections come before it.',
  analystsChoice: 'the analyst’s choice',
  workOnItNow: 'Work on it now',
  droppedReason: (reason: string) => `: dropped, “${reason}”.`,
  withdraw: 'Withdraw',

  // cause-chain
  sizeOutside: (size: string) => `${size} outside`,
  becausePassesUp: (because: string, passes: string) => `because ${because}; passes ${passes} up`,
  sizeOutsideRootWorkedOn: (size: string) => `${size} outside: the root, worked on`,

  // decide-screen
  whatToWorkOn: 'What to work on',
  addCorrectionOfYourOwn: 'Add a correction of your own',
  correctionsAreProposedHereOnce:
    'Corrections are proposed here once both clips are measured. Work through Intake, Moments and Measure first.',
  noGapBeyondMeasuringError:
    'No gap beyond the measuring error is left to work on. What the eye sees all the same is a correction of your ' +
    'own; what could not be measured stands beside.',
  personalStyle: 'A personal style?',
  dropThisCorrection: 'Drop this correction?',
  markAsStyle: 'Mark as style',
  drop: 'Drop',
  dragNameToAnotherPlace: (name: string) => `Drag ${name} to another place`,
  dragToAnotherPlace: 'Drag to another place',
  moveNameUp: (name: string) => `Move ${name} up`,
  moveNameDown: (name: string) => `Move ${name} down`,
  seeFrames: 'See the frames',
  dropWithReason: 'Drop with a reason',
  styleLeaveAlone: 'Style, leave alone',
  changeIt: 'Change it',
  remove: 'Remove',

  // own-correction
  seen: 'Seen',
  shouldBe: 'Should be',
  whyItMatters: 'Why it matters',
  cue: 'Cue',
  drillsOneLineHoldSlow: 'Drills, one a line: hold, slow, full',
  howAthleteChecksItAlone: 'How the athlete checks it alone',
  correctionOfYourOwn: 'A correction of your own',
  changeYourCorrection: 'Change your correction',
  whatChanges: 'What changes',
  technique: 'The technique',
  equipmentOrConditions: 'Equipment or conditions',
  sayWhatToWorkOn: 'Say what to work on.',
  cancel: 'Cancel',
  keepIt: 'Keep it',

  // practice-card
  noCompetitionIsKnown: 'No competition is known:',
  sayAtIntakeInHow: 'say at Intake in how many days it is',
  competitionDayNothingNewIs: (day: string, day2: string) => `Competition ${day}; nothing new is begun from ${day2}.`,
  competitionDayNothingNewIsBegun: (day: string) => `Competition ${day}: nothing new is begun any more.`,
  practice: 'Practice',
  practicesWeek: 'Practices a week',
  saveAsCalendar: 'Save as calendar',
  dragBarOrUseIts: 'Drag a bar, or use its arrow keys, to begin sooner or later; marks are checks.',
  changeStages: 'Change the stages',
  beginItWhenItsTurn: 'Begin it when its turn comes',

  // score-parts
  whatFollows: ' + what follows',
  riskFirst: ', risk first',
  scoreOf: (score: string, consequences: string, risk: string) =>
    `Score ${score} = size × sureness × importance${consequences}${risk}`,
  sizeBeyondRange: 'Size beyond the range',
  sureness: 'Sureness',
  importance: 'Importance',
  importanceOfName: (name: string) => `Importance of ${name}`,
  fromWhatFollows: 'From what follows',
  thereIsTimeToChange: 'There is time to change it before the competition.',
  thereIsNoTimeTo: 'There is no time to change it before the competition.',
  importanceSetByYou: 'Importance set by you.',
  asMovementSays: 'As the movement says',
} as const;
