import type { Camera } from '../../demo/camera/camera';
import { vec3 } from '../../demo/athlete/vec3';
import type { PointId } from '../../src/core/anatomy/body-points';
import type { SpaceCamera } from '../../src/core/reconstruction/problem-of-cameras';
import type { SeenPoint } from '../../src/core/reconstruction/seen-points';
import { reconstruct } from '../../src/core/reconstruction/reconstruct';
import type { Body } from '../../src/core/reconstruction/stated-body';
import { capturedMotions } from '../fixtures/captured';
import { filmedBody, type Filmed, type KnownMotion } from '../fixtures/filmed-body';

/**
 * Real captured motion (CMU recordings of the assimp-testmodels package), filmed by made cameras, a body 270 pixels
 * tall with errors of one and a half pixels that change and as much that stays, and recovered without any calibration.
 */
const COMMON = { width: 1280, height: 720, frameRate: 120, shutter: 1 / 500, target: vec3(0, 0.95, 0) } as const;
const SIDE: Camera = { ...COMMON, azimuth: 90, elevation: 2, distance: 12, fieldOfView: 22 };
const NEAR: Omit<Camera, 'azimuth'> = { ...COMMON, elevation: 3, distance: 10, fieldOfView: 28 };
const FRONT: Camera = { ...NEAR, azimuth: 12 };
const QUARTER: Camera = { ...NEAR, azimuth: 45 };
const ABOVE: Camera = { ...NEAR, azimuth: 90, elevation: 85 };

const STATED = {
  side: { azimuthDegrees: 0, elevationDegrees: 2 },
  front: { azimuthDegrees: 90, elevationDegrees: 2 },
  quarter: { azimuthDegrees: 45, elevationDegrees: 2 },
  back: { azimuthDegrees: -90, elevationDegrees: 2 },
  above: { azimuthDegrees: 0, elevationDegrees: 85 },
} as const;

/** A stretch as long as a throw or a stride. */
const SECONDS = 1.2;
const MOTIONS = capturedMotions()
  .filter(({ name }) => name.includes('bvh'))
  .filter((_, i) => i === 2 || i === 8)
  .map(({ motion }) => ({ ...(motion as unknown as KnownMotion), end: motion.start + SECONDS }));

const ERRORS = { noise: 1.5, bias: 1.5 } as const;
/** Seconds by which the second camera's clock is ahead: half a frame. */
const AHEAD = 0.5 / 120;

function filmed(motion: KnownMotion, camera: Camera, stated: keyof typeof STATED, filming: Partial<Filmed> = {}) {
  const side = filmedBody(motion, SIDE, STATED.side, { ...ERRORS, seed: 21 });
  const other = filmedBody(motion, camera, STATED[stated], { ...ERRORS, seed: 22, ahead: AHEAD, ...filming });
  return [side, other] as const;
}

function bodyOf(cameras: readonly SpaceCamera[]): Body {
  const body = reconstruct(cameras);
  if (!body.ok) throw new Error(body.issue.message);
  return body.value;
}

type Vector = readonly [number, number, number];
const DEGREES = 180 / Math.PI;

function kneeOf(at: (id: string) => Vector, side: string): number {
  const [hip, knee, ankle] = ['hip', 'knee', 'ankle'].map((joint) => at(`${side}-${joint}`)) as [
    Vector,
    Vector,
    Vector,
  ];
  const [u, v] = [hip, ankle].map((p) => p.map((x, i) => x - knee[i]!)) as [number[], number[]];
  const dot = u.reduce((sum, x, i) => sum + x * v[i]!, 0);
  return Math.acos(dot / (Math.hypot(...u) * Math.hypot(...v))) * DEGREES;
}
/** Direction of the shoulders about the vertical. */
function shouldersOf(at: (id: string) => Vector): number {
  const [left, right] = [at('left-shoulder'), at('right-shoulder')];
  return Math.atan2(right[0] - left[0], right[2] - left[2]) * DEGREES;
}
const wrap = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Errors of knees and of the shoulders' direction at every fourth frame, degrees. */
function errorsOf(body: Body, motion: KnownMotion, times: Float64Array): { knees: number[]; shoulders: number[] } {
  const [knees, shoulders]: [number[], number[]] = [[], []];
  for (let f = 0; f < times.length; f += 4) {
    const pose = motion.poseAt(motion.start + times[f]!).points;
    const truth = (id: string): Vector => [pose[id]!.x, pose[id]!.y, pose[id]!.z];
    const found = (id: string): Vector => {
      const i = 3 * (f * body.ids.length + body.ids.indexOf(id as PointId));
      return [body.points[i]!, body.points[i + 1]!, body.points[i + 2]!];
    };
    if (Number.isNaN(found('left-hip')[0])) continue;
    for (const side of ['left', 'right']) knees.push(Math.abs(kneeOf(found, side) - kneeOf(truth, side)));
    shoulders.push(Math.abs(wrap(shouldersOf(found) - shouldersOf(truth))));
  }
  return { knees, shoulders };
}

describe.each([
  ['side and front', FRONT, 'front'],
  ['side and 45 degrees', QUARTER, 'quarter'],
  ['side and above', ABOVE, 'above'],
] as const)('%s', (_, camera, stated) => {
  const all = MOTIONS.map((motion) => {
    const cameras = filmed(motion, camera, stated);
    const body = bodyOf(cameras);
    return { body, ...errorsOf(body, motion, cameras[0].clip.times) };
  });

  test('knees and the direction of the shoulders are found', () => {
    expect(median(all.flatMap((a) => a.knees))).toBeLessThan(4);
    expect(median(all.flatMap((a) => a.shoulders))).toBeLessThan(4);
  });

  test('the clocks are as far apart as is stated', () => {
    for (const { body } of all) {
      const { clock, clockSd } = body.cameras[1]!;
      expect(Math.abs(clock.offset - AHEAD)).toBeLessThan(3 * clockSd);
    }
  });
});

test('half a frame between the clocks of precise points is found within a tenth of one', () => {
  for (const motion of MOTIONS) {
    const precise = { noise: 0.3, bias: 0.5 };
    const cameras = [
      filmedBody(motion, SIDE, STATED.side, { ...precise, seed: 23 }),
      filmed(motion, FRONT, 'front', { ...precise, seed: 24 })[1],
    ];
    expect(Math.abs(bodyOf(cameras).cameras[1]!.clock.offset - AHEAD)).toBeLessThan(0.1 / 120);
  }
});

test('where the cameras stand is found from views that are stated 12 degrees off', () => {
  for (const motion of MOTIONS) {
    const { cameras } = bodyOf(filmed(motion, FRONT, 'front'));
    const off = cameras[1]!.azimuthDegrees - (90 - 12);
    expect(Math.abs(off)).toBeLessThan(2.6 * cameras[1]!.azimuthSd);
    expect(Math.abs(off)).toBeLessThan(8);
  }
});

describe('what cannot be told is refused', () => {
  const refusal = (cameras: readonly SpaceCamera[]): string => {
    const body = reconstruct(cameras);
    return body.ok ? 'a body' : body.issue.code;
  };

  test('two cameras side by side', () => {
    expect(refusal(filmed(MOTIONS[0]!, { ...SIDE, azimuth: 80 }, 'side'))).toBe('alike-cameras');
  });

  test('a camera in front that is said to stand behind', () => {
    expect(['mirrored', 'misfit']).toContain(refusal(filmed(MOTIONS[0]!, FRONT, 'back')));
  });

  test('another performance', () => {
    const [side] = filmed(MOTIONS[0]!, FRONT, 'front');
    const [, front] = filmed(MOTIONS[1]!, FRONT, 'front');
    expect(refusal([side, front])).toBe('misfit');
  });

  test('one camera, and clips that share no time', () => {
    const [side, front] = filmed(MOTIONS[0]!, FRONT, 'front');
    expect(refusal([side])).toBe('too-few-points');
    const late = { ...front, clip: { ...front.clip, clock: { offset: -9, rate: 1 } } };
    expect(refusal([side, late])).toBe('too-few-points');
  });

  test('a camera that sees the body in scattered frames only', () => {
    const [side, front] = filmed(MOTIONS[0]!, FRONT, 'front');
    const seenIn = (holds: (i: number) => boolean): string => {
      const now = (values: Float64Array): Float64Array => values.map((v, i) => (holds(i) ? v : NaN));
      const points = Object.fromEntries(
        (Object.entries(front.clip.points) as [PointId, SeenPoint][]).map(([id, seen]) => [
          id,
          { ...seen, x: now(seen.x), y: now(seen.y) },
        ]),
      );
      return refusal([side, { ...front, clip: { ...front.clip, points } }]);
    };
    expect(seenIn((i) => i % 12 < 4)).toBe('too-few-points');
    // One who comes into the picture late is seen from there on.
    expect(seenIn((i) => i > 70)).toBe('a body');
  });

  test('a work that was stopped', () => {
    const body = reconstruct(filmed(MOTIONS[0]!, FRONT, 'front'), { stopped: () => true });
    expect(body.ok ? 'a body' : body.issue.code).toBe('cancelled');
  });
});
