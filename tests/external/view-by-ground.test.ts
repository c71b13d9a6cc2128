import { project, type Camera } from '../../demo/camera/camera';
import { vec3 } from '../../demo/athlete/vec3';
import { viewAsByGround, viewByGround, type ViewByGround } from '../../src/core/trial/view-by-ground';
import type { Clip } from '../../src/core/model/clip';
import { COVERAGE_95 } from '../../src/core/statistics/normal';
import { normals } from '../fixtures/random';

/** A rectangle on the ground through the generator's pinhole camera, its corners pressed as well as hands do. */

const CAMERA: Camera = {
  azimuth: 90,
  elevation: 6,
  distance: 9,
  target: vec3(0, 1, 0),
  fieldOfView: 32,
  width: 1920,
  height: 1080,
  frameRate: 60,
  shutter: 0,
};

interface Marked {
  readonly corners: readonly (readonly [x: number, z: number])[];
  readonly length: number;
  readonly width: number;
}
/** Its sides lie along and across the way (x). */
const LANE: Marked = {
  corners: [
    [-1.5, -0.6],
    [1.5, -0.6],
    [1.5, 0.6],
    [-1.5, 0.6],
  ],
  length: 3,
  width: 1.2,
};

function clipOf(
  camera: Camera,
  { corners, length, width }: Marked,
  off: () => number = () => 0,
): Parameters<typeof viewByGround>[0] {
  const seen = corners.map(([x, z]) => project(camera, vec3(x, 0, z)));
  return {
    width: camera.width,
    height: camera.height,
    camera: null,
    ground: { corners: seen.map((c) => ({ x: c.x + off(), y: c.y + off() })), length, width },
  };
}

const told = (clip: Parameters<typeof viewByGround>[0]): ViewByGround => {
  const view = viewByGround(clip);
  if (!view.ok) throw new Error(view.issue.message);
  return view.value;
};

const turned = (n: number, { corners, length, width }: Marked): Marked => ({
  corners: corners.map((_, i) => corners[(i + n) % 4]!),
  length: n % 2 === 0 ? length : width,
  width: n % 2 === 0 ? width : length,
});
const backwards = ({ corners, length, width }: Marked): Marked => ({
  corners: [...corners].reverse(),
  length,
  width,
});

test.each([
  [90, 6],
  [70, 12],
  [110, 3],
  [-90, 8],
  [-75, 20],
  [0, 10],
  [8, 25],
])('from azimuth %i and %i degrees above, exact corners tell where the camera stands', (azimuth, elevation) => {
  const camera = { ...CAMERA, azimuth, elevation };
  const square = Math.round(azimuth / 90) * 90;
  for (const marked of [LANE, turned(1, LANE), turned(2, LANE), backwards(LANE)]) {
    const { down, off } = told(clipOf(camera, marked));
    expect(Math.abs(down.degrees - elevation)).toBeLessThan(Math.min(1.5, 2 * down.sd));
    // Positive is anticlockwise seen from above: the azimuth goes the other way round.
    expect(Math.abs(off.degrees - (square - azimuth))).toBeLessThan(Math.min(1.5, 2 * off.sd));
  }
});

test('corners that hands pressed and sides that a tape measured tell it within what is stated', () => {
  const roll = normals(20261201);
  const [z, sds]: [number[], number[]] = [[], []];
  for (let n = 0; n < 300; n++) {
    const camera = {
      ...CAMERA,
      azimuth: 90 + 12 * roll(),
      elevation: Math.max(2, 8 + 5 * roll()),
      distance: 7 + 6 * Math.abs(roll()),
      fieldOfView: 32 * Math.exp(0.3 * roll()),
    };
    const marked = { ...LANE, length: LANE.length * (1 + 0.01 * roll()), width: LANE.width * (1 + 0.01 * roll()) };
    const view = viewByGround(clipOf(camera, marked, () => 1.5 * roll()));
    if (!view.ok) continue;
    z.push((view.value.down.degrees - camera.elevation) / view.value.down.sd);
    z.push((view.value.off.degrees - (90 - camera.azimuth)) / view.value.off.sd);
    sds.push(view.value.down.sd, view.value.off.sd);
  }
  expect(z.length).toBeGreaterThan(560);
  const held = z.filter((v) => Math.abs(v) <= COVERAGE_95).length / z.length;
  expect(held).toBeGreaterThan(0.9);
  expect(held).toBeLessThan(0.985);
  sds.sort((a, b) => a - b);
  // Better than somebody's word for it.
  expect(sds[sds.length >> 1]!).toBeLessThan(3);
});

test('corners out of order, or sides that are another rectangle’s, fit no camera and say so', () => {
  const { corners } = LANE;
  const crossed = { ...LANE, corners: [corners[0]!, corners[2]!, corners[1]!, corners[3]!] };
  expect(viewByGround(clipOf(CAMERA, crossed))).toMatchObject({ ok: false, issue: { code: 'does-not-fit' } });
  expect(viewByGround(clipOf({ ...CAMERA, elevation: 20 }, { ...LANE, width: 6 }))).toMatchObject({
    ok: false,
    issue: { message: expect.stringContaining('Check that its corners were pressed') },
  });
  expect(viewByGround({ ...clipOf(CAMERA, LANE), ground: null })).toMatchObject({
    ok: false,
    issue: { code: 'no-ground' },
  });
});

test('what the ground says is taken into the view, with how sure it is', () => {
  const said: ViewByGround = { down: { degrees: 11.94, sd: 1.26 }, off: { degrees: -3.21, sd: 0.84 } };
  const view: Clip['view'] = { kind: 'side', offPlaneDegrees: null };
  expect(viewAsByGround(view, said, 'down')).toEqual({ ...view, downDegrees: 11.9, downSdDegrees: 1.3 });
  expect(viewAsByGround(view, said, 'both')).toMatchObject({ offPlaneDegrees: -3.2, offPlaneSdDegrees: 0.8 });
});
