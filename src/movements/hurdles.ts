import type { MovementDocument } from '../core/model/movement';

/** Where the hurdles of both sprint races stand, metres. Published: World Athletics technical rules, hurdle races. */
export const HURDLE_RACES = {
  'women-100': { toFirst: 13, between: 8.5, toFinish: 10.5, hurdles: 10, height: 0.838, distance: 100 },
  'men-110': { toFirst: 13.72, between: 9.14, toFinish: 14.02, hurdles: 10, height: 1.067, distance: 110 },
} as const;

/** What every movement over hurdles says. */
export const HURDLE_LOAD: MovementDocument['cautions'][number] = {
  id: 'hurdle-load',
  always: true,
  text:
    'Hurdling loads hip flexors, hamstrings and the landing foot: change technique with few clearances at ' +
    'reduced height, and stop on pain.',
};
