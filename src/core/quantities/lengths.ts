import { distance, onAxes, subtract, type Vec2 } from '../geometry/vec2';
import { lengthOf, minus } from '../geometry/vec3';
import { HEIGHT, LENGTH, PLAIN } from '../model/words';
import type { KindOfQuantity } from './quantity';
import { TEXT } from '../../text/core/quantities';

export const distanceQuantity: KindOfQuantity<'distance'> = {
  type: 'distance',
  picture: 'size',
  dimension: 'length',
  inSpace: ([a, b]) => lengthOf(minus(a!, b!)),
  goesRound: false,
  name: TEXT.distance,
  words: LENGTH,
  convention: TEXT.straightDistanceBetweenAndB,
  refs: ({ points }) => points,
  value: ([a, b]) => distance(a!, b!),
};

export const groundDistance: KindOfQuantity<'ground-distance'> = {
  type: 'ground-distance',
  picture: 'place',
  dimension: 'metres',
  inSpace: null,
  goesRound: false,
  name: TEXT.distance,
  words: LENGTH,
  convention: TEXT.distanceOnGroundBetween,
  refs: ({ points }) => points,
  value: ([a, b], _, { toGround }) => (toGround ? distance(toGround(a!), toGround(b!)) : NaN),
};

export const offset: KindOfQuantity<'offset'> = {
  type: 'offset',
  picture: 'size',
  dimension: 'length',
  inSpace: null,
  goesRound: false,
  name: TEXT.offset,
  words: PLAIN,
  convention: TEXT.howFarLiesBeyondB,
  refs: ({ points, line }) => (line ? [...points, ...line] : points),
  value: ([a, b, from, to], { axis }) => {
    const { x, y } = from && to ? onAxes(subtract(a!, b!), from, to) : subtract(a!, b!);
    return axis === 'forward' ? x : y;
  },
};

export const height: KindOfQuantity<'height'> = {
  type: 'height',
  picture: 'place',
  dimension: 'length',
  inSpace: null,
  goesRound: false,
  name: TEXT.height,
  words: HEIGHT,
  convention: TEXT.heightOfAboveGroundWhich,
  refs: ({ point }) => [point],
  value: ([a], _, { ground }) => a!.y - ground,
};

export const box: KindOfQuantity<'box'> = {
  type: 'box',
  picture: 'size',
  dimension: 'length',
  inSpace: null,
  goesRound: false,
  name: TEXT.box,
  words: PLAIN,
  convention: TEXT.widthOrHeightOfBox,
  refs: ({ points }) => points,
  value: (points, { side }) => {
    const along = points.map((p) => (side === 'width' ? p.x : p.y));
    return Math.max(...along) - Math.min(...along);
  },
};

/** Middle and direction of the line that points lie nearest to (orthogonal least squares). */
export function bestLine(points: readonly Vec2[]): { readonly middle: Vec2; readonly direction: number } {
  const n = points.length;
  const middle = { x: points.reduce((s, p) => s + p.x, 0) / n, y: points.reduce((s, p) => s + p.y, 0) / n };
  let [xx, yy, xy] = [0, 0, 0];
  for (const p of points) {
    const [dx, dy] = [p.x - middle.x, p.y - middle.y];
    xx += dx * dx;
    yy += dy * dy;
    xy += dx * dy;
  }
  return { middle, direction: 0.5 * Math.atan2(2 * xy, xx - yy) };
}

export const alignment: KindOfQuantity<'alignment'> = {
  type: 'alignment',
  picture: 'nothing',
  dimension: 'ratio',
  inSpace: null,
  goesRound: false,
  name: TEXT.line,
  words: PLAIN,
  convention: TEXT.largestDistanceOfPoint,
  refs: ({ points }) => points,
  value: (points) => {
    const { middle, direction } = bestLine(points);
    const [c, s] = [Math.cos(direction), Math.sin(direction)];
    const along = points.map((p) => c * (p.x - middle.x) + s * (p.y - middle.y));
    const across = points.map((p) => Math.abs(c * (p.y - middle.y) - s * (p.x - middle.x)));
    const extent = Math.max(...along) - Math.min(...along);
    return extent === 0 ? NaN : Math.max(...across) / extent;
  },
};
