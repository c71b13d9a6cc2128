import type { FamilyWords } from './family-words';

export const PARTNER_THROW: FamilyWords = {
  'knee-at-entry': {
    low: 'The knees are deeply bent at the entry',
    high: 'The knees are nearly straight at the entry',
    why: 'Bent knees bring the hips under the partner and are what lifts; straight ones leave the lift to the back.',
    cue: 'Sit under',
    drills: [
      'Hold the entry with bent knees, alone',
      'Slow entries with a partner who stands',
      'Entries at speed on a mat, without the throw',
    ],
  },
  'trunk-at-entry': {
    low: 'The trunk leans back at the entry',
    high: 'The trunk is bent far forward at the entry',
    why: 'An upright trunk keeps the partner close and the back straight under the load.',
    cue: 'Back straight, chest up',
    drills: [
      'Hold the entry with the back along a wall',
      'Slow entries with a partner who stands',
      'Entries at speed on a mat, without the throw',
    ],
  },
  'hips-below': {
    low: 'The hips stay deep below the partner\u2019s',
    high: 'The hips are not below the partner\u2019s',
    why: 'Hips below the partner\u2019s lift by straightening the legs; level with them the partner must be carried.',
    cue: 'Hips lower than theirs',
    drills: [
      'Hold the entry with the hips under a stick at the partner\u2019s height',
      'Slow entries with a partner who stands',
      'Lift and set down on a mat, a coach beside it',
    ],
  },
  bodies: {
    low: 'The two trunks lie close along each other at the lift',
    high: 'There is space between the two trunks at the lift',
    why: 'Closeness makes two bodies one that turns; space lets the partner step out and pulls on the arms.',
    cue: 'No daylight',
    drills: [
      'Hold the entry back to chest, without space',
      'Slow lifts with a towel held between the bodies',
      'Throws on a thick mat at reduced speed',
    ],
  },
  'trunk-at-lift': {
    low: 'The trunk is upright or leans back at the lift',
    high: 'The trunk is bent far forward at the lift',
    why: 'The trunk leads the throw forward once the partner is off the ground; before that it must not bend.',
    cue: 'Legs lift, then the trunk leads',
    drills: [
      'Lift a partner who stands, and set down again',
      'Slow lift with the trunk held until the feet are off',
      'Throws on a thick mat at reduced speed',
    ],
  },
  'turned-in': {
    low: 'The hips have turned in too little',
    high: 'The hips have turned in too far',
    why: 'Hips that are turned in face the way of the throw; short of it, the partner is pulled across.',
    cue: 'Turn your back to them',
    drills: [
      'Turn in on a line on the floor, feet on their marks',
      'Slow entries with a partner who stands',
      'Entries at speed on a mat, filmed from above or behind',
    ],
  },
  'time-entry-lift': {
    low: 'Entry and lift come almost at once',
    high: 'There is a pause between entry and lift',
    why: 'In a pause the partner settles their weight; without any, the entry is not finished when the lift begins.',
    cue: 'In and up',
    drills: [
      'Entry, count one, lift: with a partner who stands',
      'Entries to claps in the rhythm of the reference',
      'Throws on a thick mat, the time read from the film',
    ],
  },
};
