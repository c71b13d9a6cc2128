import type { MovementDocument } from '../core/model/movement';
import { eventKey } from './event-key';
import { HURDLE_LOAD, HURDLE_RACES } from './hurdles';
import { like } from './like';

const TOUCH_DOWNS = Array.from({ length: HURDLE_RACES['women-100'].hurdles }, (_, i) => i + 1);
const touchDown = (n: number): string => `touch-down-${n}`;
const RACE_MOMENTS = [
  { id: 'gun', name: 'Start', hint: 'The flash of the gun, or the first movement.' },
  ...TOUCH_DOWNS.map((n) => ({
    id: touchDown(n),
    name: `Touch-down ${n}`,
    hint: `First frame in which the leading foot is on the ground behind hurdle ${n}.`,
  })),
  { id: 'finish', name: 'Finish', hint: 'The chest reaches the finish line.' },
];

/** What is said of the time between two moments of the race. */
function wordsOfPart(i: number, id: string): NonNullable<MovementDocument['measures'][number]['coaching']> {
  if (i === 0)
    return {
      seenLow: 'The first hurdle is reached quickly',
      seenHigh: 'The first hurdle is reached late',
      why: 'The steps to the first hurdle set the speed that the rhythm can hold.',
      cue: 'Drive, then run tall at it',
      drills: ['Starts over the steps to a mark', 'Starts to a low hurdle', 'Starts over two hurdles at full height'],
    };
  if (id === 'finish')
    return {
      seenLow: 'The run-in is quick',
      seenHigh: 'The run-in is slow',
      why: 'What was kept in the legs shows after the last hurdle, and the line is run through, not to.',
      cue: 'Off the hurdle and through the line',
      drills: [
        'Run-ins from a walk over the last hurdle',
        'Last two hurdles and the run-in',
        'Last four hurdles and the run-in',
      ],
    };
  return {
    seenLow: 'The rhythm is quick here',
    seenHigh: 'The rhythm breaks here',
    why: 'Three quick steps between hurdles carry the speed; where they become long or late, it is missing up to the finish.',
    cue: 'Quick three, attack',
    drills: [
      'Three-step rhythm over lines, to claps',
      'Low hurdles, set closer',
      'Hurdles at their distance up to this one, touch-downs read from the film',
    ],
  };
}

/** A whole hurdle race as a course with gates: the touch-downs behind the ten hurdles. */
export const hurdleRace: MovementDocument = {
  schemaVersion: 1,
  id: 'hurdle-race',
  name: 'Hurdle race, touch-downs',
  sport: 'Athletics',
  moments: RACE_MOMENTS.map((m, i) => ({ ...m, key: eventKey(i) })),
  phases: RACE_MOMENTS.slice(1).map((to, i) => ({
    from: RACE_MOMENTS[i]!.id,
    to: to.id,
    name: i === 0 ? 'To the first hurdle' : to.id === 'finish' ? 'Run-in' : `Hurdle ${i} to ${i + 1}`,
  })),
  measures: [
    ...RACE_MOMENTS.slice(1).map((m) => ({
      id: `split-${m.id}`,
      name: `${m.name}, split`,
      kind: 'split' as const,
      region: 'timing' as const,
      plane: 'any' as const,
      from: 'gun',
      to: m.id,
      importance: 0.3,
      cost: 'season' as const,
    })),
    ...RACE_MOMENTS.slice(1).map((to, i) => ({
      id: `part-${to.id}`,
      name: i === 0 ? 'To the first hurdle' : to.id === 'finish' ? 'Run-in' : `Rhythm, hurdle ${i} to ${i + 1}`,
      kind: 'duration' as const,
      region: 'timing' as const,
      plane: 'any' as const,
      from: RACE_MOMENTS[i]!.id,
      to: to.id,
      target: like(30),
      margin: 10,
      better: 'lower' as const,
      importance: 0.7,
      cost: 'season' as const,
      coaching: wordsOfPart(i, to.id),
    })),
  ],
  causes: TOUCH_DOWNS.slice(0, -1).map((n) => ({
    cause: `part-${touchDown(n)}`,
    effect: `part-${touchDown(n + 1)}`,
    causeSide: 'high' as const,
    effectSide: 'high' as const,
    share: 0.3,
    because: 'speed that is lost at a hurdle is missing up to the next one',
  })),
  cautions: [HURDLE_LOAD],
};
