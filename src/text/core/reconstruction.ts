/** What is said here, by the file that says it. */
export const TEXT = {
  // body
  upperArm: 'upper arm',
  hindFoot: 'hind foot',

  // reconstruct
  putSecondCameraAt: 'Put the second camera at 60 to 120 degrees from the first.',
  checkCommonInstantsLeft: 'Check the common instants, left and right, and the views of the clips.',
  correctViewOrExchangeLeft: 'Correct the view, or exchange left and right where they are exchanged.',
  detectPointsOfLimbs: 'Detect points of the limbs in both clips, and bring them together in time.',
  camerasLookDegreesApartWhich: (apart: string, farther: string) =>
    `The cameras look ${apart} degrees apart, which tells no depth. ${farther}`,
  pointsOfCamerasAreNot: (misfit: string, check: string) =>
    `The points of the cameras are not of one body at one time: they differ ${misfit} times as much as they may. ` +
    `${check}`,
  movementDoesNotTellHow: (farther: string) =>
    `The movement does not tell how the cameras stand to each other. ${farther} Let both see the whole body.`,
  kneesWouldBendWrongWay: (correct: string) =>
    `Knees would bend the wrong way: a camera stands on the other side of the body than its view says. ${correct}`,
  itWasCancelled: 'It was cancelled.',
  camerasShareJointsAndFrames: (ids: number, shared: number, leastJoints: number, detect: string) =>
    `The cameras share ${ids} joints and ${shared} frames; ${leastJoints} of each are the least. ${detect}`,
  onlyOfFramesShowJoints: (frames: number, shared: number, leastJoints: number, detect: string) =>
    `Only ${frames} of ${shared} frames show ${leastJoints} joints to two cameras. ${detect}`,
};
