import type { FamilyWords } from './family-words';

export const RIDER_OR_CREW: FamilyWords = {
  'trunk-at-begin': {
    low: 'The trunk is upright or leans back at the beginning',
    high: 'The trunk leans far forward at the beginning',
    why: 'The trunk at the beginning sets the reach and what is left to swing.',
    cue: 'Reach from the hips',
    drills: [
      'Hold the beginning on land or at a stand',
      'Slow action with a pause at the beginning',
      'Full action, filmed from the side',
    ],
  },
  'trunk-at-middle': {
    low: 'The trunk is upright or leans back in the middle',
    high: 'The trunk leans far forward in the middle',
    why: 'The trunk passes on what legs and seat give; early or late, it works against the craft or the animal.',
    cue: 'Swing with it',
    drills: [
      'Hold the middle position on land or at a stand',
      'Slow action, trunk filmed',
      'Full action, filmed from the side',
    ],
  },
  'hip-at-begin': {
    low: 'The hip is closed at the beginning',
    high: 'The hip is open at the beginning',
    why: 'The hip makes the reach; where it is tight the lower back bends in its place.',
    cue: 'Fold at the hip, back long',
    drills: [
      'Hold the beginning with a stick along the back',
      'Slow action with a pause at the beginning',
      'Full action, filmed from the side',
    ],
  },
  'knee-at-begin': {
    low: 'The knee is deeply bent at the beginning',
    high: 'The knee is nearly straight at the beginning',
    why: 'The knee sets what the legs have to give, or how they hold the seat.',
    cue: 'Legs ready',
    drills: [
      'Hold the beginning with the knee as in the reference',
      'Slow action with a pause at the beginning',
      'Full action, filmed from the side',
    ],
  },
  'elbow-at-middle': {
    low: 'The arm is bent more in the middle',
    high: 'The arm is straighter in the middle',
    why: 'Arms that bend early pull in place of legs and trunk; stiff ones pass every bump on.',
    cue: 'Soft hands, legs first',
    drills: [
      'Hold the middle position with the elbow as in the reference',
      'Slow action with long arms',
      'Full action, filmed from the side',
    ],
  },
  'shoulder-hip-heel': {
    low: 'Shoulder, hip and heel are nearly in line in the middle',
    high: 'Shoulder, hip and heel are off one line in the middle',
    why: 'One line balances without holding on; off it, hands or knees do the holding.',
    cue: 'Shoulder, hip, heel',
    drills: [
      'Hold the line at a stand, without the hands',
      'Slow action, line checked at each beginning',
      'Full action, filmed from the side',
    ],
  },
  pitch: {
    low: 'The craft or the animal stays level',
    high: 'The craft or the animal goes up and down at the front',
    why: 'Weight that is thrown forward and back is paid for with speed at every cycle.',
    cue: 'Keep it level',
    drills: [
      'Move the weight slowly and watch the front',
      'Easy speed with the front kept on the horizon',
      'Full action, front and back marked on the film',
    ],
  },
  'hand-sideways-of-craft': {
    low: 'The hand goes nearly straight along the craft',
    high: 'The hand goes off its straight way along the craft',
    why: 'A hand on a straight way keeps its tool at one depth, and the rein or the sheet at one tension.',
    cue: 'Level hands',
    drills: ['Draw the hands along a level string', 'Slow action along it', 'Full action, path drawn on the film'],
  },
  'time-begin-end': {
    low: 'The whole action is hurried',
    high: 'The whole action is slow',
    why: 'Rhythm is what a crew or a pair has in common; hurried or slow, the others wait or chase.',
    cue: 'Keep the beat',
    drills: [
      'Count the action aloud, on land or at a stand',
      'Easy speed to claps in the rhythm of the reference',
      'Full action, the time read from the film',
    ],
  },
};
