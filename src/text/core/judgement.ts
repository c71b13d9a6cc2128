/** What is said here, by the file that says it. */
export const TEXT = {
  // priority
  season: 'a season',
  eyeDidNotSayYes: 'an eye did not say yes to it',
  itIsOutsideItsRange: (inUnit: string, excess: string) =>
    `it is ${inUnit} outside its range, ${excess} times the tolerance`,
  wellBeyondMeasuringError: 'well beyond the measuring error',
  beyondMeasuringErrorSure: (confidence: number) => `beyond the measuring error (${confidence} % sure)`,
  itMattersMuchForResult: 'it matters much for the result',
  differenceFollows: 'difference follows',
  differencesFollow: 'differences follow',
  otherFrom: (followers: number, rest: string) => `${followers} other ${rest} from it`,
  itCarriesRisk: 'it carries a risk',
  itTakesToChange: (costWords: string) => `it takes ${costWords} to change`,
  andReasonsReason: (reasons: string, reason: string) => `${reasons} and ${reason}`,
  threeCorrectionsAreMostThis: 'Three corrections are the most; this comes after them',
  itTakesToChangeAndCompetition: (costWords: string, daysToCompetition: number) =>
    `It takes ${costWords} to change and the competition is in ${daysToCompetition} days`,

  // filming
  atRightAnglesToWay: 'at right angles to the way of travel and at hip height',
  straightInFrontOfPerformer: 'straight in front of the performer',
  straightBehindPerformer: 'straight behind the performer',
  straightAbovePerformer: 'straight above the performer',
  nothingToFilmBetter: 'Nothing to change: film it as this time.',
  nothingToFilmBetterSoFar: (waiting: number, of: number) =>
    `Nothing to change for what was read; ${waiting} of ${of} measures lack points or confirmed moments.`,
  standWhereReferencesCameraStood: (square: string) => `Stand where the reference’s camera stood, ${square}.`,
  twoCamerasStandDegreesApart: (apart: number) => `The two cameras stand ${apart} degrees apart`,
  filmFromReferencesHeight: 'Film from the height of the reference’s camera, or both from hip height.',
  athlete: 'athlete',
  reference: 'reference',
  oneLooksDownMore: (whose: string, degrees: number) =>
    `The ${whose}’s camera looks down by ${degrees} degrees more than the other`,
  goNearerOrZoom: (nearer: number) =>
    `Go ${nearer} % nearer, or zoom in, so that the performer fills half of the picture’s height.`,
  performerIsOfPicturesHeight: (share: number) => `The performer is ${share} % of the picture’s height`,
  filmAtFramesPerSecond: (rest: number) => `Film at ${rest} frames per second.`,
  atFramesPerSecondTime: (captureRate: number, coverage95: string) =>
    `At ${captureRate} frames per second a time is known to ±${coverage95} ms`,

  // summary
  nothingCouldBeJudged: (measurable: number, ofText: number) =>
    `Nothing could be judged; ${measurable} of ${ofText} measures were read. This says nothing about the athlete.`,
  ofMeasuresJudgedRead: (n: number, ofText: number, measurable: number) =>
    `${n} of ${ofText} measures judged, ${measurable} read.`,
  forMomentThatIsOnly: (waiting: number, rest: string) =>
    `${waiting} ${rest} for a moment that is only a guess: confirm it, or mark it, at Moments.`,
  one: 'One is',
  areByOne: (byOne: number) => `${byOne} are`,
  judgedAgainstSinglePerformerTwo: (rest: string) =>
    `${rest} judged against a single performer: two good performers differ too.`,
  ofAnotherGoodPerformerAbout: (byChance: string) =>
    `Of another good performer about ${byChance} would lie outside the references’ range by chance.`,

  // cautions
  thisIsAidToCoaching:
    'This is an aid to coaching, not a diagnosis. Stop on pain. Change technique at reduced load and speed under ' +
    'a qualified coach, within the rules of the sport and the safeguarding policy of the club; see a licensed ' +
    'clinician about pain or a suspected injury.',
  thisPerformerIsUnderAge:
    'This performer is under age: growing bones and joints tolerate less. Keep to the age group’s limits on load ' +
    'and repetitions, and agree changes with a guardian and the coach.',

  // technique-words
  techniqueIs: (name: string, measure: string, value: string) => `Measured as ${name}: ${measure}, ${value}.`,
  techniqueIsUnsure: (measure: string, value: string, nearest: string, percent: number) =>
    `No technique is sure: ${measure}, ${value}. ${nearest} is ${percent} % probable; choose one, or the movement’s own ` +
    'targets stand.',
  techniqueIsNotNamed: (measure: string, why: string) => `No technique is named: ${measure}. ${why}.`,
};
