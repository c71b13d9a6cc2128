/** What is said here, by the file that says it. */
export const TEXT = {
  // feet-slide
  itsFeetSlideAlongWhile:
    'its feet slide along while they should stand: the camera followed, or it is a treadmill. Heights, paths, ' +
    'speeds and contacts are not measured',

  // oddities
  itsPerformerStandsOnHead:
    'its performer stands on the head on most frames. If they did not, y grows the other way in it',
  itsPerformerLiesOnMost: 'its performer lies on most frames. If they did not, x and y are exchanged in it',
  rightHipLiesOnLeft:
    'the right hip lies on the left of where the feet point. Left and right are exchanged in it, or one axis is ' +
    'mirrored',
  fromBehind: 'from behind',
  fromFront: 'from the front',
  leftAndRightLie: (other: string) =>
    `left and right lie as seen ${other}. They are exchanged in it, or it was filmed ${other}`,
};
