/** What is said here, by the file that says it. */
export const TEXT = {
  // limits
  idIsNotEmpty: 'An id is not empty.',
  idHasAtMostCharacters: (id: number) => `An id has at most ${id} characters.`,
  thatNameIsReservedChoose: 'That name is reserved; choose another.',
  idHasLettersDigitsHyphens: 'An id has letters, digits, hyphens and underscores, at most 100.',
  rateIsAtLeastSecond: (least: number) => `A rate is at least ${least} a second.`,
  rateIsAtMostSecond: (most: number) => `A rate is at most ${most} a second.`,
  pictureHasWholePixels: 'A picture has whole pixels.',
  pictureHasAtMostPixels: (pictureSide: number) => `A picture has at most ${pictureSide} pixels to a side.`,
  nameHasAtMostCharacters: (limits: number) => `A name has at most ${limits} characters.`,
  textHasAtMostCharacters: (text: number) => `A text has at most ${text} characters.`,
  dayLiesBetweenAnd: 'A day lies between 1900 and 2199, for example 2026-03-02.',

  // conditions
  distance: 'Distance',
  height: 'Height',
  load: 'Load',
  time: 'Time',
  speed: 'Speed',
  points: 'Points',
  place: 'Place',
  success: 'Success',
  resultIsNotNegative: 'A result is not negative.',
  sayWhatIt: 'Say what it is.',
  sayHowItWas: 'Say how it was.',
  factOfSetUp: 'A fact of the set-up is said once.',
  implement: 'Implement',
  lengthOfImplement: 'Length of the implement',
  shoes: 'Shoes',
  blocks: 'Blocks',
  rig: 'Rig',
  seatHeight: 'Seat height',
  surface: 'Surface',
  wind: 'Wind',
  success2: 'success',
  noSuccess: 'no success',

  // samples
  samplesAreListOfNumbers: 'Samples are a list of numbers.',

  // clip
  givePerformerName: 'Give the performer a name.',
  cameraPathHasAsMany: 'A camera path has as many finite samples of everything as frames that were looked at.',
  partOfFileEndsAfter: 'A part of a file ends after it begins.',
  notAllFramesOfCycle: 'Not all frames of a cycle can repeat the one before.',
  frameTimesAreList: (frames: number) =>
    `Frame times are a list of at most ${frames} numbers, each later than the one before.`,
  changesOfRateComeOne: 'Changes of the rate come one after the other.',
  rateOfFirstFrame: 'The rate of the first frame is the capture rate: from there it can only be not known.',

  // kept-detections
  eachDetectorHasAsMany: 'Each detector has as many samples as there are frames times points.',

  // document-id
  idHasLowerCaseLetters: 'An id has lower-case letters, digits and hyphens.',

  // practice
  stageSaysWhatIsDone: 'A stage says what is done.',

  // target
  rangeMustBeginBelowIts: (low: number, high: number) =>
    `A range must begin below its end; it goes from ${low} to ${high}. Exchange the two.`,

  // measure-form
  isItThere: 'Is it there?',
  newMeasure: 'New measure',

  // movement
  movementHasAtMost: (most: number, what: string) => `A movement has at most ${most} ${what}.`,
  isNotMomentOfThis: (id: string, moments: string) => `“${id}” is not a moment of this movement; it has ${moments}.`,
  twoSAreCalledGive: (what: string, twice: string) =>
    `Two ${what}s are called “${twice}”; give one of them another id.`,
  limitsAreTheWrongWay: (from: number, to: number) => `The limits ${from} and ${to} are the wrong way round or alike.`,
  isNotMeasureOfThis: (id: string) => `“${id}” is not a measure of this movement.`,
  isNotCriterionOfThis: (id: string, criteria: string) =>
    `“${id}” is not a criterion of this sheet; it has ${criteria}.`,
  comesAfterAndCannot: (cause: string, effect: string) =>
    `“${cause}” comes after “${effect}” and cannot be its cause; turn the link round or take it out.`,

  // talk
  whatIsKeptOfSection: 'What is kept of a section lies within it.',

  // session
  twoClipsHaveId: (id: string) => `Two clips have the id “${id}”.`,
  itIsFurtherCamera: 'It is a further camera of a clip that is not there.',
  itsPointsDoNotHave: 'Its points do not have as many samples as their clip has frames.',
  itsPointsWereDetected: 'Its points were detected in a clip of another length.',
  itShowsRepetitionThat: 'It shows a repetition that is not there.',

  // check-session
  document: 'the document',
  repairedSession: 'Repaired session',

  // words
  moreBentThanItShould: 'More bent than it should be',
  straighterThanItShould: 'Straighter than it should be',
  longer: 'Longer',
  moreBend: 'More bend',
  tooShort: 'Too short',
  tooLong: 'Too long',
  takeTime: 'Take the time',
  quicker: 'Quicker',
  tooEarly: 'Too early',
  tooLate: 'Too late',
  waitFor: 'Wait for it',
  earlier: 'Earlier',
  tooSlow: 'Too slow',
  tooFast: 'Too fast',
  calmer: 'Calmer',
  shorter: 'Shorter',
  tooLow: 'Too low',
  tooHigh: 'Too high',
  higher: 'Higher',
  lower: 'Lower',
  movesTooLittle: 'Moves too little',
  movesTooMuch: 'Moves too much',
  letItMove: 'Let it move',
  keepItStill: 'Keep it still',
  tooSmall: 'Too small',
  tooLarge: 'Too large',
  more: 'More',
  less: 'Less',

  // athlete
  giveAthleteName: 'Give the athlete a name.',
  birthYearIsWholeNumber: 'A birth year is a whole number, for example 2009.',
  birthYearLiesBetween: 'A birth year lies between 1900 and 2199.',
  heightIsNumberOfMetres: 'A height is a number of metres, for example 1.78.',
  heightLiesBetweenAndM: 'A height lies between 0.5 and 2.6 m.',
  massIsNumberOfKilograms: 'A mass is a number of kilograms, for example 72.',
  massLiesBetweenAndKg: 'A mass lies between 10 and 300 kg.',

  // session-media
  sectionOfTalk: (i: number) => `section ${i} of the talk`,
  voiceNote: 'a voice note',
};
