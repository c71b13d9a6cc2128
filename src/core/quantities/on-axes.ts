import { cross, dot, lengthOf, minus, scaled, unit, type Vec3 } from '../geometry/vec3';
import { PLAIN } from '../model/words';
import type { KindOfQuantity } from './quantity';
import { TEXT } from '../../text/core/quantities';

/** Three points in a line have no plane: the third must lie this share of the first two's distance beside them. */
const LEAST_BESIDE = 0.02;

interface Axes {
  readonly origin: Vec3;
  readonly ahead: Vec3;
  readonly up: Vec3;
  readonly right: Vec3;
}

/**
 * Axes fixed to three points, right-handed as the International Society of Biomechanics has them (Wu and Cavanagh 1995):
 * ahead from the first to the second, up square to it towards the third, right square to both.
 * @returns null where the three lie in a line
 */
export function axesThrough(origin: Vec3, second: Vec3, third: Vec3): Axes | null {
  const line = minus(second, origin);
  const ahead = unit(line);
  const side = minus(third, origin);
  const beside = minus(side, scaled(ahead, dot(side, ahead)));
  if (!(lengthOf(beside) > LEAST_BESIDE * lengthOf(line))) return null;
  const up = unit(beside);
  return { origin, ahead, up, right: cross(ahead, up) };
}

/** A vector's parts along axes. */
const onAxes = (v: Vec3, { ahead, up, right }: Axes) => ({
  ahead: dot(v, ahead),
  up: dot(v, up),
  right: dot(v, right),
});

export const positionOnAxes: KindOfQuantity<'position-on-axes'> = {
  type: 'position-on-axes',
  picture: 'size',
  dimension: 'length',
  onlyInSpace: true,
  inSpace: ([point, a, b, c], { along }) => {
    const axes = axesThrough(a!, b!, c!);
    return axes ? onAxes(minus(point!, axes.origin), axes)[along] : NaN;
  },
  goesRound: false,
  name: TEXT.position,
  words: PLAIN,
  convention: TEXT.whereLiesOnAxes,
  refs: ({ point, axes }) => [point, ...axes],
  value: () => NaN,
};

export const directionOnAxes: KindOfQuantity<'direction-on-axes'> = {
  type: 'direction-on-axes',
  picture: 'nothing',
  dimension: 'angle',
  onlyInSpace: true,
  inSpace: ([from, to, a, b, c], { angle }) => {
    const axes = axesThrough(a!, b!, c!);
    if (!axes) return NaN;
    const { ahead, up, right } = onAxes(minus(to!, from!), axes);
    const level = Math.hypot(ahead, right);
    if (level === 0 && (up === 0 || angle === 'azimuth')) return NaN;
    return angle === 'azimuth' ? Math.atan2(right, ahead) : Math.atan2(up, level);
  },
  goesRound: true,
  name: TEXT.direction,
  words: PLAIN,
  convention: TEXT.directionOnAxes,
  refs: ({ points, axes }) => [...points, ...axes],
  value: () => NaN,
};
