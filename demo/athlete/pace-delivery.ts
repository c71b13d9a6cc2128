import { BACK_FOOT_CONTACT, FRONT_FOOT_CONTACT } from './pace-delivery-keys';
import type { Body } from './body';
import { AS_KEYED, move, ramp, stretched, whenTrue, type MotionKeys, type Trial } from './motion';

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

export const RELEASE = 0.3;

/** A delivery of one performer, with its moments. */
export function perform(body: Body, keys: MotionKeys, planted: PlantedDifferences): Trial {
  const time = stretched(FRONT_FOOT_CONTACT, RELEASE, planted.releaseLate);
  const motion = move(body, keys, {
    ...AS_KEYED,
    ...time,
    kneeFlexion: (side, t) =>
      side === 'left' ? planted.frontKneeCollapse * ramp(t, FRONT_FOOT_CONTACT, RELEASE) * (1 - ramp(t, 0.42, 0.6)) : 0,
    trunkLean: (t) =>
      planted.trunkLeanAtRelease * ramp(t, FRONT_FOOT_CONTACT + 0.02, RELEASE) * (1 - ramp(t, 0.36, 0.6)),
    armTime: (side, t) =>
      side === 'left' ? t + planted.frontArmEarly * ramp(t, -0.05, 0.06) * (1 - ramp(t, 0.26, 0.42)) : t,
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
