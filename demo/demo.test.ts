import { bodyOf } from './athlete/body';
import { BODY_POINTS } from '../src/core/points/body-points';
import { DEMO_CLIPS, performanceOf } from './scenario';
import { subtract, length, type Vec3 } from './athlete/vec3';
import { project } from './camera/camera';
import { truthOf } from './truth';

const [reference, athlete] = DEMO_CLIPS as [(typeof DEMO_CLIPS)[0], (typeof DEMO_CLIPS)[0]];
const degrees = (r: number): number => (r * 180) / Math.PI;
const angle = (a: Vec3, b: Vec3, c: Vec3): number => {
  const u = subtract(a, b);
  const v = subtract(c, b);
  return degrees(Math.acos((u.x * v.x + u.y * v.y + u.z * v.z) / (length(u) * length(v))));
};
const kneeAt = (clip: typeof reference, moment: string): number => {
  const p = performanceOf(clip);
  const { points } = p.poseAt(p.moments[moment]!);
  return angle(points['left-hip']!, points['left-knee']!, points['left-ankle']!);
};

describe('the demo athlete', () => {
  it('has the points that the application knows', () => {
    expect(Object.keys(performanceOf(reference).poseAt(0).points).sort()).toEqual([...BODY_POINTS].sort());
  });

  it('keeps the lengths of its segments in every frame', () => {
    for (const clip of DEMO_CLIPS) {
      const p = performanceOf(clip);
      for (let t = p.start; t < p.end; t += 1 / 60) {
        const { points } = p.poseAt(t);
        for (const side of ['left', 'right']) {
          const apart = (a: string, b: string): number => length(subtract(points[`${side}-${a}`]!, points[`${side}-${b}`]!));
          expect(apart('hip', 'knee')).toBeCloseTo(clip.body.thigh, 3);
          expect(apart('knee', 'ankle')).toBeCloseTo(clip.body.shank, 2);
          expect(apart('shoulder', 'elbow')).toBeCloseTo(clip.body.upperArm, 6);
          expect(apart('elbow', 'wrist')).toBeCloseTo(clip.body.forearm, 6);
        }
      }
    }
  });

  it('does not slide on the front foot while it is planted', () => {
    for (const clip of DEMO_CLIPS) {
      const p = performanceOf(clip);
      const at = (t: number): Vec3 => p.poseAt(t).points['left-foot-index']!;
      const start = at(p.moments['front-foot-contact']! + 0.05);
      expect(length(subtract(at(p.moments['release']!), start))).toBeLessThan(0.02);
    }
  });

  it('moves without jumps: no joint outruns a sprinting foot, about 22 m/s (from memory)', () => {
    const p = performanceOf(athlete);
    const dt = 1 / 240;
    for (let t = p.start + dt; t < p.end; t += dt) {
      const before = p.poseAt(t - dt).points;
      const now = p.poseAt(t).points;
      for (const id of ['nose', 'left-hip', 'right-hip', 'left-knee', 'right-knee', 'left-ankle', 'right-ankle']) {
        expect(length(subtract(now[id]!, before[id]!))).toBeLessThan(22 * dt);
      }
    }
  });

  it('differs from the reference by what was planted, and not before it', () => {
    expect(kneeAt(athlete, 'release') - kneeAt(reference, 'release')).toBeCloseTo(-athlete.planted.frontKneeCollapse, -1);
    expect(Math.abs(kneeAt(athlete, 'front-foot-contact') - kneeAt(reference, 'front-foot-contact'))).toBeLessThan(1);
    const duration = (clip: typeof reference): number => {
      const { moments } = performanceOf(clip);
      return moments['release']! - moments['front-foot-contact']!;
    };
    expect(duration(athlete) - duration(reference)).toBeCloseTo(athlete.planted.releaseLate, 6);
  });

  it('has published proportions: trunk, thigh and shank are 0.779 of standing height', () => {
    const body = bodyOf(1.8, 75);
    expect((body.trunk + body.thigh + body.shank) / body.height).toBeCloseTo(0.779, 9);
  });
});

describe('the camera', () => {
  const { camera } = reference;
  it('sees its target in the middle of the picture', () => {
    const at = project(camera, camera.target);
    expect(at.x).toBeCloseTo(640, 6);
    expect(at.y).toBeCloseTo(360, 6);
  });

  it('on the left side sees a performer who goes forward move to the left', () => {
    const ahead = project(camera, { ...camera.target, x: camera.target.x + 1 });
    expect(ahead.x).toBeLessThan(640);
  });

  it('shows a metre as its distance and lens say', () => {
    const top = project({ ...camera, elevation: 0 }, { ...camera.target, y: camera.target.y + 1 });
    const focal = 360 / Math.tan((camera.fieldOfView / 2 / 180) * Math.PI);
    expect(360 - top.y).toBeCloseTo(focal / camera.distance, 6);
  });
});

describe('truth', () => {
  it('has every point of every frame, in the picture', () => {
    const truth = truthOf(reference);
    expect(truth.pixels).toHaveLength(240);
    for (const frame of truth.pixels) {
      expect(frame).toHaveLength(33);
      for (const [x, y] of frame) {
        expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
        expect(y).toBeGreaterThan(0);
        expect(y).toBeLessThan(720);
      }
    }
  });
});
