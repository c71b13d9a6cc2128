import { TAKE_OFF, TOUCH_DOWN, HURDLE_CLEARANCE } from './sprint-hurdles-keys';
import type { Body } from './body';
import { AS_KEYED, move, ramp, stretched, type Trial } from './motion';
import { vec3, type Vec3 } from './vec3';

/** Height of the bar, metres: the women's 100 m (World Athletics technical rules). */
export const HURDLE_HEIGHT = 0.838;

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
