/** What is said here, by the file that says it. */
export const TEXT = {
  // side
  thereIsNothingToCompare: 'There is nothing to compare with',
  addReferenceClipAtIntake: 'Add a reference clip at Intake, or choose another reference at Compare.',

  // exchanged-ends
  athleteAndReferenceFaceOpposite:
    'Athlete and reference face opposite ways here: a detector has likely taken left for right in one of them',
  lookAtBothPictures:
    'Look at both pictures of this moment. Where the sides are wrong, exchange left and right at Measure; where ' +
    'they are right, place these points by hand.',
};
