/** What is said here, by the file that says it. */
export const TEXT = {
  // planned-errors
  fromMOrTwiceFocal: (distance: number) => `from ${distance} m, or twice the focal length`,
  atFramesSecond: (rate: number) => `at ${rate} frames a second`,
  withLensAt: (metres: number) => `with the lens ${metres} m above the ground`,
  squareToMovement: 'square to the movement',
};
