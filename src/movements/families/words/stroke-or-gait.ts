import type { FamilyWords } from './family-words';

export const STROKE_OR_GAIT: FamilyWords = {
  'knee-at-begin': {
    low: 'The knee is bent at contact or at the catch',
    high: 'The knee is straighter at contact or at the catch',
    why: 'The knee at the beginning sets how the load is taken: locked it jars, too bent it sinks.',
    cue: 'Ready knee',
    drills: [
      'Hold the position of contact beside a mirror',
      'Slow cycles with a pause at contact',
      'Full rhythm, contact filmed from the side',
    ],
  },
  'hip-at-begin': {
    low: 'The hip is closed at contact or at the catch',
    high: 'The hip is open at contact or at the catch',
    why: 'The hip sets the reach: closed too far the trunk must make room, too open part of the way is given away.',
    cue: 'Reach from the hip',
    drills: [
      'Hold the position of contact with the hip as in the reference',
      'Slow cycles with a pause at contact',
      'Full rhythm, filmed from the side',
    ],
  },
  'trunk-at-middle': {
    low: 'The trunk is upright or leans back in the middle of the cycle',
    high: 'The trunk leans far forward in the middle of the cycle',
    why: 'A trunk that holds its angle passes on what the limbs do; one that tips is carried by the back.',
    cue: 'Long and still',
    drills: [
      'Hold the middle position with a stick along the back',
      'Slow cycles with the trunk held',
      'Full rhythm, trunk filmed from the side',
    ],
  },
  'elbow-at-middle': {
    low: 'The arm is bent more in the middle of the cycle',
    high: 'The arm is straighter in the middle of the cycle',
    why: 'The angle of the elbow sets the lever of the pull or the period of the swing.',
    cue: 'Carry the elbow',
    drills: [
      'Hold the middle position with the elbow as in the reference',
      'Slow cycles of the arm alone',
      'Full rhythm, arm filmed from the side',
    ],
  },
  reach: {
    low: 'The foot is set down close under the hip',
    high: 'The foot is set down far ahead of the hip',
    why: 'What is set down ahead of the hip brakes until the body has passed over it.',
    cue: 'Down under you',
    drills: [
      'Step on the spot, foot under the hip',
      'Slow cycles over marks laid at the length of the reference',
      'Full rhythm, contact filmed from the side',
    ],
  },
  'knee-at-end': {
    low: 'The knee is still bent at the end of support or pull',
    high: 'The knee is straighter at the end of support or pull',
    why: 'What is still bent at the end is push that was not used; locked, the leg is late to come back.',
    cue: 'Push it to the end',
    drills: [
      'Hold the end position against a wall',
      'Slow cycles with a pause at the end',
      'Full rhythm, the end filmed from the side',
    ],
  },
  'cycle-rate': {
    low: 'The cycles are slow',
    high: 'The cycles are quick',
    why: 'Speed is length times rate: a rate that is far from the reference asks for a length that is as far from it.',
    cue: 'Find the beat',
    drills: [
      'On the spot to a metronome at the rate of the reference',
      'Easy speed to the metronome',
      'Full speed, the rate read from the film',
    ],
  },
  'support-share': {
    low: 'Support or pull is short within the cycle',
    high: 'Support or pull is long within the cycle',
    why: 'The share in which force is given shows whether the recovery hurries or the support drags.',
    cue: 'Quick off, patient back',
    drills: [
      'Slow cycles, counting support and recovery aloud',
      'Easy speed to claps in the rhythm of the reference',
      'Full speed, the share read from the film',
    ],
  },
};
