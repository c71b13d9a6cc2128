import { limbInertia, type LimbSegment } from '../anatomy/centre-of-mass';
import { distance, type Vec2 } from '../geometry/vec2';
import { PLAIN } from '../model/words';
import type { KindOfQuantity } from './quantity';
import { TEXT } from '../../text/core/quantities';

const limb = ([a, b, c]: readonly Vec2[], upper: 'thigh' | 'upperArm'): readonly LimbSegment[] => [
  { name: upper, from: a!, to: b! },
  { name: upper === 'thigh' ? 'shank' : 'forearm', from: b!, to: c! },
];

export const relativeInertia: KindOfQuantity<'relative-inertia'> = {
  type: 'relative-inertia',
  picture: 'nothing',
  dimension: 'ratio',
  inSpace: null,
  goesRound: false,
  name: TEXT.relativeInertia,
  words: PLAIN,
  convention: TEXT.momentOfInertiaOfLimb,
  refs: ({ points }) => points,
  value: (points, { limb: name }) => {
    const [a, b, c] = points as readonly Vec2[];
    const upper = name === 'leg' ? 'thigh' : 'upperArm';
    const [first, second] = [distance(a!, b!), distance(b!, c!)];
    if (first + second === 0) return NaN;
    const origin = { x: 0, y: 0 };
    const straight = limb([origin, { x: first, y: 0 }, { x: first + second, y: 0 }], upper);
    return limbInertia(limb(points, upper), a!, 'male') / limbInertia(straight, origin, 'male');
  },
};
