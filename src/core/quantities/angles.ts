import { interiorAngle, segmentAngle, wrapAngle } from '../geometry/angle';
import { subtract, type Vec2 } from '../geometry/vec2';
import { angleBetween, minus } from '../geometry/vec3';
import { ANGLE, PLAIN } from '../model/words';
import type { KindOfQuantity } from './quantity';
import { TEXT } from '../../text/core/quantities';

export const jointAngleQuantity: KindOfQuantity<'joint-angle'> = {
  type: 'joint-angle',
  picture: 'nothing',
  dimension: 'angle',
  inSpace: ([a, b, c]) => angleBetween(minus(a!, b!), minus(c!, b!)),
  goesRound: false,
  name: TEXT.angle,
  words: ANGLE,
  convention: TEXT.interiorAngleAtBBetween,
  refs: ({ points }) => points,
  value: ([a, b, c]) => interiorAngle(a!, b!, c!),
};

export const segmentAngleQuantity: KindOfQuantity<'segment-angle'> = {
  type: 'segment-angle',
  picture: 'level',
  dimension: 'angle',
  inSpace: null,
  goesRound: true,
  name: TEXT.direction,
  words: PLAIN,
  convention: TEXT.directionOfToBAgainst,
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
  name: TEXT.angleBetweenLines,
  words: PLAIN,
  convention: TEXT.angleFromLineC,
  refs: ({ points, from }) => [...points, ...from],
  value: ([a, b, c, d]) => wrapAngle(direction(a!, b!) - direction(c!, d!)),
};

export const facing: KindOfQuantity<'facing'> = {
  type: 'facing',
  picture: 'level',
  dimension: 'angle',
  inSpace: null,
  goesRound: true,
  name: TEXT.whereItFaces,
  words: PLAIN,
  convention: TEXT.seenFromAboveWhereBody,
  refs: ({ points }) => points,
  value: ([a, b]) => wrapAngle(direction(a!, b!) + Math.PI / 2),
};
