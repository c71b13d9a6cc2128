/** What is said here, by the file that says it. */
export const TEXT = {
  // events-panel
  oneMomentOfOfText: (ofText: string) => `One moment of the ${ofText} is proposed`,
  countMomentsOfOfText: (count: number, ofText: string) => `${count} moments of the ${ofText} are proposed`,
  oneOfThemIsOnly: '; 1 of them is only a guess, and nothing is measured there until you confirm or move it',
  doubtfulOfThemAreOnly: (doubtful: number) =>
    `; ${doubtful} of them are only guesses, and nothing is measured there until you confirm or move them`,
  itsCameraMovesContactsWith:
    ' Its camera moves: contacts with the ground cannot be told from the points, mark them by eye.',
  moveMarkToFrameShown: 'Move the mark to the frame shown',
  markNameInRole: (name: string, role: string) => `Mark ${name} in ${role}`,
  move: 'Move',
  mark: 'Mark',
  setOnSoundThatStands: 'Set on the sound that stands out near the frame shown',
  setNameInRoleOn: (name: string, role: string) => `Set ${name} in ${role} on the sound`,
  goToNameInRole: (name: string, role: string) => `Go to ${name} in ${role}`,
  proposedFromPointsGoThere: 'Proposed from the points. Go there, look, and confirm or move it.',
  confirmNameInRole: (name: string, role: string) => `Confirm ${name} in ${role}`,
  onlyGuessConfirm: 'Only a guess: confirm',
  proposedSureConfirm: (proposed: number) => `${proposed} % sure: confirm`,
  removeMark: 'Remove the mark',
  unmarkNameInRole: (name: string, role: string) => `Unmark ${name} in ${role}`,
  pointsOfClipNameSuggest: (clipName: string, cameraHint: string) =>
    `The points of the ${clipName} suggest no moment. Detect points at Measure first, or mark by eye.${cameraHint}`,
  stepToFrameThenPress:
    'Step to the frame, then press the moment’s key: it marks the chosen clip (A chooses the other). Pins on the ' +
    'ribbons can be dragged.',
  proposeMomentsOfClipName: (clipName: string) => `Propose moments of the ${clipName}`,
  forThoseThatYouHave: 'For those that you have looked at: what is confirmed counts as marked by you',
  confirmAllProposedInOf: (proposedIn: number, clipName: string) => `Confirm all ${proposedIn} of the ${clipName}`,

  // proposals-run
  end: 'End',
  onlyGuess: 'only a guess',
  sure: (sure: number) => `${sure} % sure`,
  goThroughProposedMoment: 'Go through the proposed moment',
  goThroughCountProposedMoments: (count: number) => `Go through the ${count} proposed moments`,
  countToLookAtStep: (count: number) => `${count} to look at. Step where it is off, with Shift one clip alone;`,
  enterKey: 'Enter',
  escapeKey: 'Esc',
  takesFramesShownAndGoes: 'takes the frames shown and goes on,',
  ends: 'ends.',
  confirm: 'Confirm',
  leaveItOpen: 'Leave it open',

  // repetitions-card
  nothingCouldBeCarriedOver: (clipName: string) =>
    `Nothing could be carried over to the ${clipName}. Detect points of both at Measure first, or mark by eye.`,
  countMomentsAreCarriedOver: (count: number, clipName: string, clipName2: string) =>
    `${count} moments are carried over from the ${clipName} to the ${clipName2}. Go to each, look, and confirm or ` +
    'move it.',
  carryOverFromClipName: (clipName: string, clipName2: string) => `Carry over from the ${clipName} to the ${clipName2}`,
  repetitions: 'Repetitions',
  repetition: 'Repetition',
  iOfCount: (i: number, count: number) => `${i} of ${count}`,
  meanOfAll: 'mean of all',
  takeAway: 'Remove',
  noWholeRepetitionWasFound: (clipName: string) =>
    `No whole repetition was found for the ${clipName}. Detect points at Measure first, or mark by eye.`,
  oneRepetitionOfClipName: (clipName: string) =>
    `One repetition of the ${clipName} found. Go through them and confirm their moments.`,
  foundRepetitionsOfClipName: (found: number, clipName: string) =>
    `${found} repetitions of the ${clipName} found. Go through them and confirm their moments.`,
  findAgain: 'Find again',
  findRepetitions: 'Find repetitions',
  addOneByEye: 'Add one by eye',
} as const;
