/** What is said here, by the file that says it. */
export const TEXT = {
  // agreement-chart
  differencesOfTwoDigitisingsBias: (inUnit: string, inUnit2: string, inUnit3: string) =>
    `Differences of two digitisings: bias ${inUnit}, limits ${inUnit2} to ${inUnit3}`,

  // curve-strip
  titleAllPerformersThroughMovement: (title: string) => `${title}, all performers, through the movement`,

  // gate-chart
  ahead: 'ahead',
  signedMs: (sign: string, ms: number) => `${sign}${ms} ms`,
  runningGainOrLossAgainst: 'Running gain or loss against the reference',
  behind: 'behind',

  // matched-chart
  titleBothSidesInMatched: (title: string) => `${title}: both sides in matched time, and their difference`,
  athleteMinusReference: 'Athlete minus reference',
  against: ' against ',

  // path-chart
  pointIsNotKnownIn: 'The point is not known in both clips between their moments.',
  tHt: (t: number) => `${t} %ht`,

  // residual-chart
  residualAgainstCutOffFrequency: (cutoff: string, used: number) =>
    `Residual against cut-off frequency: suggested ${cutoff} Hz, used ${used} Hz`,
  hz: 'Hz',
  pixels: 'pixels',

  // ribbons
  timeOfAllClips: 'Time of all clips',
  frameThatCannotBeDecoded: 'A frame that cannot be decoded',
  nameLabelArrowsMoveIt: (name: string, label: string) =>
    `${name}, ${label}: arrows move it, Enter goes there, Delete removes it`,

  // sound-strip
  soundOfClip: 'The sound of the clip',

  // space-chart
  bodyInSpaceSeenFrom: (azimuthDegrees: number, elevationDegrees: number) =>
    `The body in space, seen from ${azimuthDegrees} degrees round and ${elevationDegrees} degrees up. The arrow ` +
    'keys turn it.',

  // trend-chart
  titleOverCountSessions: (title: string, count: number) => `${title} over ${count} sessions`,
} as const;
