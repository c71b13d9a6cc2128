/** What is said here, by the file that says it. */
export const TEXT = {
  // camera-motion-use-cases
  checkingCameraName: (name: string) => `Checking the camera: ${name}`,
  offOfBodyHeightFrom: (off: string) => `, ±${off} % of body height from end to end`,
  cameraWordsAndFilmIs: (cameraWords: string) => `${cameraWords}, and the film is cut before frame `,
  cameraWordsAndFilmIsCut: (cameraWords: string) => `${cameraWords}, and the film is cut before frames `,
  lengthsPathsAndHeightsAre:
    'Lengths, paths and heights are not measured over several shots; angles and times within one are. “Look for ' +
    'cuts” at Match makes clips of them.',
  itsMotionIsTakenOut: (driftText: string) =>
    'Its motion is taken out of the points by the background: paths, heights and contacts are measured over the ' +
    `ground${driftText}.`,
  itGoesAlongWithPerformer:
    'It moves with the performer, and no background tells how: paths, heights and contacts on the ground are not ' +
    'measured; angles and lengths are.',
  pathsSpeedsHeightsAndContacts:
    'Paths, speeds, heights and contacts on the ground are not measured in it; angles between parts of the body are.',

  // clip-sounds
  silentHasNoSoundThat: (silent: string) =>
    `“${silent}” has no sound that runs with its pictures. Join them by an instant.`,
  messageNothingWasJoinedJoin: (message: string) => `${message}. Nothing was joined; join them by an instant.`,
  whatBothHeardLiesOutside: 'What both heard lies outside of what both filmed. Nothing was joined.',
  joinedBySoundToLess: 'Joined by the sound, to less than 1 ms of what was heard. ',
  travelTimeIsTakenOff: 'The time that the sound travels is taken off; a metre more or less is 2.9 ms.',
  distancesToSoundAreNotKnown:
    'The distances to the sound are not known: a metre more for one is 2.9 ms. State them to have its travel time ' +
    'taken off.',
  soundIsHeardFromHalf: 'Sound is heard from half to double speed: choose one of them.',
  nothingStandsOutInSound: (nearby: number) =>
    `Nothing stands out in the sound within ${nearby} s of this frame. Mark the moment by eye.`,
  setOnSoundDecibelsD: (decibels: number) => `Set on a sound ${decibels} dB above what was heard before it`,
  itCame29Ms: '; it came 2.9 ms earlier for each metre to the microphone.',

  // clip-use-cases
  waitsForServerWhichDoes: 'waits for the server, which does not answer: start it with "npm run demo"',
  convertingName: (name: string) => `Converting ${name}`,
  withoutConsentFootageOfName: (name: string) =>
    `Without consent the footage of ${name} must not be analysed. Ask first, then tick the box.`,

  // shots
  lookingForCutsInName: (name: string) => `Looking for cuts in ${name}`,

  // work-copy
  workCopiesAreMadeBy:
    'Work copies are made by the server with ffmpeg, which is not installed there. Install it (on Debian: apt-get ' +
    'install ffmpeg) and start the application again; the clip works without.',
  markIsInEnoughFrames: (most: number) =>
    `A mark is pressed in at most ${most} frames; forget it, or press another one.`,
  workCopyOfFileName: (fileName: string) => `Work copy of ${fileName}`,
  workCopyHasOtherFrames: (fileName: string, found: number, count: number) =>
    `The work copy of “${fileName}” does not have the same frames (${found} of ${count}); the original stays in use.`,
} as const;
