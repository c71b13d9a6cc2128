/** What is said here, by the file that says it. */
export const TEXT = {
  // browser-features
  databaseIndexedDbNothingCould: 'a database (IndexedDB): nothing could be kept',
  webCodecsVideosCannot: 'WebCodecs: videos cannot be shown frame by frame',
  offscreenCanvasPicturesCannot: 'OffscreenCanvas: pictures cannot be prepared',
  webAssemblyWithSimdPoints: 'WebAssembly with SIMD: points cannot be detected',
  memoryGbOfLongClips: (memory: number, leastMemory: number) =>
    `memory (${memory} GB of ${leastMemory}): long clips may not open`,

  // worker-client
  workerStopped: 'the worker stopped',
  messageCouldNotBeRead: 'a message could not be read',
  workerEnded: 'the worker ended',
  noAnswerForS: (patience: number) => `no answer for ${patience} s`,
  stoppedNothingIsLostTry: (what: string, detail: string) => `${what} stopped (${detail}). Nothing is lost; try again.`,

  // frame-index
  webMMp4Mov: 'WebM, MP4, MOV or MKV',
  isEmptyBytesCopy: (name: string) => `${name} is empty (0 bytes). Copy it from the camera again.`,
  isNotVideoFile: (name: string, readable: string) =>
    `${name} is not a video file that can be read here. Choose a ${readable} file.`,
  hasSoundButNoPicture: (name: string) => `${name} has sound but no picture. Choose the video recording.`,
  describesNoPictureThatCan: (name: string) =>
    `${name} describes no picture that can be read here; the copy may be incomplete. Copy it from the camera ` +
    'again, or have it converted.',
  isCodedAsWhichThis: (name: string, codec: string) =>
    `${name} is coded as ${codec}, which this browser cannot decode. Convert it to H.264, VP9 or AV1 and choose ` +
    'that file.',
  holdsNoFrameFrom: (name: string, from: string, to: string) =>
    `${name} holds no frame from ${from} to ${to} s. Choose another part.`,
  holdsNoFrameCopy: (name: string) => `${name} holds no frame. Copy it from the camera again.`,
  listsFramesButItsData: (name: string, frames: number) =>
    `${name} lists ${frames} frames but its data ends earlier; the copy is incomplete. Copy it from the camera again.`,
  couldNotBeReadCopy: (name: string, detail: string) =>
    `${name} could not be read (${detail}). Copy it from the camera again, or convert it to WebM or MP4.`,
  saysItLastsSBut: (name: string, stated: string, lasts: string) =>
    `${name} says it lasts ${stated} s but its pictures end after ${lasts} s; the copy seems incomplete. What is ` +
    'there can be used; copy it from the camera again for the rest.',
  sBetweenFrames: (seconds: string, after: number, after2: number) =>
    `${seconds} s between frames ${after} and ${after2}`,
  framesAreMissingTheirTime: (where: string) => `Frames are missing: ${where}. Their time is kept.`,
  framesAreMissingInPlaces: (holes: number, where: string) =>
    `Frames are missing in ${holes} places, the longest ${where}. Their time is kept.`,
  keyFrameIsMissing: 'the key frame is missing',
  thereIsNoKeyFrame: 'there is no key frame',

  // frame-cache
  frameCouldNotBeDecoded: (i: number) =>
    `Frame ${i} could not be decoded: the clip is damaged there. Step past it, or copy the file from the camera again.`,
  thereIsNoFrameClip: (i: number, last: number) => `There is no frame ${i}; the clip has frames 0 to ${last}.`,
  frameIsNoLongerWanted: (i: number) => `Frame ${i} is no longer wanted.`,

  // clip-worker
  clipIsNotOpen: 'The clip is not open.',

  // clip-source
  readingClip: 'Reading the clip',
  decoderOfHadStopped: (video: string) =>
    `The decoder of “${video}” had stopped and was started again. Nothing is lost.`,
  smallPictures: 'Small pictures',

  // convert-clip
  wasNotConverted: (file: string, message: string) => `“${file}” was not converted. ${message}`,
  serverAnswered: (status: number) => `The server answered ${status}.`,
  serverNoLongerHasCopy: 'The server no longer has the copy. Begin it again.',
  convertingWasCancelledWhatWas: (file: string) => `Converting “${file}” was cancelled; what was there before is kept.`,
  connectionToServerBrokeOff: (detail: string) =>
    `The connection to the server broke off (${detail}). Is it still running?`,

  // picture-clip
  isNoPictureThatThis: (file: string) =>
    `“${file}” is no picture that this browser can show. Save it as PNG or JPEG and choose that file.`,
  noPictureWasChosen: 'No picture was chosen.',

  // observe-repeats
  lookingForRepeatedPictures: 'Looking for repeated pictures',

  // activity-worker
  thereIsNoPicture: 'There is no picture in the file that can be read here.',
  fileCouldNotBeRead: (detail: string) => `The file could not be read (${detail}). Choose the parts by eye.`,
  fileIsNotOpen: 'The file is not open.',

  // heard-worker
  fileHasNoSound: 'The file has no sound that can be heard here. Propose attempts by motion.',
  soundCouldNotBeRead: (detail: string) => `The sound could not be read (${detail}). Choose the parts by eye.`,

  // observe-activity
  lookingForAttempts: 'Looking for attempts',
  lookingForAttemptsWasCancelled: 'Looking for attempts was cancelled.',

  // microphone
  thisPageMayNotUse: 'This page may not use the microphone. Allow it beside the address of the page.',
  noMicrophoneCanBeOpened: (message: string) => `No microphone can be opened (${message}). Plug one in and try again.`,
  itSendsNothing: 'it sends nothing',

  // tracking-worker
  nothingIsBeingTracked: 'Nothing is being tracked.',

  // track-point
  trackingWasCancelledWhatWas: 'Tracking was cancelled; what was there before is kept.',

  // clip-sound
  readingSound: 'Reading the sound',
  comparingSounds: 'Comparing the sounds',

  // observe-shots
  lookingForCuts: 'Looking for cuts',
  lookingForCutsWasCancelled: 'Looking for cuts was cancelled; nothing was changed.',

  // observe-camera
  checkingCamera: 'Checking the camera',
  checkingCameraWasCancelledWhat: 'Checking the camera was cancelled; what was there before is kept.',

  // pose-worker
  pointDetectorCouldNot: (modelAddress: string, detail: string) =>
    `The point detector could not be loaded from ${modelAddress} (${detail}). Reload the page; if it stays, ` +
    'reinstall the application.',

  // detector-worker
  nobodyIsSeenInBox: (frame: number) =>
    `Nobody is seen in the box on frame ${frame}, and nothing was changed. Draw it closely round the whole person, ` +
    'where nobody stands before or behind.',
  detectingPointsWasCancelledWhat: 'Detecting points was cancelled; what was there before is kept.',
  pointDetector: 'The point detector',
};
