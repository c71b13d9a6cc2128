/** What is said here, in the order of the files that say it. */
export const TEXT = {
  // curve-strip
  titleAllPerformersThroughMovement: (title: string) => `${title}, all performers, through the movement`,

  // agreement-chart
  differencesOfTwoDigitisingsBias: (inUnit: string, inUnit2: string, inUnit3: string) =>
    `Differences of two digitisings: bias ${inUnit}, limits ${inUnit2} to ${inUnit3}`,

  // residual-chart
  residualAgainstCutOffFrequency: (cutoff: string, used: number) =>
    `Residual against cut-off frequency: suggested ${cutoff} Hz, used ${used} Hz`,
  hz: 'Hz',
  pixels: 'pixels',

  // sound-strip
  soundOfClip: 'The sound of the clip',

  // ribbons
  timeOfAllClips: 'Time of all clips',
  frameThatCannotBeDecoded: 'A frame that cannot be decoded',
  nameLabelArrowsMoveIt: (name: string, label: string) =>
    `${name}, ${label}: arrows move it, Enter goes there, Delete removes it`,

  // space-chart
  ahead: 'ahead',
  bodyInSpaceSeenFrom: (azimuthDegrees: number, elevationDegrees: number) =>
    `The body in space, seen from ${azimuthDegrees} degrees round and ${elevationDegrees} degrees up. The arrow keys turn it.`,

  // matched-chart
  titleBothSidesInMatched: (title: string) => `${title}: both sides in matched time, and their difference`,
  athleteMinusReference: 'Athlete minus reference',

  // path-chart
  pointIsNotKnownIn: 'The point is not known in both clips between their moments.',
  tHt: (t: number) => `${t} %ht`,

  // gate-chart
  signedMs: (sign: string, ms: number) => `${sign}${ms} ms`,
  runningGainOrLossAgainst: 'Running gain or loss against the reference',
  behind: 'behind',

  // trend-chart
  titleOverCountSessions: (title: string, count: number) => `${title} over ${count} sessions`,
  against: ' against ',
} as const;
