import { bodyOf } from './athlete/body';
import { BODY_POINTS } from '../src/core/anatomy/body-points';
import { DEMO_CLIPS, trialOf } from './scenario';
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
  const p = trialOf(clip);
  const { points } = p.poseAt(p.moments[moment]!);
  return angle(points['left-hip']!, points['left-knee']!, points['left-ankle']!);
};

describe('the demo athlete', () => {
  it('has the points that the application knows', () => {
    expect(Object.keys(trialOf(reference).poseAt(0).points).sort()).toEqual([...BODY_POINTS].sort());
  });

  it('keeps the lengths of its segments in every frame', () => {
    const wrong: string[] = [];
    for (const clip of DEMO_CLIPS) {
      const p = trialOf(clip);
      for (let t = p.start; t < p.end; t += 1 / 60) {
        const { points } = p.poseAt(t);
        for (const side of ['left', 'right']) {
          const apart = (a: string, b: string): number =>
            length(subtract(points[`${side}-${a}`]!, points[`${side}-${b}`]!));
          const { thigh, shank, upperArm, forearm } = clip.body;
          const off = [
            apart('hip', 'knee') - thigh,
            apart('knee', 'ankle') - shank,
            apart('shoulder', 'elbow') - upperArm,
            apart('elbow', 'wrist') - forearm,
          ].map(Math.abs);
          if (off.some((o, i) => o > [0.0005, 0.005, 5e-7, 5e-7][i]!))
            wrong.push(`${clip.id} ${side} at ${t.toFixed(3)}: ${off.join(' ')}`);
        }
      }
    }
    expect(wrong).toEqual([]);
  });

  it('does not slide on the front foot while it is planted', () => {
    for (const clip of DEMO_CLIPS.filter((c) => c.movement === 'pace-delivery')) {
      const p = trialOf(clip);
      const at = (t: number): Vec3 => p.poseAt(t).points['left-foot-index']!;
      const start = at(p.moments['front-foot-contact']! + 0.05);
      expect(length(subtract(at(p.moments['release']!), start))).toBeLessThan(0.02);
    }
  });

  it('moves without jumps: no joint outruns a sprinting foot, about 22 m/s (from memory)', () => {
    const dt = 1 / 240;
    for (const id of ['pace-side-athlete', 'walk-side-athlete', 'hurdle-side-athlete']) {
      const p = trialOf(DEMO_CLIPS.find((c) => c.id === id)!);
      for (let t = p.start + dt; t < p.end; t += dt) {
        const before = p.poseAt(t - dt).points;
        const now = p.poseAt(t).points;
        for (const joint of ['nose', 'left-hip', 'right-hip', 'left-knee', 'right-knee', 'left-ankle', 'right-ankle']) {
          // A hurdler's knee snaps for an instant.
          expect(length(subtract(now[joint]!, before[joint]!))).toBeLessThan((id.startsWith('hurdle') ? 27 : 22) * dt);
        }
      }
    }
  });

  it('differs from the reference by what was planted, and not before it', () => {
    expect(kneeAt(athlete, 'release') - kneeAt(reference, 'release')).toBeCloseTo(
      -athlete.planted['frontKneeCollapse']!,
      -1,
    );
    expect(Math.abs(kneeAt(athlete, 'front-foot-contact') - kneeAt(reference, 'front-foot-contact'))).toBeLessThan(1);
    const duration = (clip: typeof reference): number => {
      const { moments } = trialOf(clip);
      return moments['release']! - moments['front-foot-contact']!;
    };
    expect(duration(athlete) - duration(reference)).toBeCloseTo(athlete.planted['releaseLate']!, 6);
  });

  const atEvent = (id: string, moment: string, joint: readonly [string, string, string]): number => {
    const p = trialOf(DEMO_CLIPS.find((c) => c.id === id)!);
    const { points } = p.poseAt(p.moments[moment]!);
    return angle(points[joint[0]]!, points[joint[1]]!, points[joint[2]]!);
  };
  const KNEE = ['right-hip', 'right-knee', 'right-ankle'] as const;

  it('walks on a straight leg from contact to vertical as the rule asks (World Athletics TR54), the athlete on a bent one', () => {
    for (const moment of ['heel-strike', 'vertical']) {
      for (const id of ['walk-side-reference', 'walk-side-reference-2', 'walk-side-reference-3'])
        expect(atEvent(id, moment, KNEE)).toBeGreaterThan(176);
      expect(atEvent('walk-side-athlete', moment, KNEE)).toBeLessThan(171.5);
    }
    const flight = (id: string): number => {
      const { moments } = trialOf(DEMO_CLIPS.find((c) => c.id === id)!);
      return moments['heel-strike']! - moments['opposite-toe-off']!;
    };
    expect(flight('walk-side-reference')).toBeCloseTo(0.022, 9);
    expect(flight('walk-side-athlete')).toBeCloseTo(0.056, 9);
  });

  it('clears the hurdle with both feet, and repeats its strides', () => {
    const p = trialOf(DEMO_CLIPS.find((c) => c.id === 'hurdle-side-reference')!);
    const bar = p.objects['own-hurdle']!(0);
    expect(bar.y).toBe(0.838);
    for (let t = p.moments['take-off']!; t < p.moments['touch-down']!; t += 1 / 480) {
      const { points } = p.poseAt(t);
      for (const id of ['right-ankle', 'left-ankle', 'right-knee', 'left-knee']) {
        const at = points[id]!;
        if (Math.abs(at.x - bar.x) < 0.02) expect(at.y).toBeGreaterThan(bar.y);
      }
    }
    const { repetitions } = trialOf(DEMO_CLIPS.find((c) => c.id === 'walk-side-reference')!);
    expect(repetitions).toHaveLength(2);
    expect(repetitions[1]!['heel-strike']).toBeCloseTo(repetitions[0]!['next-heel-strike']!, 9);
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
