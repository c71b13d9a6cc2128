import type { Body } from './body';
import type { KeyFrames } from './key-frames';
import { AS_KEYED, move, whenTrue, type MotionKeys, type Trial } from './motion';
import { plantedAnkle, type Side } from './skeleton-pose';
import { radians, vec3 } from './vec3';

/** How one performer walks. */
export interface WalkingManner {
  /** Seconds from one foot's touch-down to the other's. */
  readonly stepTime: number;
  /** Seconds with neither foot on the ground at each change of feet. */
  readonly flight: number;
  /** m/s. */
  readonly speed: number;
  /** Degrees by which the knee is bent at first contact, and when the body is over the foot. */
  readonly kneeAtContact: number;
  readonly kneeAtVertical: number;
  readonly trunkLean: number;
  readonly elbowFlexion: number;
  /** Degrees that a stride differs from the next in swing knee, arms and trunk. */
  readonly unevenness: number;
}

export const WALKING: WalkingManner = {
  stepTime: 0.3,
  flight: 0.022,
  speed: 3.2,
  kneeAtContact: 2,
  kneeAtVertical: 2,
  trunkLean: 3,
  elbowFlexion: 88,
  unevenness: 1,
};

const STRIDES = 5;

/** A number from -1 to 1 that belongs to a stride and a name, the same in every run. */
function little(stride: number, salt: number): number {
  const x = Math.sin(stride * 127.1 + salt * 311.7) * 43758.5453;
  return 2 * (x - Math.floor(x)) - 1;
}

/** Key frames of strides: pairs of time after touch-down (right foot) and value, with a little of each stride's own. */
function repeated(
  period: number,
  shift: number,
  uneven: number,
  salt: number,
  cycle: (own: number) => KeyFrames,
): KeyFrames {
  const keys: [number, number][] = [];
  for (let stride = -2; stride < STRIDES; stride++) {
    for (const [t, value] of cycle(uneven * little(stride, salt))) keys.push([stride * period + shift + t, value]);
  }
  return keys;
}

/**
 * The leg ahead of the hip at first contact, the turn of the pelvis then and the foot's pitch at both ends of a
 * contact, degrees.
 */
const REACH = 23.5;
const PELVIS = 13;
const PITCH = { contact: 22, toeOff: -50 };

/**
 * Height of the pelvis over one step: an arc over the leg as it is keyed until the body is over the foot, then down to
 * the next contact.
 */
function heightOverStep(body: Body, manner: WalkingManner): { readonly keys: KeyFrames; readonly toeOffAxis: number } {
  const length = (flexion: number): number =>
    Math.sqrt(body.thigh ** 2 + body.shank ** 2 + 2 * body.thigh * body.shank * Math.cos(radians(flexion)));
  const heel = vec3(length(manner.kneeAtContact) * Math.sin(radians(REACH)) - body.heelBehindAnkle, 0, 0);
  const turned = (t: number): number =>
    -body.hipHalfWidth * Math.sin(radians(PELVIS)) * (1 - Math.cos((Math.PI * t) / manner.stepTime));
  const at = (t: number, pitch: number, flexion: number): number => {
    const ankle = plantedAnkle(body, heel, pitch);
    return ankle.y + Math.sqrt(length(flexion) ** 2 - (manner.speed * t + turned(t) - ankle.x) ** 2);
  };
  const over = (heel.x + body.heelBehindAnkle) / (manner.speed * 0.97);
  const rising: [number, number][] = [0, 0.2, 0.4, 0.6, 0.8, 1].map((u) => [
    u * over,
    at(
      u * over,
      Math.max(0, PITCH.contact * (1 - (u * over) / 0.075)),
      manner.kneeAtContact + u * (manner.kneeAtVertical - manner.kneeAtContact),
    ),
  ]);
  const [lowest, highest] = [rising[0]![1], rising[5]![1]];
  const falling: [number, number][] = [0.2, 0.4, 0.6, 0.8].map((u) => [
    over + u * (manner.stepTime - over),
    lowest + ((highest - lowest) * (1 + Math.cos(Math.PI * u))) / 2,
  ]);
  const contact = manner.stepTime - manner.flight;
  const behind = plantedAnkle(body, heel, PITCH.toeOff);
  return {
    keys: [...rising, ...falling],
    toeOffAxis: (-Math.atan2(manner.speed * contact + turned(contact) - behind.x, lowest - behind.y) * 180) / Math.PI,
  };
}

/** Race walking; time 0 is a touch-down of the right heel. */
export function walkingKeys(body: Body, manner: WalkingManner): MotionKeys {
  const { stepTime: s, kneeAtContact: atContact, kneeAtVertical: atVertical } = manner;
  const period = 2 * s;
  const contact = s - manner.flight;
  const height = heightOverStep(body, manner);
  const leg = (own: number): { axis: KeyFrames; knee: KeyFrames; pitch: KeyFrames } => ({
    axis: [
      [0, REACH],
      [contact * 0.45, -2],
      [contact, height.toeOffAxis],
      [contact + 0.05, height.toeOffAxis + 2],
      [contact + 0.13, 2],
      [period - 0.11, 25 + own],
      [period - 0.04, 28],
    ],
    knee: [
      [0, atContact],
      [contact * 0.42, atVertical],
      [contact * 0.6, Math.max(4, atVertical)],
      [contact * 0.8, 14],
      [contact, 36],
      [contact + 0.07, 64 + 2 * own],
      [contact + 0.14, 58 + 2 * own],
      [period - 0.1, 20],
      [period - 0.035, atContact + 3],
    ],
    pitch: [
      [0, PITCH.contact],
      [0.05, 5],
      [0.075, 0],
      [contact * 0.55, 0],
      [contact * 0.78, -18],
      [contact, PITCH.toeOff],
      [contact + 0.07, -48],
      [contact + 0.16, -8],
      [period - 0.08, 14 + own],
    ],
  });
  const shift = { right: 0, left: -s };
  const both = (of: 'axis' | 'knee' | 'pitch'): Record<Side, KeyFrames> => ({
    left: repeated(period, shift.left, manner.unevenness, 1, (own) => leg(own)[of]),
    right: repeated(period, shift.right, manner.unevenness, 2, (own) => leg(own)[of]),
  });
  const swinging = (at0: number, atHalf: number, salt: number): KeyFrames =>
    repeated(period, 0, manner.unevenness, salt, (own) => [
      [0, at0 + own],
      [s, atHalf + own],
    ]);
  const stances = Array.from({ length: STRIDES + 1 }, (_, i) => i - 1).flatMap((stride) => [
    { side: 'left' as const, down: stride * period - s, up: stride * period - s + contact },
    { side: 'right' as const, down: stride * period, up: stride * period + contact },
  ]);
  return {
    start: -0.32,
    end: 1.48,
    origin: 0.6,
    longestReach: 0.9999,
    pelvisHeight: Array.from({ length: 2 * STRIDES + 4 }, (_, i) => i - 4).flatMap((step) =>
      height.keys.map(([t, y]) => [step * s + t, y] as const),
    ),
    stances,
    speed: [
      [-2, manner.speed],
      [3, manner.speed],
    ],
    legAxis: both('axis'),
    kneeFlexion: both('knee'),
    footPitch: both('pitch'),
    pelvisYaw: swinging(-PELVIS, PELVIS, 3),
    thoraxYaw: swinging(11, -11, 4),
    trunkLean: repeated(period, 0, manner.unevenness, 5, (own) => [
      [0, manner.trunkLean + 0.5 * own],
      [s * 0.5, manner.trunkLean + 1 + 0.5 * own],
      [s, manner.trunkLean + 0.5 * own],
      [s * 1.5, manner.trunkLean + 1],
    ]),
    trunkSideLean: swinging(1.5, -1.5, 6),
    headPitch: [
      [-2, -3],
      [3, -3],
    ],
    armSwing: { right: swinging(-52, 22, 7), left: swinging(22, -52, 8) },
    armOutward: {
      right: [
        [-2, 10],
        [3, 10],
      ],
      left: [
        [-2, 10],
        [3, 10],
      ],
    },
    elbowFlexion: {
      right: swinging(manner.elbowFlexion - 4, manner.elbowFlexion + 6, 9),
      left: swinging(manner.elbowFlexion + 6, manner.elbowFlexion - 4, 10),
    },
  };
}

/** Strides of the right leg that lie wholly in the walk, with their moments. */
export function walk(body: Body, manner: WalkingManner): Trial {
  const keys = walkingKeys(body, manner);
  const motion = move(body, keys, AS_KEYED);
  const period = 2 * manner.stepTime;
  const contact = manner.stepTime - manner.flight;
  const ahead =
    (a: string, b: string) =>
    (t: number): boolean =>
      motion.poseAt(t).points[a]!.x >= motion.poseAt(t).points[b]!.x;
  const repetitions = Array.from({ length: STRIDES }, (_, i) => i * period)
    .filter((down) => down + period < keys.end - 0.02)
    .map((down) => ({
      'opposite-toe-off': down - manner.flight,
      'heel-strike': down,
      vertical: whenTrue(down, down + contact, ahead('right-hip', 'right-ankle')),
      'toe-off': down + contact,
      'knees-pass': whenTrue(down + contact, down + contact + 0.2, ahead('right-knee', 'left-knee')),
      'next-heel-strike': down + period,
    }));
  return { ...motion, moments: repetitions[0]!, repetitions, objects: {} };
}
