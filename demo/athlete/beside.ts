import type { Trial } from './motion';
import { add, cross, radians, scale, unit, vec3, type Vec3 } from './vec3';

/** What moves through the picture nearer than the performer, and has no joints that a detector knows. */
export type Beside = 'animal' | 'implement';

type PointsAt = (time: number) => Readonly<Record<string, Vec3>>;

const turn = (from: Vec3, degrees: number, length: number): Vec3 =>
  add(from, scale(vec3(Math.sin(radians(degrees)), -Math.cos(radians(degrees)), 0), length));

/** Metres to the camera's side of the performer. */
const NEARER = 1.5;

/**
 * A pony led at a trot: diagonal pairs of legs together, half a stride apart, each bent while it swings forward
 * (lengths and angles from memory: what is held against them is where points are, not how ponies go).
 */
const PONY = { speed: 3.1, stride: 1.45, rise: 0.04, withers: 1.12 } as const;
const LEGS = [
  { name: 'left-fore', phase: 0, along: 0.34, side: -1, bones: [0.36, 0.2, 0.16], bend: [0, -75, 60], swing: 24 },
  { name: 'right-fore', phase: 0.5, along: 0.34, side: 1, bones: [0.36, 0.2, 0.16], bend: [0, -75, 60], swing: 24 },
  { name: 'left-hind', phase: 0.5, along: -0.4, side: -1, bones: [0.3, 0.28, 0.18], bend: [22, -62, 58], swing: 22 },
  { name: 'right-hind', phase: 0, along: -0.4, side: 1, bones: [0.3, 0.28, 0.18], bend: [22, -62, 58], swing: 22 },
] as const;

function pony(middle: number): PointsAt {
  return (time) => {
    const strides = (time - middle) * PONY.stride;
    const rise = PONY.rise * Math.cos(4 * Math.PI * strides);
    const body = vec3(PONY.speed * (time - middle), PONY.withers + rise, NEARER);
    const at = (x: number, y: number, z = 0): Vec3 => add(body, vec3(x, y, z));
    const nod = 0.05 * Math.cos(4 * Math.PI * strides + 0.6);
    const points: Record<string, Vec3> = {
      withers: at(0.32, 0),
      croup: at(-0.42, -0.02),
      poll: at(0.74, 0.34 + nod),
      nose: at(1.0, 0.1 + 1.4 * nod),
    };
    for (const { name, phase, along, side, bones, bend, swing } of LEGS) {
      const angle = 2 * Math.PI * (strides + phase);
      // Bent while it comes forward only.
      const fold = Math.max(0, Math.cos(angle)) ** 2;
      const first = swing * Math.sin(angle) + bend[0];
      const second = first + (bend[0] > 0 ? -bend[0] - 8 : 0) + bend[1] * fold * 0.8;
      const top = at(along, -0.38, side * 0.14);
      const carpus = turn(top, first, bones[0]);
      const fetlock = turn(carpus, second, bones[1]);
      points[`${name}-top`] = top;
      points[`${name}-knee`] = carpus;
      points[`${name}-fetlock`] = fetlock;
      points[`${name}-hoof`] = turn(fetlock, second + bend[2] * (0.4 - fold), bones[2]);
    }
    // On the skin, where they are seen: what lies deeper moves against it as one looks past at another angle.
    const onSkin = (id: string, deep: number): Vec3 => add(points[id]!, vec3(0, 0, deep));
    return {
      ...points,
      'withers-mark': onSkin('withers', 0.03),
      'croup-mark': onSkin('croup', 0.07),
      'poll-mark': onSkin('poll', 0.1),
      'nose-mark': onSkin('nose', 0.07),
      'fore-knee-mark': onSkin('right-fore-knee', 0.055),
      'hind-knee-mark': onSkin('right-hind-knee', 0.055),
      'hind-fetlock-mark': onSkin('right-hind-fetlock', 0.035),
    };
  };
}

/** A bat swung about the hands, on a plane that leans: taken up behind within a second, down and through in a third. */
const SWING = { up: 130, through: -150, down: 0.34, hands: 0.22, length: 0.86, lean: 18 } as const;
const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * t * (10 - 15 * t + 6 * t * t));

function bat(middle: number): PointsAt {
  return (time) => {
    const begins = middle - SWING.down / 2;
    const lift = -SWING.up * smooth((time - begins + 0.75) / 0.6);
    const angle = lift + (SWING.up - SWING.through) * smooth((time - begins) / SWING.down);
    const hands = vec3(0.05 + 0.3 * smooth((time - begins) / SWING.down), 1.0, NEARER);
    const [s, c] = [Math.sin(radians(angle)), -Math.cos(radians(angle))];
    const along = vec3(s, c * Math.cos(radians(SWING.lean)), -c * Math.sin(radians(SWING.lean)));
    const across = vec3(-c, s * Math.cos(radians(SWING.lean)), -s * Math.sin(radians(SWING.lean)));
    const at = (far: number, wide = 0): Vec3 => add(hands, add(scale(along, far), scale(across, wide)));
    const end = SWING.hands + SWING.length;
    const face = unit(cross(along, across));
    const seen = (far: number, deep: number): Vec3 => add(at(far), scale(face, face.z > 0 ? deep : -deep));
    return {
      'handle-end': at(SWING.hands - 0.12),
      toe: at(end),
      'toe-corner': at(end - 0.02, 0.05),
      'grip-mark': seen(SWING.hands + 0.02, 0.02),
      'shoulder-mark': seen(SWING.hands + 0.24, 0.025),
      'sticker-mark': seen(SWING.hands + 0.42, 0.026),
      'toe-mark': seen(end - 0.02, 0.027),
    };
  };
}

/** The same trial with something beside the performer that moves through the middle of it. */
export function besideOf(trial: Trial, what: Beside): Trial {
  const middle = (trial.start + trial.end) / 2;
  const pointsAt = what === 'animal' ? pony(middle) : bat(middle);
  const objects = Object.keys(pointsAt(middle)).map((id) => [id, (time: number): Vec3 => pointsAt(time)[id]!] as const);
  return { ...trial, objects: { ...trial.objects, ...Object.fromEntries(objects) } };
}
