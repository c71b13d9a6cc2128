import { interiorAngle, segmentAngle, wrapAngle } from '../geometry/angle';
import { subtract, type Vec2 } from '../geometry/vec2';
import { angleBetween, minus } from '../geometry/vec3';
import { ANGLE, PLAIN } from '../model/words';
import type { KindOfQuantity } from './quantity';

export const jointAngleQuantity: KindOfQuantity<'joint-angle'> = {
  type: 'joint-angle',
  picture: 'nothing',
  dimension: 'angle',
  inSpace: ([a, b, c]) => angleBetween(minus(a!, b!), minus(c!, b!)),
  goesRound: false,
  name: 'The angle',
  words: ANGLE,
  convention: 'Interior angle at B between A and C: 180 is straight.',
  refs: ({ points }) => points,
  value: ([a, b, c]) => interiorAngle(a!, b!, c!),
};

export const segmentAngleQuantity: KindOfQuantity<'segment-angle'> = {
  type: 'segment-angle',
  picture: 'level',
  dimension: 'angle',
  inSpace: null,
  goesRound: true,
  name: 'The direction',
  words: PLAIN,
  convention: 'Direction of A to B: against up or down, forward is positive; against forward, rising is positive.',
  refs: ({ points }) => points,
  value: ([a, b], { against }) => segmentAngle(a!, b!, against),
};

const direction = (a: Vec2, b: Vec2): number => {
  const d = subtract(b, a);
  return d.x === 0 && d.y === 0 ? NaN : Math.atan2(d.y, d.x);
};

export const lineSeparation: KindOfQuantity<'line-separation'> = {
  type: 'line-separation',
  picture: 'nothing',
  dimension: 'angle',
  inSpace: null,
  goesRound: true,
  name: 'The angle between the lines',
  words: PLAIN,
  convention:
    'Angle from the line C to D to the line A to B, from forward towards up positive (from above: towards the ' +
    'side away from the dominant one; from the front or behind: from the dominant side towards up).',
  refs: ({ points, from }) => [...points, ...from],
  value: ([a, b, c, d]) => wrapAngle(direction(a!, b!) - direction(c!, d!)),
};

export const facing: KindOfQuantity<'facing'> = {
  type: 'facing',
  picture: 'level',
  dimension: 'angle',
  inSpace: null,
  goesRound: true,
  name: 'Where it faces',
  words: PLAIN,
  convention:
    'Seen from above: where a body faces, square to the line from its point A of the opposite side to B of the ' +
    'dominant side; 0 is forward, away from the dominant side positive (for a right-hander 9 o\u2019clock is 90, ' +
    '3 o\u2019clock -90).',
  refs: ({ points }) => points,
  value: ([a, b]) => wrapAngle(direction(a!, b!) + Math.PI / 2),
};
