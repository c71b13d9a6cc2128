/** What is said here, by the file that says it. */
export const TEXT = {
  // key-events
  momentIsNotMarked: (moment: string) => `The moment ${moment} is not marked`,
  markItInThisClip: 'Mark it in this clip.',
  isMarkedBefore: (to: string, from: string) => `${to} is marked before ${from}`,
  markThemInTheirOrder: 'Mark them in their order.',
  momentIsOnlyGuessSure: (id: string, sure: number) => `The moment ${id} is only a guess (${sure} % sure)`,
  confirmItAtMoments: 'Confirm it at Moments, or mark it where it is.',

  // camera-refusal
  filmItWithCamera: 'Film it with a camera that stands still, or measure what does not depend on it.',
  makeClipsOfItsShots: 'Make clips of its shots at Match.',
  filmIsCutBeforeFrame: (cut: number) => `The film is cut before frame ${cut}, between its moments`,
  filmIsCutBeforeFrameWhat: (cut: number) =>
    `The film is cut before frame ${cut}: what is seen in one shot lies elsewhere in the next`,
  whetherCameraMovesCannot: 'Whether the camera moves cannot be told: nothing gives a hold',
  cameraGoesAlongFeetSlide:
    'The camera goes along: the feet slide over the ground even where the background is made to stand still',
  cameraMoves: (cameraWords: string) => `The camera moves: it ${cameraWords}`,

  // rate-refusal
  captureRateIsNotKnown: (unknown: number, unknown2: number) =>
    `The capture rate is not known from frame ${unknown} to ${unknown2}`,
  sayItAtMatch: 'Say it at Match, or measure what does not depend on time.',

  // too-small
  performerIsOnlyPixelsTall: (bodyHeight: number) =>
    `The performer is only ${bodyHeight} pixels tall, too small for detected points`,
  filmNearerZoomIn: (leastHeightPixels: number) =>
    `Film nearer, zoom in or use more lines, so that it is ${leastHeightPixels} at least; or place the points by hand.`,

  // phase
  isKnownOnOfPhase: (what: string, knownShare: number) => `${what} is known on ${knownShare} % of the phase`,
  detectPointsOrPlaceMissing: 'Detect points, or place the missing ones by hand.',

  // view-by-ground
  noRectangleMarked: 'The camera’s direction is told by a rectangle on the ground. Mark one at Match.',
  rectangleOfMovingCamera: 'The camera moves: the rectangle tells its direction in one frame only. State it.',
  rectangleDoesNotFit:
    'No camera sees a rectangle of these sides so. Check that its corners were pressed one after the other, and both sides.',

  // view-estimate
  camerasDirectionCanBeTold:
    'The camera’s direction can be told from the body in a view from the side only. State it at Intake.',
  bothShouldersOrBothHips: (leastFrames: number) =>
    `Both shoulders or both hips must be known on ${leastFrames} frames. Detect points first.`,
  bodyLooksAsIf:
    'The body looks as if it was not filmed from the side at all. Check the view and the way of travel at Intake.',
};
