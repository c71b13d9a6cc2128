/** What is said here, by the file that says it. */
export const TEXT = {
  // angles
  angle: 'The angle',
  interiorAngleAtBBetween: 'Interior angle at B between A and C: 180 is straight.',
  direction: 'The direction',
  directionOfToBAgainst:
    'Direction of A to B: against up or down, forward is positive; against forward, rising is positive.',
  angleBetweenLines: 'The angle between the lines',
  angleFromLineC:
    'Angle from the line C to D to the line A to B, from forward towards up positive (from above: towards the ' +
    'side away from the dominant one; from the front or behind: from the dominant side towards up).',
  whereItFaces: 'Where it faces',
  seenFromAboveWhereBody:
    'Seen from above: where a body faces, square to the line from its point A of the opposite side to B of the ' +
    'dominant side; 0 is forward, away from the dominant side positive (for a right-hander 9 o’clock is 90, 3 ' +
    'o’clock -90).',

  // relative-inertia
  relativeInertia: 'The relative inertia',
  momentOfInertiaOfLimb:
    'Moment of inertia of a limb about its first joint, against the same limb straight: 1 is straight, less ' +
    'swings easier (male segment table; the ratio hardly depends on it).',

  // lengths
  distance: 'The distance',
  straightDistanceBetweenAndB: 'Straight distance between A and B.',
  distanceOnGroundBetween:
    'Distance on the ground between A and B, which must lie on it, through the perspective of a rectangle marked ' +
    'there.',
  offset: 'The offset',
  howFarLiesBeyondB:
    'How far A lies beyond B along an axis: ahead is positive along forward, above along up; of the level ' +
    'picture, or of a line that turns along (forward from its first point to its second, up to the left of it).',
  height: 'The height',
  heightOfAboveGroundWhich: 'Height of A above the ground, which is where the feet stand lowest in the clip.',
  box: 'The box',
  widthOrHeightOfBox: 'Width or height of the box round the points.',
  line: 'The line',
  largestDistanceOfPoint:
    'Largest distance of a point from the best line through all of them, as a share of their extent along it: 0 ' +
    'is one line.',

  // on-axes
  position: 'The position',
  whereLiesOnAxes:
    'Where the point lies on axes fixed to three points that move along (a craft, an animal, a barrel, the trunk), ' +
    'from the first: ahead towards the second, up square to that towards the third, right square to both; in space.',
  directionOnAxes:
    'Direction of A to B on axes fixed to three points that move along: azimuth from ahead to the right positive, ' +
    'elevation upwards positive; in space.',

  // scale
  noLengthInMetres: 'No length in metres is known in this clip',
  drawKnownLengthAtMatch: 'Draw a known length at Match, or keep the standing height in the performer’s record.',
  cameraMovesAndInWhich: 'The camera moves, and in which of its pictures the known length was drawn is not kept',
  drawItAgainAtMatch: 'Draw it again at Match.',
  performersHeightInPicture: 'The performer’s height in the picture is not known',
  detectPointsOrPlaceShoulder: 'Detect points, or place shoulder, hip, knee and ankle on one frame.',

  // read
  itMayBeAny: 'it may be any',
  pointsLieTooCloseTogether: (by: string) => `The points lie too close together, or are too unsure, to give it (${by})`,
  correctThemByHand: 'Correct them by hand, or film closer.',
  noRectangleOnGround: 'No rectangle on the ground is marked in this clip',
  markOneAtMatch: 'Mark one at Match, and say how large it is.',
  cameraMovesAndInWhichOf: 'The camera moves, and in which of its pictures the rectangle was marked is not kept',
  markItAgainAtMatch: 'Mark it again at Match.',
  noAtFrame: (refName: string, frame: number) => `No ${refName} at frame ${frame}`,
  detectPointsOrPlace: 'Detect points, or place it by hand.',
  twoOfItsPointsLie: 'Two of its points lie on each other',
  placeThemApartByHand: 'Place them apart by hand.',
};
