import type { Vec3 } from '../geometry/vec3';
import { axesThrough, directionOnAxes, positionOnAxes } from './on-axes';

const at = (x: number, y: number, z: number): Vec3 => ({ x, y, z });
/** Ahead along x, up along y: right of somebody who faces along x is z. */
const LEVEL = [at(1, 1, 1), at(3, 1, 1), at(2, 2, 1)] as const;
const axes: [`own-${string}`, `own-${string}`, `own-${string}`] = ['own-a', 'own-b', 'own-c'];
const position = (along: 'ahead' | 'up' | 'right', point: Vec3, three: readonly Vec3[] = LEVEL): number =>
  positionOnAxes.inSpace!([point, ...three], { type: 'position-on-axes', point: 'own-p', axes, along });
const direction = (angle: 'azimuth' | 'elevation', to: Vec3, three: readonly Vec3[] = LEVEL): number =>
  (directionOnAxes.inSpace!([at(0, 0, 0), to, ...three], {
    ...{ type: 'direction-on-axes', points: ['own-p', 'own-q'], axes, angle },
  }) *
    180) /
  Math.PI;

test('a position is told from the first point: ahead, up and to the right', () => {
  const point = at(1.5, 3, 1.25);
  expect(position('ahead', point)).toBeCloseTo(0.5, 12);
  expect(position('up', point)).toBeCloseTo(2, 12);
  expect(position('right', point)).toBeCloseTo(0.25, 12);
});

test('up is square to ahead, wherever on its side the third point lies', () => {
  const { up } = axesThrough(at(0, 0, 0), at(2, 0, 0), at(-5, 0.1, 0))!;
  expect([up.x, up.y, up.z]).toEqual([0, 1, 0]);
});

test('a direction: azimuth to the right positive, elevation upwards', () => {
  expect(direction('azimuth', at(1, 7, 1))).toBeCloseTo(45, 10);
  expect(direction('azimuth', at(-1, 0, -1))).toBeCloseTo(-135, 10);
  expect(direction('elevation', at(1, Math.SQRT2, 1))).toBeCloseTo(45, 10);
});

test('what moves with the axes reads the same: a craft that has turned by a quarter and rolled by half', () => {
  // x goes to -z, y to -y, z to -x.
  const turned = ({ x, y, z }: Vec3): Vec3 => at(-z, -y, -x);
  const three = LEVEL.map(turned);
  for (const along of ['ahead', 'up', 'right'] as const)
    expect(position(along, turned(at(1.5, 3, 1.25)), three)).toBeCloseTo(position(along, at(1.5, 3, 1.25)), 12);
});

test('three points in a line are no axes, and straight up has no azimuth', () => {
  expect(axesThrough(at(0, 0, 0), at(1, 1, 0), at(2, 2, 0))).toBeNull();
  expect(position('up', at(1, 2, 3), [at(0, 0, 0), at(1, 1, 0), at(2, 2, 0)])).toBeNaN();
  expect(direction('azimuth', at(0, 1, 0))).toBeNaN();
  expect(direction('elevation', at(0, 1, 0))).toBeCloseTo(90, 10);
});
