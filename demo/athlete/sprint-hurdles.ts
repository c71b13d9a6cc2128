import type { Body } from './body';
import { AS_KEYED, move, ramp, stretched, type MotionKeys, type Trial } from './motion';
import { vec3, type Vec3 } from './vec3';

/** Height of the bar, metres: the women's 100 m (World Athletics technical rules). */
export const HURDLE_HEIGHT = 0.838;
const TAKE_OFF = 0;
const TOUCH_DOWN = 0.32;

/** How one performer clears the hurdle; zero everywhere is the reference movement. */
export interface HurdlingManner {
  /** Metres from the toe at take-off to the bar. */
  readonly takeOffDistance: number;
  /** Seconds added to the flight. */
  readonly longFlight: number;
  /** Degrees by which the trunk stays more upright over the bar. */
  readonly upright: number;
  /** Degrees by which the trailing leg is folded less. */
  readonly openTrail: number;
}

export const HURDLING: HurdlingManner = { takeOffDistance: 2.05, longFlight: 0, upright: 0, openTrail: 0 };

/** A clearance with the right leg leading; time 0 is take-off of the left foot. */
export const HURDLE_CLEARANCE: MotionKeys = {
  start: -0.36,
  end: 0.6,
  origin: 0.14,
  swingBlend: 0.055,
  stances: [
    { side: 'left', down: -0.575, up: -0.465 },
    { side: 'right', down: -0.345, up: -0.235 },
    { side: 'left', down: -0.115, up: TAKE_OFF },
    { side: 'right', down: TOUCH_DOWN, up: 0.415 },
    { side: 'left', down: 0.535, up: 0.645 },
    { side: 'right', down: 0.77, up: 0.88 },
  ],
  speed: [
    [-1, 7.9],
    [-0.1, 7.9],
    [0, 7.7],
    [0.32, 7.6],
    [0.42, 7.6],
    [0.6, 7.7],
    [1, 7.7],
  ],
  legAxis: {
    left: [
      [-0.8, 10],
      [-0.68, 30],
      [-0.575, 20],
      [-0.52, -8],
      [-0.465, -33],
      [-0.39, -34],
      [-0.31, -2],
      [-0.2, 33],
      [-0.15, 27],
      [-0.115, 19],
      [-0.06, -8],
      [0, -34],
      [0.06, -50],
      [0.12, -52],
      [0.19, -22],
      [0.26, 22],
      [0.34, 44],
      [0.44, 40],
      [0.5, 27],
      [0.535, 17],
      [0.59, -8],
      [0.645, -33],
      [0.72, -34],
      [0.82, 5],
    ],
    right: [
      [-0.8, -30],
      [-0.7, -34],
      [-0.6, 0],
      [-0.45, 34],
      [-0.38, 27],
      [-0.345, 19],
      [-0.29, -8],
      [-0.235, -33],
      [-0.17, -30],
      [-0.1, 6],
      [-0.04, 34],
      [0, 54],
      [0.05, 80],
      [0.1, 90],
      [0.16, 82],
      [0.22, 58],
      [0.28, 27],
      [TOUCH_DOWN, 7],
      [0.365, -16],
      [0.415, -36],
      [0.48, -36],
      [0.56, -2],
      [0.66, 33],
      [0.77, 19],
      [0.82, -6],
    ],
  },
  legOutward: {
    left: [
      [-1, 0],
      [0.02, 0],
      [0.08, 24],
      [0.14, 60],
      [0.2, 72],
      [0.25, 62],
      [0.31, 30],
      [0.38, 8],
      [0.46, 0],
      [1, 0],
    ],
    right: [
      [-1, 0],
      [1, 0],
    ],
  },
  kneeOutward: {
    left: [
      [-1, 0],
      [0, 0],
      [0.1, 40],
      [0.17, 62],
      [0.24, 50],
      [0.34, 16],
      [0.42, 2],
      [0.5, 0],
      [1, 0],
    ],
    right: [
      [-1, 0],
      [1, 0],
    ],
  },
  kneeFlexion: {
    left: [
      [-0.8, 80],
      [-0.68, 50],
      [-0.575, 22],
      [-0.52, 34],
      [-0.465, 14],
      [-0.39, 70],
      [-0.31, 112],
      [-0.2, 70],
      [-0.15, 40],
      [-0.115, 20],
      [-0.06, 34],
      [0, 8],
      [0.06, 42],
      [0.12, 96],
      [0.19, 118],
      [0.26, 112],
      [0.34, 96],
      [0.44, 74],
      [0.5, 40],
      [0.535, 20],
      [0.59, 36],
      [0.645, 14],
      [0.72, 70],
      [0.82, 110],
    ],
    right: [
      [-0.8, 14],
      [-0.7, 70],
      [-0.6, 112],
      [-0.45, 60],
      [-0.38, 30],
      [-0.345, 20],
      [-0.29, 36],
      [-0.235, 14],
      [-0.17, 86],
      [-0.1, 122],
      [-0.04, 112],
      [0, 94],
      [0.05, 58],
      [0.1, 24],
      [0.16, 16],
      [0.22, 22],
      [0.28, 16],
      [TOUCH_DOWN, 9],
      [0.365, 16],
      [0.415, 10],
      [0.48, 66],
      [0.56, 112],
      [0.66, 62],
      [0.77, 20],
      [0.82, 34],
    ],
  },
  footPitch: {
    left: [
      [-0.8, -20],
      [-0.575, -6],
      [-0.55, -4],
      [-0.51, -8],
      [-0.465, -55],
      [-0.35, -75],
      [-0.2, -10],
      [-0.115, -5],
      [-0.09, -2],
      [-0.06, -6],
      [0, -58],
      [0.06, -76],
      [0.12, -40],
      [0.17, -6],
      [0.26, 2],
      [0.36, -8],
      [0.48, -8],
      [0.535, -8],
      [0.58, -6],
      [0.645, -55],
      [0.78, -80],
    ],
    right: [
      [-0.8, -60],
      [-0.6, -70],
      [-0.45, -10],
      [-0.345, -6],
      [-0.32, -4],
      [-0.28, -8],
      [-0.235, -55],
      [-0.12, -70],
      [-0.02, -20],
      [0.06, 30],
      [0.14, 56],
      [0.2, 50],
      [0.26, 18],
      [TOUCH_DOWN, -14],
      [0.365, -12],
      [0.415, -56],
      [0.54, -72],
      [0.68, -8],
      [0.77, -6],
      [0.85, -30],
    ],
  },
  pelvisYaw: [
    [-1, 8],
    [-0.575, 8],
    [-0.345, -8],
    [-0.115, 8],
    [0, -10],
    [0.12, -24],
    [0.22, -8],
    [TOUCH_DOWN, 8],
    [0.44, 6],
    [0.535, 9],
    [0.77, -8],
    [1, 6],
  ],
  thoraxYaw: [
    [-1, -10],
    [-0.575, -12],
    [-0.345, 12],
    [-0.115, -10],
    [0, 14],
    [0.12, 22],
    [0.22, 8],
    [TOUCH_DOWN, -12],
    [0.44, -10],
    [0.535, -12],
    [0.77, 12],
    [1, -8],
  ],
  trunkLean: [
    [-1, 9],
    [-0.345, 9],
    [-0.115, 7],
    [0, 18],
    [0.08, 34],
    [0.15, 43],
    [0.22, 38],
    [TOUCH_DOWN, 20],
    [0.42, 13],
    [0.6, 10],
    [1, 9],
  ],
  trunkSideLean: [
    [-1, 0],
    [0, 0],
    [0.15, 4],
    [0.32, 0],
    [1, 0],
  ],
  headPitch: [
    [-1, -2],
    [0, -6],
    [0.15, -14],
    [0.32, -4],
    [1, -2],
  ],
  armSwing: {
    right: [
      [-1, 0],
      [-0.575, 44],
      [-0.46, 0],
      [-0.345, -50],
      [-0.235, 0],
      [-0.115, 44],
      [0, -20],
      [0.1, -52],
      [0.2, -44],
      [TOUCH_DOWN, 30],
      [0.4, 50],
      [0.535, -30],
      [0.65, -50],
      [0.77, 40],
      [1, 0],
    ],
    left: [
      [-1, 0],
      [-0.575, -48],
      [-0.46, 0],
      [-0.345, 44],
      [-0.235, 0],
      [-0.115, -46],
      [0, 56],
      [0.08, 92],
      [0.16, 88],
      [0.24, 30],
      [TOUCH_DOWN, -36],
      [0.4, -58],
      [0.535, 30],
      [0.65, 44],
      [0.77, -48],
      [1, 0],
    ],
  },
  armOutward: {
    right: [
      [-1, 8],
      [0, 12],
      [0.15, 24],
      [0.32, 10],
      [1, 8],
    ],
    left: [
      [-1, 8],
      [0, 4],
      [0.12, 2],
      [0.24, 26],
      [0.34, 22],
      [0.45, 8],
      [1, 8],
    ],
  },
  elbowFlexion: {
    right: [
      [-1, 88],
      [0, 92],
      [0.15, 84],
      [0.32, 96],
      [1, 88],
    ],
    left: [
      [-1, 90],
      [-0.115, 84],
      [0, 70],
      [0.08, 34],
      [0.16, 30],
      [0.24, 58],
      [0.34, 92],
      [0.5, 96],
      [1, 90],
    ],
  },
};

/** A clearance of one performer, with its moments and the place of the hurdle's bar. */
export function clearHurdle(body: Body, manner: HurdlingManner): Trial {
  const time = stretched(TAKE_OFF, TOUCH_DOWN, manner.longFlight);
  const motion = move(body, HURDLE_CLEARANCE, {
    ...AS_KEYED,
    ...time,
    trunkLean: (t) => -manner.upright * ramp(t, -0.06, 0.12) * (1 - ramp(t, 0.24, 0.4)),
    kneeFlexion: (side, t) =>
      side === 'left' ? -manner.openTrail * ramp(t, 0.06, 0.16) * (1 - ramp(t, 0.3, 0.44)) : 0,
  });
  const toe = motion.poseAt(TAKE_OFF).points['left-foot-index']!;
  const bar: Vec3 = vec3(toe.x + manner.takeOffDistance, HURDLE_HEIGHT, 0);
  const hipsAt = (t: number): number => {
    const { points } = motion.poseAt(t);
    return (points['left-hip']!.y + points['right-hip']!.y) / 2;
  };
  const steps = 2000;
  const flightEnd = time.realTime(TOUCH_DOWN);
  let highest = TAKE_OFF;
  for (let i = 0; i <= steps; i++) {
    const t = TAKE_OFF + ((flightEnd - TAKE_OFF) * i) / steps;
    if (hipsAt(t) > hipsAt(highest)) highest = t;
  }
  const moments = {
    'take-off-contact': -0.115,
    'take-off': TAKE_OFF,
    highest,
    'touch-down': flightEnd,
    'running-off': time.realTime(0.415),
  };
  return { ...motion, moments, repetitions: [moments], objects: { 'own-hurdle': () => bar } };
}
