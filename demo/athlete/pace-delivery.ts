import type { Body } from './body';
import { AS_KEYED, move, ramp, stretched, whenTrue, type MotionKeys, type Performance } from './motion';

/** Differences planted into a performer's delivery; zero everywhere is the reference movement. */
export interface PlantedDifferences {
  /** Degrees of extra flexion of the front knee, growing from front foot contact to release and kept after it. */
  readonly frontKneeCollapse: number;
  /** Degrees of extra forward lean of the trunk at release. */
  readonly trunkLeanAtRelease: number;
  /** Seconds by which the front arm comes down early. */
  readonly frontArmEarly: number;
  /** Seconds added between front foot contact and release. */
  readonly releaseLate: number;
}

export const NOTHING_PLANTED: PlantedDifferences = {
  frontKneeCollapse: 0,
  trunkLeanAtRelease: 0,
  frontArmEarly: 0,
  releaseLate: 0,
};

export const BACK_FOOT_CONTACT = 0;
export const FRONT_FOOT_CONTACT = 0.19;
export const RELEASE = 0.3;

/** A right-arm pace delivery, time 0 at back foot contact: two running steps, the bound, the delivery stride and the follow-through. */
export const PACE_DELIVERY: MotionKeys = {
  start: -0.8,
  end: 1.2,
  origin: FRONT_FOOT_CONTACT,
  stances: [
    { side: 'left', down: -0.92, up: -0.76 },
    { side: 'right', down: -0.64, up: -0.48 },
    { side: 'left', down: -0.36, up: -0.2 },
    { side: 'right', down: BACK_FOOT_CONTACT, up: 0.2 },
    { side: 'left', down: FRONT_FOOT_CONTACT, up: 0.5 },
    { side: 'right', down: 0.6, up: 0.82 },
    { side: 'left', down: 0.92, up: 1.14 },
  ],
  speed: [
    [-1, 5.0],
    [-0.2, 5.0],
    [0, 4.7],
    [0.19, 4.2],
    [0.3, 3.6],
    [0.5, 3.2],
    [0.85, 2.7],
    [1.3, 2.1],
  ],
  legAxis: {
    left: [
      [-1.0, 26], [-0.92, 20], [-0.84, -4], [-0.76, -28], [-0.66, -24], [-0.56, 6], [-0.46, 30], [-0.36, 20], [-0.28, -3],
      [-0.2, -27], [-0.12, -22], [-0.03, 4], [0.06, 32], [0.13, 42], [0.19, 36], [0.25, 20], [0.3, 5], [0.38, -16],
      [0.5, -38], [0.6, -28], [0.74, 6], [0.85, 28], [0.92, 19], [1.03, -5], [1.14, -26], [1.24, -20],
    ],
    right: [
      [-1.0, -26], [-0.9, -6], [-0.8, 24], [-0.72, 31], [-0.64, 20], [-0.56, -4], [-0.48, -28], [-0.38, -24], [-0.28, 4],
      [-0.17, 24], [-0.08, 20], [0, 10], [0.08, -9], [0.14, -25], [0.2, -40], [0.27, -46], [0.35, -30], [0.45, 4],
      [0.54, 29], [0.6, 20], [0.71, -6], [0.82, -29], [0.92, -24], [1.04, 8], [1.16, 28], [1.24, 22],
    ],
  },
  kneeFlexion: {
    left: [
      [-1.0, 25], [-0.92, 16], [-0.84, 36], [-0.76, 18], [-0.66, 82], [-0.56, 100], [-0.46, 52], [-0.36, 16], [-0.28, 40],
      [-0.2, 12], [-0.12, 58], [-0.03, 92], [0.06, 82], [0.13, 36], [0.19, 9], [0.23, 13], [0.3, 11], [0.38, 12],
      [0.5, 16], [0.6, 60], [0.74, 80], [0.85, 40], [0.92, 20], [1.03, 36], [1.14, 22], [1.24, 60],
    ],
    right: [
      [-1.0, 60], [-0.9, 98], [-0.8, 90], [-0.72, 50], [-0.64, 16], [-0.56, 36], [-0.48, 16], [-0.38, 78], [-0.28, 90],
      [-0.17, 58], [-0.08, 34], [0, 24], [0.08, 40], [0.14, 46], [0.2, 48], [0.27, 62], [0.35, 86], [0.45, 92],
      [0.54, 52], [0.6, 22], [0.71, 40], [0.82, 24], [0.92, 74], [1.04, 82], [1.16, 42], [1.24, 24],
    ],
  },
  footPitch: {
    left: [
      [-1.0, 10], [-0.92, 4], [-0.88, 0], [-0.82, 0], [-0.76, -48], [-0.62, -62], [-0.46, -10], [-0.36, 4], [-0.32, 0],
      [-0.26, 0], [-0.2, -46], [-0.08, -50], [0.06, -12], [0.15, 18], [0.19, 16], [0.215, 2], [0.23, 0], [0.38, 0],
      [0.5, -46], [0.64, -56], [0.84, -4], [0.92, 6], [0.96, 0], [1.06, 0], [1.14, -42], [1.24, -50],
    ],
    right: [
      [-1.0, -55], [-0.84, -35], [-0.72, 0], [-0.64, 4], [-0.6, 0], [-0.54, 0], [-0.48, -46], [-0.34, -55], [-0.17, -12],
      [-0.06, -6], [0, -8], [0.04, -2], [0.08, -10], [0.14, -34], [0.2, -62], [0.28, -74], [0.4, -50], [0.52, -4],
      [0.6, 5], [0.64, 0], [0.74, 0], [0.82, -46], [0.94, -55], [1.14, -4], [1.24, 5],
    ],
  },
  pelvisYaw: [
    [-1, -6], [-0.64, 7], [-0.36, -7], [-0.2, 12], [-0.08, 42], [0, 54], [0.1, 54], [0.19, 36], [0.25, 8], [0.3, -14],
    [0.42, -34], [0.6, -16], [0.8, 2], [1.2, 0],
  ],
  thoraxYaw: [
    [-1, 10], [-0.64, -10], [-0.36, 12], [-0.2, 26], [-0.08, 56], [0, 70], [0.1, 74], [0.19, 54], [0.25, 16], [0.3, -22],
    [0.42, -62], [0.6, -42], [0.8, -4], [1.0, 6], [1.2, -4],
  ],
  trunkLean: [
    [-1, 9], [-0.4, 9], [-0.2, 3], [-0.08, -7], [0, -12], [0.1, -10], [0.19, -3], [0.24, 10], [0.3, 30], [0.37, 50],
    [0.46, 57], [0.6, 42], [0.8, 22], [1.2, 12],
  ],
  trunkSideLean: [
    [-1, 0], [-0.2, 0], [0, -4], [0.1, 2], [0.19, 12], [0.25, 22], [0.3, 26], [0.4, 20], [0.6, 8], [0.8, 0], [1.2, 0],
  ],
  headPitch: [[-1, -4], [0, 0], [0.3, -6], [0.45, -20], [0.7, -10], [1.2, -4]],
  armSwing: {
    right: [
      [-1, 30], [-0.92, 34], [-0.64, -48], [-0.36, 36], [-0.22, 42], [-0.1, 34], [0, 18], [0.06, 0], [0.12, -30],
      [0.17, -60], [0.21, -92], [0.25, -136], [0.3, -192], [0.35, -252], [0.42, -316], [0.52, -356], [0.62, -372],
      [0.78, -378], [0.94, -332], [1.2, -396],
    ],
    left: [
      [-1, -38], [-0.92, -44], [-0.64, 34], [-0.36, -42], [-0.24, 10], [-0.12, 88], [-0.02, 138], [0.06, 152], [0.12, 142],
      [0.17, 118], [0.215, 88], [0.25, 54], [0.3, 8], [0.36, -30], [0.48, -50], [0.62, -24], [0.78, 22], [0.94, -40],
      [1.2, 30],
    ],
  },
  armOutward: {
    right: [[-1, 8], [-0.2, 8], [0, 16], [0.15, 20], [0.22, 16], [0.3, 14], [0.4, -8], [0.52, -24], [0.7, 2], [0.9, 8], [1.2, 8]],
    left: [[-1, 8], [-0.2, 10], [0, 6], [0.15, 4], [0.3, 10], [0.48, 24], [0.7, 14], [0.9, 8], [1.2, 8]],
  },
  elbowFlexion: {
    right: [
      [-1, 84], [-0.64, 70], [-0.36, 92], [-0.2, 108], [-0.08, 112], [0, 88], [0.07, 48], [0.13, 20], [0.19, 14],
      [0.25, 12], [0.3, 8], [0.36, 8], [0.5, 20], [0.7, 60], [0.94, 84], [1.2, 70],
    ],
    left: [
      [-1, 72], [-0.64, 92], [-0.36, 76], [-0.2, 66], [-0.1, 40], [0, 24], [0.1, 18], [0.19, 24], [0.25, 50], [0.3, 88],
      [0.4, 104], [0.55, 80], [0.7, 80], [0.94, 70], [1.2, 88],
    ],
  },
};

/** A delivery of one performer, with its moments. */
export function perform(body: Body, keys: MotionKeys, planted: PlantedDifferences): Performance {
  const time = stretched(FRONT_FOOT_CONTACT, RELEASE, planted.releaseLate);
  const motion = move(body, keys, {
    ...AS_KEYED,
    ...time,
    kneeFlexion: (side, t) => (side === 'left' ? planted.frontKneeCollapse * ramp(t, FRONT_FOOT_CONTACT, RELEASE) * (1 - ramp(t, 0.42, 0.6)) : 0),
    trunkLean: (t) => planted.trunkLeanAtRelease * ramp(t, FRONT_FOOT_CONTACT + 0.02, RELEASE) * (1 - ramp(t, 0.36, 0.6)),
    armTime: (side, t) => (side === 'left' ? t + planted.frontArmEarly * ramp(t, -0.05, 0.06) * (1 - ramp(t, 0.26, 0.42)) : t),
  });
  const moments = {
    'back-foot-contact': BACK_FOOT_CONTACT,
    'front-foot-contact': FRONT_FOOT_CONTACT,
    // The bowling upper arm, behind the body, rises through the horizontal.
    'arm-horizontal': whenTrue(FRONT_FOOT_CONTACT - 0.05, RELEASE + planted.releaseLate, (t) => {
      const { points } = motion.poseAt(t);
      return points['right-elbow']!.y >= points['right-shoulder']!.y;
    }),
    release: RELEASE + planted.releaseLate,
    'follow-through': time.realTime(0.6),
  };
  return { ...motion, moments, repetitions: [moments], objects: {} };
}
