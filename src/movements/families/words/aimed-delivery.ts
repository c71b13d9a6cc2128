import type { FamilyWords } from './family-words';

export const AIMED_DELIVERY: FamilyWords = {
  'shoulder-tilt': {
    low: 'The shoulder line is tilted down towards the front at release',
    high: 'The shoulder line is tilted up towards the front at release',
    why: 'The shoulder line carries the arm: tilted otherwise, the delivery leaves on another line at the same effort.',
    cue: 'Level shoulders',
    drills: [
      'Hold the position of release with a stick across the shoulders',
      'Slow delivery to release, and stop there',
      'Full delivery at a mark, shoulders filmed',
    ],
  },
  'trunk-at-set': {
    low: 'The trunk stands back at the set',
    high: 'The trunk leans forward at the set',
    why: 'A set that is the same each time is what the rest is repeated from.',
    cue: 'Same set every time',
    drills: [
      'Take the set ten times with the eyes closed, and check it',
      'Set, breathe, slow delivery',
      'Full delivery, set filmed from the side',
    ],
  },
  'trunk-at-release': {
    low: 'The trunk leans back at release',
    high: 'The trunk falls forward at release',
    why: 'A trunk that moves at release moves the line with it.',
    cue: 'Still until it is gone',
    drills: [
      'Hold the position of release, three seconds',
      'Slow delivery, trunk held until after release',
      'Full delivery at a mark, trunk filmed from the side',
    ],
  },
  'elbow-at-top': {
    low: 'The arm is bent more at the top',
    high: 'The arm is straighter at the top',
    why: 'The top is where the arm turns round: the same angle there gives the same way down.',
    cue: 'Same top every time',
    drills: [
      'Hold the top with the elbow as in the reference',
      'Slow to the top, and stop there',
      'Full delivery, top filmed from the side',
    ],
  },
  'elbow-at-release': {
    low: 'The arm is bent more at release',
    high: 'The arm is straighter at release',
    why: 'The arm at release sets line and height together.',
    cue: 'Finish the arm',
    drills: [
      'Hold the position of release with the elbow as in the reference',
      'Slow delivery to release, and stop there',
      'Full delivery at a mark, release filmed',
    ],
  },
  'head-steady': {
    low: 'The head is very still',
    high: 'The head moves about between set and release',
    why: 'Aim is taken with the eyes: a head that moves changes the line after it was taken.',
    cue: 'Quiet head, quiet eyes',
    drills: [
      'Set, and hold the eyes on the smallest part of the target, three seconds',
      'Slow delivery with the eyes held to the end',
      'Full delivery at a mark, head filmed from the front',
    ],
  },
  'hand-straight': {
    low: 'The hand goes round on its way to release',
    high: 'The hand goes straighter to release',
    why: 'A hand on a straight way forgives a release that is a little early or late; on a curve the line goes with it.',
    cue: 'Through the line',
    drills: [
      'Trace the line slowly along a string',
      'Slow delivery along the string',
      'Full delivery at a mark, path drawn on the film',
    ],
  },
  'release-height': {
    low: 'The release is low',
    high: 'The release is high',
    why: 'The height of release sets the angle that the target asks for.',
    cue: 'Let go at the mark',
    drills: [
      'Hold the position of release at the height of the reference',
      'Slow delivery to the height, and stop there',
      'Full delivery at a mark, height read from the film',
    ],
  },
  'time-top-release': {
    low: 'From the top to release is hurried',
    high: 'From the top to release is slow',
    why: 'An even rhythm is what is left to repeat when it matters; hurried or slow, the parts come at other times.',
    cue: 'Same beat every time',
    drills: [
      'Count it aloud, without the implement',
      'Slow delivery to claps in the rhythm of the reference',
      'Full delivery, the time read from the film',
    ],
  },
  'release-direction': {
    low: 'It leaves too flat',
    high: 'It leaves too steep',
    why: 'With the speed that it has, the direction at release decides where it comes down.',
    cue: 'Same window every time',
    drills: [
      'Release through a hoop or between two marks, close by',
      'Slow delivery through the marks',
      'Full delivery, direction read from the film',
    ],
  },
};
