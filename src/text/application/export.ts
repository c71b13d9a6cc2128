/** What is said here, by the file that says it. */
export const TEXT = {
  // film-maker
  makingFilm: 'Making the film',
  filmWasCancelledNoFile: 'The film was cancelled; no file was written.',

  // film-worker
  encoderStopped: (message: string) =>
    `The encoder stopped (${message}). Choose the other format, or a shorter stretch.`,
  thisBrowserCannotEncodeH: 'This browser cannot encode H.264 for MP4. Choose the other format.',
  thisBrowserCannotEncodeVp9: 'This browser cannot encode VP9 for WebM. Choose the other format.',
  thisBrowserCannotEncodeSound: (format: string) =>
    `This browser cannot encode the sound of ${format}. Choose the other format.`,
  filmWasNotBegun: 'The film was not begun.',
  filmWasNotBegunWith: 'The film was not begun with sound.',

  // film
  filmWouldEndBeforeIt: 'The film would end before it begins. Choose a later moment as its end.',
  nameAtMs: (name: string, at: number) => `${name} +${at} ms`,
  thereIsNoClipTo: 'There is no clip to film. Add one at Intake.',
  nothingTiesLooseToName: (loose: string, name: string) =>
    `Nothing ties ${loose} to ${name}: a film would not know which pictures belong together. Choose a way of ` +
    'matching on the bench, or mark a moment in both.',
  timeAtFrameMs: (timeAtFrame: number) => `${timeAtFrame} ms`,
  and: ' and ',

  // paper-file
  serverDoesNotAnswerAnd:
    'The server does not answer, and a PDF file is made there. Start it, or use Print and choose “Save as PDF”.',
  serverAnsweredStatus: (status: number) => `The server answered ${status}.`,

  // paper
  whatEyeFound: 'What the eye found',
  practice: 'Practice',
  sinceEarlierSessions: 'Since earlier sessions',
  keep: 'Keep',
  picturesAtEveryMoment: 'Pictures at every moment',
  curves: 'Curves',
  timing: 'Timing',
  criteriaSheet: 'Criteria sheet',
  filmNextTime: 'Film next time',
  allMeasures: 'All measures',
  allPerformers: 'All performers',
  methods: 'Methods',
  coachsReport: 'Coach’s report',
  laboratorysReport: 'Laboratory’s report',

  // talk-film
  partOfSectionIsNot: 'A part of a section is not in this browser any more. Remove that section, or record it again.',
  beforeFirstMoment: 'Before the first moment',
  nothingIsRecordedYetPress: 'Nothing is recorded yet. Press “Record” and talk.',
} as const;
