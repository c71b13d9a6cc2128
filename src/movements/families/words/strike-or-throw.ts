import type { FamilyWords } from './family-words';

export const STRIKE_OR_THROW: FamilyWords = {
  'front-knee-at-front-foot-down': {
    low: 'The front leg lands bent',
    high: 'The front leg lands locked straight',
    why: 'The front leg stops the hips so that trunk and arm can go on; one that lands bent gives way, one that is locked jars the knee.',
    cue: 'Land tall, with a soft knee',
    drills: [
      'Hold the landing position on the front leg, three seconds',
      'Step into it from one step, and stop there',
      'Full action at half effort, landing filmed from the side',
    ],
  },
  stride: {
    low: 'The stride is short',
    high: 'The stride is so long that the body stays behind it',
    why: 'The stride sets how far the body can be driven before contact; too long, and the weight never comes over the front leg.',
    cue: 'Step to the mark',
    drills: [
      'Stand in the stride of the reference, laid out with two marks',
      'Walk into the marks without the implement',
      'Full action from the marks',
    ],
  },
  'trunk-at-front-foot-down': {
    low: 'The trunk leans back, away from the target, as the foot lands',
    high: 'The trunk is already over the front foot as it lands',
    why: 'A trunk that has gone forward before the foot is down has nothing left to add; one that stays far back comes late.',
    cue: 'Stay behind the foot until it is down',
    drills: [
      'Hold the landing position with the head halfway between the feet',
      'Slow step, landing first, then the trunk',
      'Full action, the landing filmed from the side',
    ],
  },
  'front-knee-at-contact': {
    low: 'The front knee gives way by contact or release',
    high: 'The front knee is locked at contact or release',
    why: 'A knee that straightens, or at least holds, turns the run or the step into speed of the arm; one that sinks swallows it.',
    cue: 'Push the ground away',
    drills: [
      'Hold the position of contact on a firm front leg',
      'Step up onto a low box and straighten the leg as the arm comes',
      'Full action at half effort, front leg firm at contact',
    ],
  },
  'elbow-at-contact': {
    low: 'The arm is bent at contact or release',
    high: 'The arm is straighter at contact or release',
    why: 'The length of the arm is the lever of the last part; a bent arm shortens it, one that is straight too early is slow to bring round.',
    cue: 'Reach through it',
    drills: [
      'Hold the position of contact against a wall or a net',
      'Slow swing or throw, stopped at contact',
      'Full action, contact filmed from the side',
    ],
  },
  'trunk-at-contact': {
    low: 'The trunk is upright or leans back at contact or release',
    high: 'The trunk has fallen far forward at contact or release',
    why: 'The trunk carries the shoulder forward into contact; short of it speed is missing, beyond it the arm drags behind.',
    cue: 'Chest through, then the arm',
    drills: [
      'Hold the position of contact with the chest over the front foot',
      'Slow action from the front foot only',
      'Full action, trunk filmed from the side',
    ],
  },
  'hand-height-at-contact': {
    low: 'The hand is low at contact or release',
    high: 'The hand is high at contact or release',
    why: 'Height of the hand sets the angle at which the ball or implement leaves, and with it distance and bounce.',
    cue: 'Up and over',
    drills: [
      'Touch a mark at the height of the reference',
      'Slow action to the mark',
      'Full action, height read from the film',
    ],
  },
  'hips-before-shoulders': {
    low: 'The arm goes together with the trunk, or before it',
    high: 'The arm waits long after the trunk',
    why: 'Speed passes from the larger part to the smaller: the trunk slows down as the arm speeds up. Together they only add what the arm has alone.',
    cue: 'Trunk first, arm last',
    drills: [
      'Turn the trunk with the arm held back by a band or a partner',
      'Slow action with a pause between trunk and arm',
      'Full action at half effort, then faster as the order holds',
    ],
  },
  sequence: {
    low: 'Leg, trunk and arm do not come one after the other',
    high: 'Leg, trunk and arm do not come one after the other',
    why: 'Each part reaches its peak as the one before it slows down; out of order, the next part begins from nothing.',
    cue: 'Ground up: leg, trunk, arm',
    drills: [
      'Step, stop; turn, stop; arm, stop: counted aloud',
      'The same without the stops, slowly',
      'Full action, the order read from the film',
    ],
  },
  'head-steady': {
    low: 'The head is very still',
    high: 'The head moves about between landing and contact',
    why: 'Eyes that move make the aim a guess, and a head that falls away takes the trunk with it.',
    cue: 'Quiet head',
    drills: [
      'Hold the landing position and watch one spot',
      'Slow action with the eyes on the spot to the end',
      'Full action, path of the head filmed from the front',
    ],
  },
  'time-wind-up-contact': {
    low: 'The action is hurried from the wind-up to contact',
    high: 'The action is slow from the wind-up to contact',
    why: 'Hurried, the parts run into each other; slow, the stretch that the wind-up made is lost.',
    cue: 'Slow back, quick through',
    drills: [
      'Wind up and hold, then go on a clap',
      'Half speed to claps in the rhythm of the reference',
      'Full speed, the time read from the film',
    ],
  },
  'hand-direction': {
    low: 'The hand goes flatter, or down, at contact or release',
    high: 'The hand goes up more at contact or release',
    why: 'What the hand does then is what the ball or the implement takes with it.',
    cue: 'Through the target',
    drills: [
      'Trace the last part of the way slowly along a string',
      'Half speed along the string',
      'Full effort at a target, direction read from the film',
    ],
  },
  'swing-plane': {
    low: 'The arm swings flatter',
    high: 'The arm swings steeper',
    why: 'The plane of the swing says from where the hand comes to the ball or the target, and how the shoulder is loaded.',
    cue: 'Along the slope',
    drills: [
      'Trace a sloping string slowly with the hand, there and back',
      'Half speed along the string, filmed from two sides',
      'Full effort, the plane read from both cameras',
    ],
  },
};
