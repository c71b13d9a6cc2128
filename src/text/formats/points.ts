/** What is said here, by the file that says it. */
export const TEXT = {
  // bvh
  itEndsWhereShouldFollow: (expected: string) => `it ends where ${expected} should follow.`,
  shouldStandWhereDoes: (word: string, found: string) => `“${word}” should stand where ${found} does.`,
  isNotNumber: (what: string, word: string) => `${what} is ${word}, not a number.`,
  joint: 'a joint',
  tooMany: 'a “}” too many.',
  motionShouldFollowHierarchy: '“MOTION” should follow the hierarchy.',
  jointShouldStandWhereDoes: (word: string) => `“JOINT” should stand where ${word} does.`,
  itHasMoreThanJoints: (mostJoints: number) => `it has more than ${mostJoints} joints.`,
  name: 'a name',
  offset: (name: string) => `the offset of ${name}`,
  numberOfChannels: (name: string) => `the number of channels of ${name}`,
  hasChannels: (name: string, count: number) => `${name} has ${count} channels.`,
  channel: 'a channel',
  hasChannel: (name: string, channel: string) => `${name} has a channel ${channel}.`,
  itHasNoMotionPart: 'it has no “MOTION” part. Export it again.',
  framesNShouldStandWhere: (line: string) => `“Frames: N” should stand where ${line} does.`,
  frameTimeSecondsShouldStand: (line: string) => `“Frame Time: SECONDS” should stand where ${line} does.`,
  hasFramesOfJointsCut: (fileName: string, rows: number, joints: number) =>
    `“${fileName}” has ${rows} frames of ${joints} joints. Cut it to the attempt that is wanted.`,
  itsFirstFrameHasNumbers: (filter: number, wanted: number) =>
    `its first frame has ${filter} numbers; ${wanted} are wanted.`,
  frameHasGoodNumbers: (i: number, filter: number, wanted: number, i2: number) =>
    `Frame ${i} has ${filter} good numbers of ${wanted}; the ${i2} frames before it were read.`,
  fileSaysItHasFrames: (claimed: number, frames: number) =>
    `The file says it has ${claimed} frames and has ${frames}; all of those were read.`,
  hasNoFrames: (fileName: string) => `“${fileName}” has no frames.`,

  // read-c3d
  pointK: (k: number) => `point ${k}`,
  doesNotBeginAsC3d: (fileName: string) => `“${fileName}” does not begin as a C3D file does.`,
  itsParametersShouldBegin: (byte: number, bytes: number) =>
    `its parameters should begin at block ${byte}, past the end of the file (${bytes} bytes). It was cut off; ` +
    'copy it again.',
  fileNamesProcessorThat: (processor: number) =>
    `The file names a processor ${processor} that is not known; it was read as Intel.`,
  itDoesNotSayHow: 'it does not say how many frames make a second (POINT:RATE).',
  itsScalePointScale: (scale: number) => `its scale (POINT:SCALE) is ${scale}, which would make every point zero.`,
  onlyAnalogChannels: ', only analog channels',
  hasNoPoints: (fileName: string, rest: string) => `“${fileName}” has no points${rest}.`,
  itsPointsShouldBegin: (dataStart: number, bytes: number) =>
    `its points should begin at block ${dataStart}, past the end of the file (${bytes} bytes). It was cut off; ` +
    'copy it again.',
  fileSaysItHasFramesAnd: (claimed: number, here: number) =>
    `The file says it has ${claimed} frames and has ${here}; all of those were read.`,
  fileSaysItHasFramesThat: (claimed: number, here: number) =>
    `The file says it has ${claimed} frames; the ${here} that are there were read.`,
  hasNoWholeFrame: (fileName: string) => `“${fileName}” has no whole frame.`,
  hasFramesOfPointsCut: (fileName: string, frames: number, points: number) =>
    `“${fileName}” has ${frames} frames of ${points} points. Cut it to the attempt that is wanted.`,
  itsUnitOfLength: (unitText: string) =>
    `Its unit of length, “${unitText}”, is not known; give the performer’s height to scale it.`,
  samplesAreNotNumbers: (notFinite: number) => `${notFinite} samples are not numbers and count as missing.`,

  // coco
  itIsNotValidJson: (detail: string) => `it is not valid JSON (${detail}).`,
  document: 'the document',
  itShouldHaveImagesAnnotations: (path: string, message: string) =>
    `${path}: ${message}. It should have images, annotations with keypoints, and categories.`,
  namesNoKeypointsInIts: (fileName: string) => `“${fileName}” names no keypoints in its categories.`,
  fileDoesNotSayHow: (unstatedRate: number) =>
    `The file does not say how many pictures make a second; ${unstatedRate} is taken. Change the capture rate at ` +
    'Intake.',
  hasPicturesCutIt: (fileName: string, size: number) =>
    `“${fileName}” has ${size} pictures. Cut it to the attempt that is wanted.`,
  hasMoreThanPeople: (fileName: string, size: number, size2: number) =>
    `“${fileName}” has more than ${size} people in ${size2} pictures, most of them in a few only. Save one ` +
    'person, or the pictures that are wanted.',
  annotationsBelongToNoPicture: (bad: number, names: number) =>
    `${bad} annotations belong to no picture or do not have ${names} keypoints; they were passed over.`,
  annotationsHaveNoTrackId:
    'The annotations have no track_id: the first person of each picture is taken for one person, the second for ' +
    'another. Check it.',
  hasNoAnnotationThatCan: (fileName: string) => `“${fileName}” has no annotation that can be used.`,

  // csv
  hasAboutRowsOfColumns: (fileName: string, lines: number, across: number) =>
    `“${fileName}” has about ${lines} rows of ${across} columns. Cut it to the attempt that is wanted.`,
  namesNoPointsInIts: (fileName: string, header: string) =>
    `“${fileName}” names no points in its first line: ${header}. Name two or three columns for each, as in ` +
    '“left-knee_x, left-knee_y”.',
  itHasNoColumnTime: (header: string) =>
    `it has no column “time” (seconds, or “time [ms]”). Its columns are ${header}.`,
  itsRowsHaveCellsWhere: (cells: number, header: number) =>
    `its rows have ${cells} cells where the first line names ${header} columns. If its numbers have decimal ` +
    'commas, save it with semicolons between the cells, or with decimal points.',
  hasNoRowsBelowIts: (fileName: string) => `“${fileName}” has no rows below its first line.`,
  hasRowsOfPointsCut: (fileName: string, rows: number, names: number) =>
    `“${fileName}” has ${rows} rows of ${names} points. Cut it to the attempt that is wanted.`,
  rowItsTimeIsNot: (wrong: number, row: string) =>
    `row ${wrong}: its time ${row} is not later than that of the row before.`,
  itHasOneRowOnly: 'it has one row only; a recording has at least two.',
  itsDecimalCommasWereRead: 'Its decimal commas were read as points.',
  itsTimesRunFrom: (fileName: string, first: number, last: number, rate: string) =>
    `“${fileName}”: its times run from ${first} to ${last} s at ${rate} rows per second. Cut it to the attempt ` +
    'that is wanted.',
  itsTimesAreUnevenRows: (rows: number, frames: number, rate: string) =>
    `Its times are uneven: ${rows} rows for ${frames} frames at ${rate} per second; frames without a row count ` +
    'as missing.',
  samplesAreNotNumbersAndCount: (bad: number) => `${bad} samples are not numbers and count as missing.`,
  csvOfPoints: 'CSV of points',

  // trc
  doesNotBeginWithPath: (fileName: string) => `“${fileName}” does not begin with “PathFileType”.`,
  itsDataRateIsNumber: (field: string) => `its DataRate is ${field}; a number of frames per second should stand there.`,
  frameShouldStandAtStart: (header: string) => `“Frame#” should stand at the start of line 4, where ${header} does.`,
  namesNoMarkersInLine: (fileName: string) => `“${fileName}” names no markers in line 4.`,
  hasFramesOfMarkersCut: (fileName: string, rows: number, columns: number) =>
    `“${fileName}” has ${rows} frames of ${columns} markers. Cut it to the attempt that is wanted.`,
  fileSaysItHasFramesAndHas: (field: string, rows: number) =>
    `The file says it has ${field} frames and has ${rows}; all of those were read.`,
  fileSaysItHasMarkers: (field: string, columns: number) =>
    `The file says it has ${field} markers and names ${columns}.`,
  itsUnitOfLengthIsNot: (field: string) =>
    `Its unit of length, ${field}, is not known; give the performer’s height to scale it.`,

  // index
  itsRateOfSecondCannot: (rate: number, least: number, most: number) =>
    `its rate of ${rate} a second cannot be: ${least} to ${most} can. If its times are milliseconds, say so: ` +
    '“time [ms]”.',
  hasFramesAtMost: (fileName: string, count: number, frames: number) =>
    `“${fileName}” has ${count} frames; at most ${frames} are read. Cut it.`,
  samplesLieFartherOutThan: (beyond: number) =>
    `${beyond} samples lie farther out than anything can; they count as missing.`,
  isNoneOfFormats: (fileName: string, pointFormats: string) =>
    `“${fileName}” is none of the formats of points that are read: ${pointFormats}.`,
};
