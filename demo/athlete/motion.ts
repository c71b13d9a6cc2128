import type { Body } from './body';
import { sampleKeyFrames, smoothKeyFrames } from './key-frames';
import { FRONT_FOOT_CONTACT, RELEASE, type MotionKeys, type Stance } from './pace-delivery';
import { hipOffset, plantedAnkle, poseSkeleton, type JointAngles, type Side, type SkeletonPose } from './skeleton-pose';
import { add, mix, radians, subtract, vec3, type Vec3 } from './vec3';

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

const STEP = 1 / 480;
const GRAVITY = 9.81;

const ramp = (t: number, from: number, to: number): number => {
  const u = Math.min(1, Math.max(0, (t - from) / (to - from)));
  return u * u * (3 - 2 * u);
};

/** Time in the movement's key frames of a real time: the stretch lies between front foot contact and release. */
export function keyTime(real: number, planted: PlantedDifferences): number {
  const late = planted.releaseLate;
  const duration = RELEASE - FRONT_FOOT_CONTACT;
  if (real <= FRONT_FOOT_CONTACT) return real;
  if (real >= RELEASE + late) return real - late;
  return FRONT_FOOT_CONTACT + ((real - FRONT_FOOT_CONTACT) * duration) / (duration + late);
}

interface Plant extends Stance {
  readonly heel: Vec3;
}

/** A performer's movement, ready to be asked for the skeleton at any time (seconds, 0 = back foot contact). */
export interface Performance {
  readonly start: number;
  readonly end: number;
  readonly moments: Readonly<Record<string, number>>;
  readonly poseAt: (time: number) => SkeletonPose;
}

export function perform(body: Body, keys: MotionKeys, planted: PlantedDifferences): Performance {
  const k = (real: number): number => keyTime(real, planted);
  const kneeFlexion = (side: Side, t: number): number =>
    smoothKeyFrames(keys.kneeFlexion[side], t) +
    (side === 'left' ? planted.frontKneeCollapse * ramp(t, FRONT_FOOT_CONTACT, RELEASE) * (1 - ramp(t, 0.42, 0.6)) : 0);
  const anglesAt = (t: number): JointAngles => {
    const armTime = t + planted.frontArmEarly * ramp(t, -0.05, 0.06) * (1 - ramp(t, 0.26, 0.42));
    const both = (curves: MotionKeys['armSwing']): Record<Side, number> => ({
      left: smoothKeyFrames(curves.left, armTime),
      right: smoothKeyFrames(curves.right, t),
    });
    return {
      pelvisYaw: smoothKeyFrames(keys.pelvisYaw, t),
      thoraxYaw: smoothKeyFrames(keys.thoraxYaw, t),
      trunkLean:
        smoothKeyFrames(keys.trunkLean, t) +
        planted.trunkLeanAtRelease * ramp(t, FRONT_FOOT_CONTACT + 0.02, RELEASE) * (1 - ramp(t, 0.36, 0.6)),
      trunkSideLean: smoothKeyFrames(keys.trunkSideLean, t),
      headPitch: smoothKeyFrames(keys.headPitch, t),
      armSwing: both(keys.armSwing),
      armOutward: both(keys.armOutward),
      elbowFlexion: both(keys.elbowFlexion),
      footPitch: {
        left: smoothKeyFrames(keys.footPitch.left, t),
        right: smoothKeyFrames(keys.footPitch.right, t),
      },
    };
  };

  // Forward position of the pelvis: the speed curve integrated over real time, 0 at front foot contact.
  const first = keys.start - 0.1;
  const count = Math.ceil((keys.end + planted.releaseLate + 0.2 - first) / STEP);
  const forward = new Float64Array(count + 1);
  for (let i = 1; i <= count; i++) {
    forward[i] = forward[i - 1]! + sampleKeyFrames(keys.speed, k(first + (i - 0.5) * STEP)) * STEP;
  }
  const lookup = (curve: Float64Array, real: number): number => {
    const p = Math.min(count - 1e-6, Math.max(0, (real - first) / STEP));
    const i = Math.floor(p);
    return curve[i]! * (1 - (p - i)) + curve[i + 1]! * (p - i);
  };
  const origin = lookup(forward, FRONT_FOOT_CONTACT);
  const pelvisX = (real: number): number => lookup(forward, real) - origin;
  const realOf = (key: number): number =>
    key <= FRONT_FOOT_CONTACT
      ? key
      : key >= RELEASE
        ? key + planted.releaseLate
        : FRONT_FOOT_CONTACT +
          ((key - FRONT_FOOT_CONTACT) * (RELEASE - FRONT_FOOT_CONTACT + planted.releaseLate)) /
            (RELEASE - FRONT_FOOT_CONTACT);

  const legLength = (flexion: number): number =>
    Math.sqrt(body.thigh ** 2 + body.shank ** 2 + 2 * body.thigh * body.shank * Math.cos(radians(flexion)));
  const footLine = (side: Side): number => (side === 'left' ? -0.06 : 0.06);

  const plants: Plant[] = keys.stances.map((stance) => {
    const t = stance.down;
    const hipX = pelvisX(realOf(t)) + hipOffset(body, smoothKeyFrames(keys.pelvisYaw, t), stance.side).x;
    const axis = radians(sampleKeyFrames(keys.legAxis[stance.side], t));
    const ankleX = hipX + legLength(sampleKeyFrames(keys.kneeFlexion[stance.side], t)) * Math.sin(axis);
    return { ...stance, heel: vec3(ankleX - body.heelBehindAnkle, 0, footLine(stance.side)) };
  });

  // Height of the pelvis that the support leg's knee angle asks for; ballistic between stances.
  const supportHeight = (plant: Plant, real: number): number => {
    const t = k(real);
    const ankle = plantedAnkle(body, plant.heel, smoothKeyFrames(keys.footPitch[plant.side], t));
    const hip = pelvisX(real) + hipOffset(body, smoothKeyFrames(keys.pelvisYaw, t), plant.side).x;
    const reach = legLength(kneeFlexion(plant.side, t));
    return ankle.y + Math.sqrt(Math.max(0.2, reach ** 2 - (hip - ankle.x) ** 2));
  };
  const height = new Float64Array(count + 1);
  for (let i = 0; i <= count; i++) {
    const real = first + i * STEP;
    const t = k(real);
    let before = plants[0]!;
    for (const plant of plants) if (plant.down <= t) before = plant;
    const next = plants[plants.indexOf(before) + 1];
    if (t <= before.up || !next) {
      height[i] = supportHeight(before, Math.min(real, realOf(before.up)));
    } else {
      const t0 = realOf(before.up);
      const t1 = realOf(next.down);
      const u = (real - t0) / (t1 - t0);
      const y0 = supportHeight(before, t0);
      const y1 = supportHeight(next, t1);
      height[i] = y0 * (1 - u) + y1 * u + 0.5 * GRAVITY * (real - t0) * (t1 - real);
    }
  }
  // Support changes over in two or three hundredths of a second in the flesh, not in none.
  const smoothHeight = new Float64Array(count + 1);
  const sigma = 0.016 / STEP;
  for (let i = 0; i <= count; i++) {
    let sum = 0;
    let weight = 0;
    for (let j = -24; j <= 24; j++) {
      const w = Math.exp(-0.5 * (j / sigma) ** 2);
      sum += w * height[Math.min(count, Math.max(0, i + j))]!;
      weight += w;
    }
    smoothHeight[i] = sum / weight;
  }

  const ankleAt = (side: Side, real: number, pelvis: Vec3, angles: JointAngles): Vec3 => {
    const t = k(real);
    const hip = add(pelvis, hipOffset(body, angles.pelvisYaw, side));
    const reach = legLength(kneeFlexion(side, t));
    const axis = radians(smoothKeyFrames(keys.legAxis[side], t));
    const free = vec3(hip.x + reach * Math.sin(axis), hip.y - reach * Math.cos(axis), footLine(side));
    const planted = (plant: Plant): Vec3 => plantedAnkle(body, plant.heel, angles.footPitch[side]);
    for (const plant of plants) {
      if (plant.side !== side) continue;
      if (t >= plant.down && t <= plant.up) return planted(plant);
      // The swing runs into and out of the planted position without a jump.
      if (t < plant.down && t > plant.down - 0.1) return mix(free, planted(plant), ramp(t, plant.down - 0.1, plant.down));
      if (t > plant.up && t < plant.up + 0.1) return mix(planted(plant), free, ramp(t, plant.up, plant.up + 0.1));
    }
    return free;
  };
  const withinReach = (hip: Vec3, ankle: Vec3): Vec3 => {
    const axis = subtract(ankle, hip);
    const reach = Math.hypot(axis.x, axis.y, axis.z);
    const most = (body.thigh + body.shank) * 0.9985;
    return reach <= most ? ankle : mix(hip, ankle, most / reach);
  };

  const poseAt = (real: number): SkeletonPose => {
    const angles = anglesAt(k(real));
    const pelvis = vec3(pelvisX(real), lookup(smoothHeight, real), 0);
    const ankle = (side: Side): Vec3 =>
      withinReach(add(pelvis, hipOffset(body, angles.pelvisYaw, side)), ankleAt(side, real, pelvis, angles));
    return poseSkeleton(body, pelvis, { left: ankle('left'), right: ankle('right') }, angles);
  };

  return {
    start: keys.start,
    end: keys.end + planted.releaseLate,
    moments: {
      'back-foot-contact': 0,
      'front-foot-contact': FRONT_FOOT_CONTACT,
      'arm-horizontal': armHorizontal(poseAt, FRONT_FOOT_CONTACT - 0.05, RELEASE + planted.releaseLate),
      release: RELEASE + planted.releaseLate,
      'follow-through': realOf(0.6),
    },
    poseAt,
  };
}

/** Time at which the bowling upper arm, behind the body, rises through the horizontal. */
function armHorizontal(poseAt: (t: number) => SkeletonPose, from: number, to: number): number {
  let low = from;
  let high = to;
  const below = (t: number): boolean => {
    const { points } = poseAt(t);
    return points['right-elbow']!.y < points['right-shoulder']!.y;
  };
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (below(middle)) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
