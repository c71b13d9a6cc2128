import type { FamilyWords } from './family-words';

export const GATE_COURSE: FamilyWords = {
  'gate-distance': {
    low: 'The hips pass close to the gate',
    high: 'The hips pass far from the gate',
    why: 'Each bit of distance at the gate is made twice, before it and after it.',
    cue: 'Shave the gate',
    drills: [
      'Walk the line with a mark at the distance of the reference',
      'Easy speed past a soft gate',
      'Full speed, distance read from the film',
    ],
  },
  lean: {
    low: 'The body leans little into the turn',
    high: 'The body leans far into the turn',
    why: 'The lean must fit speed and radius: too little carries the turn wide, too much lets the grip go.',
    cue: 'Fall into the turn',
    drills: [
      'Hold the lean against a wall or a rope',
      'Wide turns at easy speed with the lean held',
      'Full speed through one gate, filmed from the front',
    ],
  },
  line: {
    low: 'The line through the turn is rounder',
    high: 'The line through the turn is straighter',
    why: 'A straighter line is shorter; one that is too straight has its whole turn at the gate.',
    cue: 'Early in, straight out',
    drills: [
      'Walk the line of the reference, marked with cones',
      'Easy speed between the cones',
      'Full speed, line drawn on the film',
    ],
  },
  'outer-knee': {
    low: 'The outer knee is deeply bent at the gate',
    high: 'The outer knee is nearly straight at the gate',
    why: 'The outer leg carries the turn: long it holds the load, too bent it tires and sinks.',
    cue: 'Long outer leg',
    drills: [
      'Hold the position at the gate on the outer leg',
      'Wide turns at easy speed',
      'Full speed through one gate, filmed',
    ],
  },
  'inner-knee': {
    low: 'The inner knee is deeply bent at the gate',
    high: 'The inner knee is nearly straight at the gate',
    why: 'The inner leg makes room for the lean; one that stays long holds the body up and out of the turn.',
    cue: 'Make room with the inner leg',
    drills: [
      'Hold the position at the gate, inner knee as in the reference',
      'Wide turns at easy speed',
      'Full speed through one gate, filmed',
    ],
  },
  'time-entry-gate': {
    low: 'From the entry to the gate is quick',
    high: 'From the entry to the gate takes long',
    why: 'Time lost before the gate is steering that began too late or too hard.',
    cue: 'Begin the turn early',
    drills: [
      'Walk it, saying aloud where the turn begins',
      'Easy speed with a mark where it begins',
      'Full speed, the time read from the film',
    ],
  },
  'time-gate-exit': {
    low: 'From the gate to the exit is quick',
    high: 'From the gate to the exit takes long',
    why: 'Time lost after the gate is speed that was scrubbed off in the turn, and goes on into the next one.',
    cue: 'Let it run',
    drills: [
      'Walk it, eyes on the next gate as the hips pass this one',
      'Easy speed, straight out of the turn',
      'Full speed, the time read from the film',
    ],
  },
};
