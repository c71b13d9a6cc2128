import type { FamilyWords } from './family-words';

export const BAR_LIFT: FamilyWords = {
  'bar-over-foot': {
    low: 'The bar stands close to the heel at the start',
    high: 'The bar stands far ahead of the foot at the start',
    why: 'A bar over the middle of the foot goes straight up; ahead of it, it pulls the lifter forward and loads the back.',
    cue: 'Bar over the laces',
    drills: [
      'Set up to a mark on the floor, and check it on the film',
      'Lift to the knee from the mark, light',
      'Full lift, the start filmed from the side',
    ],
  },
  'trunk-at-start': {
    low: 'The trunk is upright at the start',
    high: 'The trunk is tipped far forward at the start',
    why: 'The angle of the trunk shares the work between legs and back: too upright the bar must go round the knees, too flat the back lifts alone.',
    cue: 'Chest up, hips where they push',
    drills: [
      'Hold the start with the bar a hand above the floor',
      'Slow lift to the knee, trunk angle held',
      'Full lift at light load',
    ],
  },
  'back-held': {
    low: 'The trunk keeps its angle to the knee',
    high: 'The hips rise first and the trunk tips forward',
    why: 'Hips that rise first leave the bar to the lower back; hips and shoulders that rise together keep it with the legs.',
    cue: 'Hips and shoulders rise together',
    drills: [
      'Hold the bar just off the floor, three seconds',
      'Slow lift to the knee with a pause there',
      'Full lift at light load, trunk filmed from the side',
    ],
  },
  'arms-held': {
    low: 'The arms stay as they are through the pull',
    high: 'The arms bend before hips and knees are straight',
    why: 'Arms that bend early take over what the legs do better, and the bar loses its speed at the top.',
    cue: 'Arms are ropes',
    drills: [
      'Hang from the bar at the knee with long arms',
      'Pull to full extension and stop, arms long',
      'Full lift at light load',
    ],
  },
  'knee-at-extension': {
    low: 'The knees are not straight at the top of the pull',
    high: 'The knees are straighter at the top of the pull',
    why: 'What is left bent is drive that never reached the bar.',
    cue: 'Finish tall',
    drills: [
      'Hold full extension on the toes, without a bar',
      'Pull from the knee to full extension',
      'Full lift at light load, extension filmed',
    ],
  },
  'hip-at-extension': {
    low: 'The hips are not open at the top of the pull',
    high: 'The hips go through and the body leans back',
    why: 'Open hips send the bar up; hips pushed through send it forward in an arc.',
    cue: 'Stand up through the bar',
    drills: [
      'Hold full extension against a wall',
      'Pull from the knee, bar brushing the thigh',
      'Full lift at light load',
    ],
  },
  'bar-sideways': {
    low: 'The bar goes nearly straight',
    high: 'The bar swings away from its straight way',
    why: 'Every bit that the bar goes forward must be chased with the feet or held with the back.',
    cue: 'Keep it close',
    drills: [
      'Slow pull with the bar touching shin and thigh',
      'Pull with a stick standing in front of the bar',
      'Full lift, path drawn on the film',
    ],
  },
  'bar-top': {
    low: 'The bar does not rise as high',
    high: 'The bar is pulled higher',
    why: 'Height is the time that is left to get under the bar or to lock it; pulling higher than needed spends force on it.',
    cue: 'Up, then under',
    drills: [
      'Pull to a mark at the height of the reference',
      'Pull and drop under it, light',
      'Full lift, height read from the film',
    ],
  },
  'time-start-extension': {
    low: 'The pull is rushed off the floor',
    high: 'The pull is slow',
    why: 'A bar that is torn off the floor pulls the lifter out of position; one that is slow to the top arrives without speed.',
    cue: 'Slow off the floor, fast past the knee',
    drills: [
      'Lift to the knee in three counts',
      'Three counts to the knee, then fast',
      'Full lift at light load, the time read from the film',
    ],
  },
};
