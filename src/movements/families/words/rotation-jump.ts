import type { FamilyWords } from './family-words';

export const ROTATION_JUMP: FamilyWords = {
  'knee-at-plant': {
    low: 'The knee is deeply bent at the plant',
    high: 'The knee is stiff at the plant',
    why: 'The knee loads the jump: stiff it jars and loses height, too deep it takes too long to come out of.',
    cue: 'Bend and go',
    drills: [
      'Hold the plant with the knee as in the reference',
      'Jump straight up from it, no turn',
      'Full jump, plant filmed from the side',
    ],
  },
  'turned-before': {
    low: 'The body leaves the ground square',
    high: 'The body has turned before it leaves the ground',
    why: 'A turn that is made on the ground does not count as one, and takes height and axis with it.',
    cue: 'Up first, then turn',
    drills: [
      'Jump straight up and land facing forward',
      'Quarter turns that begin in the air',
      'Full jump, take-off filmed from behind',
    ],
  },
  'trunk-at-take-off': {
    low: 'The trunk leans back at take-off',
    high: 'The trunk is bent forward at take-off',
    why: 'The axis of the jump is set as the ground is left; one that is tilted is tilted on landing, too.',
    cue: 'Chest up, straight up',
    drills: [
      'Hold the position of take-off on the toes, arms up',
      'Straight jumps with the trunk held',
      'Full jump, take-off filmed from the side',
    ],
  },
  'knee-at-take-off': {
    low: 'The leg is not straight at take-off',
    high: 'The leg is straighter at take-off',
    why: 'What is left bent is height that was not made.',
    cue: 'Push to the toes',
    drills: [
      'Hold full extension on the toes',
      'Straight jumps from a half squat',
      'Full jump, take-off filmed from the side',
    ],
  },
  'hips-at-take-off': {
    low: 'The hips face less far round at take-off',
    high: 'The hips face further round at take-off',
    why: 'Where the hips face at take-off is the part of the rotation that is not made in the air.',
    cue: 'Leave square',
    drills: [
      'Stand in the take-off position over a line',
      'Straight jumps from the line',
      'Full jump, filmed from behind',
    ],
  },
  'in-one-line': {
    low: 'Shoulder, hip and ankle are nearly in line at the top',
    high: 'The body is bent at the hip at the top',
    why: 'The closer to one line, the quicker the turn and the steadier its axis.',
    cue: 'Long and thin',
    drills: [
      'Lie on the back and hold one line, arms in',
      'Straight jumps in one line',
      'Full jump, the top filmed from the side',
    ],
  },
  flight: {
    low: 'The time in the air is short',
    high: 'The time in the air is long',
    why: 'Time in the air is what the rotation has; short of it the landing comes before the turn is done.',
    cue: 'Jump for height',
    drills: [
      'Straight jumps for height to a mark',
      'Half turns with the same height',
      'Full jump, the time read from the film',
    ],
  },
  rise: {
    low: 'The hips rise little',
    high: 'The hips rise high',
    why: 'Rise is time in the air: twice the time takes four times the rise.',
    cue: 'Up, not along',
    drills: [
      'Straight jumps for height to a mark',
      'Half turns with the same height',
      'Full jump, the rise read from the film',
    ],
  },
  'knee-at-landing': {
    low: 'The knees bend deeply on landing',
    high: 'The knees are stiff on landing',
    why: 'Knees that give way spread the load; stiff ones send it into knee and back.',
    cue: 'Land soft and quiet',
    drills: [
      'Hold the landing position, knees over the toes',
      'Drop from a low box and land without a sound',
      'Straight jumps, then the full jump, landing filmed',
    ],
  },
  'trunk-at-landing': {
    low: 'The trunk falls back on landing',
    high: 'The trunk falls forward on landing',
    why: 'A trunk that is over the feet can hold the landing and go on from it.',
    cue: 'Chest over the feet',
    drills: [
      'Hold the landing position with the arms out',
      'Drop from a low box into it',
      'Full jump, landing filmed from the side',
    ],
  },
  'hips-at-landing': {
    low: 'The hips are turned less far round on landing',
    high: 'The hips are turned past their place on landing',
    why: 'What is missing is turned on the ground, on a loaded knee; what is too much must be caught there.',
    cue: 'Open on time',
    drills: [
      'Jump turns to a line, stopped at it',
      'The same with the arms opened before landing',
      'Full jump, filmed from behind',
    ],
  },
  'take-off-direction': {
    low: 'The body leaves too flat',
    high: 'The body leaves too steep',
    why: 'The direction of the centre of mass at take-off shares the speed between height and length; it cannot be changed in the air.',
    cue: 'Up first, then turn',
    drills: [
      'Jump onto a box at the distance of the reference',
      'Jump over a low rope at the middle of the flight',
      'Full jump at reduced effort, direction read from the film',
    ],
  },
};
