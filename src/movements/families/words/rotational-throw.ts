import type { FamilyWords } from './family-words';

export const ROTATIONAL_THROW: FamilyWords = {
  'pivot-knee': {
    low: 'The pivoting leg is deeply bent as the foot lands',
    high: 'The pivoting leg is straight as the foot lands',
    why: 'The pivoting leg turns the body and drives it on; straight it cannot push, too deep it stops the turn.',
    cue: 'Sit into the turn',
    drills: [
      'Balance on the pivoting foot with the knee as in the reference',
      'Quarter turns on it, knee held',
      'Full turn without the implement, then with it',
    ],
  },
  'front-knee': {
    low: 'The bracing leg gives way at release',
    high: 'The bracing leg is straighter at release',
    why: 'The bracing leg stops that side of the body so that the other can whip round it and the implement is lifted.',
    cue: 'Brace and lift',
    drills: [
      'Hold the delivery stance on a firm bracing leg',
      'Standing throw, bracing leg filmed',
      'Full throw at reduced effort',
    ],
  },
  'trunk-at-second-foot-down': {
    low: 'The trunk leans away from the throw as the second foot lands',
    high: 'The trunk is already over the bracing leg as the second foot lands',
    why: 'Weight over the back leg at this moment is the way that is left to drive; gone forward, the delivery is the arm alone.',
    cue: 'Stay back over the back leg',
    drills: [
      'Hold the delivery stance, chest over the back knee',
      'Half turn into the stance, and stop there',
      'Full turn, stance filmed',
    ],
  },
  'trunk-at-release': {
    low: 'The trunk falls back at release',
    high: 'The trunk bends forward over the bracing leg at release',
    why: 'A tall trunk at release gives height and a long radius; a bent one pulls the implement down.',
    cue: 'Tall at release',
    drills: [
      'Hold the position of release against a wall',
      'Standing throw, finished tall',
      'Full throw, release filmed from the side',
    ],
  },
  'shoulder-turn': {
    low: 'The shoulders turn through less from the start to release',
    high: 'The shoulders turn through more from the start to release',
    why: 'The way through which the implement is turned is the way on which it gains speed.',
    cue: 'Turn it all the way',
    drills: [
      'Turn slowly to each quarter and stop',
      'Full turn with a light implement',
      'Full throw, turn read from the film',
    ],
  },
  separation: {
    low: 'The shoulders are square to the hips as the second foot lands',
    high: 'The shoulders are wound far back against the hips as the second foot lands',
    why: 'Shoulders that lag behind the hips stretch the trunk, and the stretch comes back as speed; wound too far, the lower back pays.',
    cue: 'Hips first, shoulders wait',
    drills: [
      'Hold the delivery stance with hips open and shoulders closed',
      'Half turn into it, shoulders held back by a stick across them',
      'Full turn at reduced effort',
    ],
  },
  'implement-path': {
    low: 'The implement travels a short way in the delivery',
    high: 'The implement travels a long way in the delivery',
    why: 'Work is force along a way: the longer it is pushed or pulled, the faster it leaves, as long as the time stays short.',
    cue: 'Long arm, long way',
    drills: [
      'Trace the path slowly with the implement held',
      'Standing throw with the longest path',
      'Full throw, path drawn on the film',
    ],
  },
  'time-first-foot-down-second-foot-down': {
    low: 'The second foot comes down very soon after the first',
    high: 'The second foot comes down late after the first',
    why: 'While only one foot is down the body cannot drive the implement; the longer that lasts, the more of the turn is lost.',
    cue: 'Down, down: quick feet',
    drills: [
      'Jump turns into the stance, both feet in quick order',
      'Half turns to claps in the rhythm of the reference',
      'Full turn, the time read from the film',
    ],
  },
  'time-second-foot-down-release': {
    low: 'The delivery is rushed',
    high: 'The delivery is slow',
    why: 'The delivery is where most of the speed is made: rushed, legs and trunk do not arrive; slow, the turn runs out.',
    cue: 'Land and hit',
    drills: [
      'Hold the delivery stance, then throw on a clap',
      'Half turn and throw without a pause',
      'Full throw, the time read from the film',
    ],
  },
  'release-direction': {
    low: 'The implement leaves too flat',
    high: 'The implement leaves too steep',
    why: 'Height and direction at release and the speed of the implement are all that its flight is made of.',
    cue: 'Lift through the throw',
    drills: [
      'Standing throws over a rope at the height of the reference',
      'Throws with one turn over the rope',
      'Full throw at reduced effort, direction read from the film',
    ],
  },
};
