/** What is said here, by the file that says it. */
export const TEXT = {
  // options
  isItIsOne: (name: string, said: string) => `--${name} is “${said}”; it is one for both, or athlete/reference.`,
  isItIs: (name: string, said: string, words: string, words2: string) =>
    `--${name} is “${said}”; it is ${words} or ${words2}.`,
  isItIsFrom: (name: string, said: string, what: string, least: number, most: number) =>
    `--${name} is “${said}”; it is ${what} from ${least} to ${most}.`,
  rateHasChangeIsFrame: (part: string) =>
    `--rate has “${part}”; a change is FRAME:RATE, as 121:240, or 121:? where it is not known.`,
  framesPerSecond: 'frames per second',
  rateHasAfterGiveThem: (further: string, further2: string) =>
    `--rate has “${further}” after “${further2}”; give them in their order.`,
  degreesOffView: 'degrees off the view',
  degreesDown: 'degrees down',
  pixelsPerMetre: 'pixels per metre',
  wholeDaysToCompetition: 'whole days to the competition',
  daysIsItIsWhole: (days: string) => `--days is “${days}”; it is a whole number of days to the competition.`,

  // read-trial
  hasSubjectsFirstWasTaken: (file: string, recordings: number, recording: string) =>
    `“${file}” has ${recordings} subjects; the first, ${recording}, was taken.`,
  noneOfItsMarkers: (file: string, markers: string) =>
    `“${file}”: none of its markers is known by its name (${markers} ...). Name them after the points, for ` +
    'example left-knee.',
  whichWayPerformerGoesCannot: (file: string) =>
    `Which way the performer goes cannot be told from “${file}”. Say it: --travel left or --travel right.`,
  hasFramesAtMost: (file: string, frames: number, mostFrames: number) =>
    `“${file}” has ${frames} frames; at most ${mostFrames} are compared. Cut it to the attempt.`,
  itsPerformerWouldBeM: (file: string, tall: number) =>
    `“${file}”: its performer would be ${tall} m tall. Check the unit of its lengths (millimetres, metres).`,
  ifCameraStoodStillSay: (file: string, feetSlide: string) =>
    `“${file}”: ${feetSlide}. If the camera stood still, say so: --camera still.`,
  makesNoClip: (file: string, path: string, message: string) => `“${file}” makes no clip: ${path}: ${message}`,
  momentOfIsAtS: (outside: string, role: string, outside2: number, file: string, time: string) =>
    `The moment “${outside}” of the ${role} is at ${outside2} s; “${file}” lasts from 0 to ${time} s.`,
  noMomentOfCould: (file: string, movement: string) =>
    `“${file}”: no moment of ${movement} could be proposed from its points, and none was given (--moments).`,

  // compare
  isNotValidJson: (detail: string) => ` is not valid JSON (${detail}).`,
  itShouldReadAthleteRelease: (path: string, message: string) =>
    `: ${path}: ${message}. It should read {"athlete": {"release": 1.125}, "reference": {...}}, in seconds.`,
  isNeitherAthleteNorReference: (whose: string, files: string) =>
    `: “${whose}” is neither athlete nor reference nor a file of these (${files}).`,
  isNotMomentOf: (unknown: string, movement: string, known: string) =>
    `: “${unknown}” is not a moment of ${movement}; it has ${known}.`,
  isNoSchoolOfThere: (school: string, movement: string, schools: string) =>
    `“${school}” is no school of ${movement}. There are: ${schools}.`,
  publishedTargetsOnly: 'published targets only',
  takesTimesAsLong: (slow: string, times: string, other: string) =>
    `“${slow}” takes ${times} times as long as “${other}”. If it is slow motion, give the rate of its camera ` +
    'with --rate.',

  // job
  cannotBeReadCheckIts: (file: string) => `“${file}” cannot be read. Check its name and folder.`,
  cannotBeWrittenToGive: (folder: string, detail: string) =>
    `“${folder}” cannot be written to (${detail}). Give a folder with --out.`,
  targets: 'the targets',
  againstBasenameReferences: (basename: string, references: string) => `${basename} against ${references}`,
  ofMeasuresWereRead: (measurable: number, ofText: number, why: string) =>
    `${measurable} of ${ofText} measures were read${why}`,
  nothingCouldBeJudgedThis: (pair: string, read: string, out: string) =>
    `${pair}: nothing could be judged; ${read}. This says nothing about the athlete (${out})`,
  noGapBeyondMeasuringError: 'no gap beyond the measuring error',
  work: (proposed: string) => `work on ${proposed}`,
  ofMeasuresJudged: (pair: string, judged: number, ofText: number, found: string, out: string) =>
    `${pair}: ${judged} of ${ofText} measures judged: ${found} (${out})`,

  // detector-browser
  thereIsNoChromium: (chromium: string) =>
    `There is no Chromium at “${chromium}”. Install it (apt-get install chromium), or say where it is: ` +
    'CHROMIUM=/path/to/chromium.',
  browserStoppedRunSameCommand: (file: string, detail: string) =>
    `“${file}”: the browser stopped (${detail}). Run the same command again.`,

  // find
  shardIsItIsI: (text: string) => `--shard is “${text}”; it is I/N with I from 1 to N, as in --shard 2/8.`,
  isItIsNumberAbove: (name: string, text: string) => `--${name} is “${text}”; it is a number above 0.`,
  andWouldBothBeWritten: (other: string, clip: string, file: string) =>
    `“${other}” and “${clip}” would both be written to “${file}”. Rename one, or give them folders of their own.`,
  cannotBeReadCheckItsName: (clip: string) => `“${clip}” cannot be read. Check its name and folder.`,
  ofShard: (own: number, ofText: number) => ` of shard ${own} of ${ofText}`,
  allPointsAreThereAlready: (which: string, out: string) => `All points${which} are there already (${out}).`,
  framesLookedAtSomebodySeen: (frames: number, detected: number, seen: number) =>
    `${frames} frames, ${detected} looked at, somebody seen on ${seen}`,
  compareWithRateUnknown: (note: string) => `${note} Compare its points with --rate ?, or with its rates by frame.`,
  aboutSLeft: (left: number) => ` (about ${left} s left)`,
  ofDoneWorkBasenameSaid: (done: number, work: number, basename: string, said: string, rest: string) =>
    `${done} of ${work}, ${basename}: ${said}${rest}`,
  ofClipsDone: (work: number, work2: number, which: string, out: string) =>
    `${work} of ${work2} clips${which} done (${out}).`,

  // main
  thereIsNoMovementThere: (name: string, movements: string) =>
    `There is no movement “${name}”. There are: ${movements}; or give a .json file.`,
  warningIsReadWithoutWhat: (basename: string, unknown: string) =>
    `Warning: “${basename}” is read without what means nothing here: ${unknown}.`,
  rowUnderAgeIs: (list: string, row: number, text: string) =>
    `“${list}”, row ${row}: under-age is “${text}”; it is yes or no.`,
  hasNoColumnItsColumns: (list: string, column: string, fields: string) =>
    `“${list}” has no column “${column}”; its columns are ${fields}.`,
  rowAthleteIsEmpty: (list: string, i: number) => `“${list}”, row ${i}: athlete is empty.`,
  ofRow: (done: number, jobs: number, i: number, said: string, rest: string) =>
    `${done} of ${jobs}, row ${i}: ${said}${rest}`,
  ofCompared: (jobs: number, jobs2: number) => `${jobs} of ${jobs2} compared.`,
  thisIsFaultOfProgram: (message: string) => `This is a fault of the program, not of the files: ${message}`,
};
