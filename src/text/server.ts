/** What is said here, by the file that says it. */
export const TEXT = {
  // bounded-upload
  nothingCame: 'nothing came',
  moreThanBytes: (bytes: number) => `more than ${bytes} bytes`,

  // conversions
  itIsInterlacedEach: 'It is interlaced: each of its fields is a picture now, so that there are twice as many.',
  noPlaceIsFree: 'no place is free',
  itHoldsNoPictureChoose: 'It holds no picture. Choose the video recording.',
  itIsNotVideoFile: 'It is not a video file that can be converted. Copy it from the camera again.',
  itTookTooLong: 'It took too long to convert. Cut the part that you need and choose that.',
  exitCode: (code: string) => `exit code ${code}`,
  itCouldNotBeConverted: (line: string) => `It could not be converted (${line}). Copy it from the camera again.`,

  // same-site
  onlyApplicationItselfMay: (what: string) => `Only the application itself may ${what}.`,

  // conversion-routes
  convertClips: 'convert clips',
  thisMachineHasNoFfmpeg:
    'This machine has no ffmpeg. Install it with “apt install ffmpeg” and try again, or choose an H.264, VP9 or ' +
    'AV1 clip.',
  isNotVideoChooseVideo: (type: string) => `“${type}” is not a video. Choose a video file.`,
  clipHasGbAtMost: (length: string, bytes: string) =>
    `The clip has ${length} GB; at most ${bytes} GB can be converted. Cut the part that you need.`,
  clipsAreBeingConvertedAlready: (atOnce: number) =>
    `${atOnce} clips are being converted already. Wait for one to end.`,
  nothingCameForSTry: (silence: number) => `Nothing came for ${silence} s. Try again.`,
  clipHasMoreThanGb: (bytes: string) => `The clip has more than ${bytes} GB. Cut the part that you need.`,
  uploadBrokeOffTryAgain: 'The upload broke off. Try again.',
  thereIsNoSuchConversion: 'There is no such conversion any more. Begin it again.',
  thereIsNoConvertedClip: 'There is no converted clip here. Begin it again.',

  // paper-routes
  makePapers: 'make papers',
  thisMachineHasNoChromium:
    'This machine has no Chromium for the server. Install it with “apt install chromium” and try again, or use ' +
    'Print and choose “Save as PDF” there.',
  isNotHtmlDocument: (header: string) => `“${header}” is not an HTML document.`,
  isNotDayGiveOne: (on: string) => `“${on}” is not a day; give one as in 2026-03-14.`,
  papersAreBeingMadeAlready: (atOnce: number) => `${atOnce} papers are being made already. Wait for one to end.`,
  itTookMoreThanS: (time: number) => `It took more than ${time} s. Leave parts of the report out, or use Print.`,
  chromiumDidNotPrint: 'Chromium did not print it. Use Print and choose “Save as PDF” there.',
  reportHasMoreThanMb: (bytes: number) => `The report has more than ${bytes} MB. Leave its pictures out, or use Print.`,
  reportDidNotArriveWhole: 'The report did not arrive whole. Try again.',

  // app
  openHttpInstead: (home: string) => `Open http://${home}/ instead.`,
  onlyApplicationItselfMayAsk: 'Only the application itself may ask this server.',
  notFound: 'Not found',
  serverCouldNotAnswerThis: 'The server could not answer this.',

  // main
  isNotPortGiveNumber: (option: string) => `“${option}” is not a port; give a number from 0 to 65535.`,
  applicationIsNotBuiltYet: 'The application is not built yet; start it with "npm run demo".',
  proudFalconIsRunningOpen: (port: number, option: string) =>
    `Proud Falcon is running. Open http://127.0.0.1:${port}${option} in a browser.`,
  portIsTakenIsApplication: (port: number) =>
    `Port ${port} is taken. Is the application running already? Then open http://127.0.0.1:${port}/. Sessions ` +
    'are kept by address: with another PORT none of them would be seen.',
};
