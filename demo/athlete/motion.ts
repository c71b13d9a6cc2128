import type { Body } from './body';
import { sampleKeyFrames, smoothKeyFrames, type KeyFrames } from './key-frames';
import { hipOffset, plantedAnkle, poseSkeleton, type JointAngles, type Side, type SkeletonPose } from './skeleton-pose';
import { add, mix, radians, subtract, vec3, type Vec3 } from './vec3';

/** One foot on the ground: times in seconds, seconds before touch-down and after toe-off belong to the swing. */
export interface Stance {
  readonly side: Side;
  readonly down: number;
  readonly up: number;
}

/** Key frames of a movement, times in seconds. Angles in degrees, speed in m/s. */
export interface MotionKeys {
  readonly start: number;
  readonly end: number;
  /** The time at which the pelvis passes x = 0. */
  readonly origin: number;
  readonly stances: readonly Stance[];
  readonly speed: KeyFrames;
  /** How nearly a leg straightens, as a share of thigh and shank laid end to end. */
  readonly longestReach?: number;
  /** Seconds over which the swing runs into and out of a planted foot. */
  readonly swingBlend?: number;
  /**
   * Height of the pelvis, metres, where it does not follow from the supporting leg's knee; that knee follows from it.
   */
  readonly pelvisHeight?: KeyFrames;
  /** Line from hip to ankle against the vertical: ankle ahead positive. */
  readonly legAxis: Readonly<Record<Side, KeyFrames>>;
  /** The same line out of the plane of travel, outward positive. */
  readonly legOutward?: Readonly<Record<Side, KeyFrames>>;
  /** Where the knee points: 0 ahead, 90 outward. */
  readonly kneeOutward?: Readonly<Record<Side, KeyFrames>>;
  readonly kneeFlexion: Readonly<Record<Side, KeyFrames>>;
  readonly footPitch: Readonly<Record<Side, KeyFrames>>;
  readonly pelvisYaw: KeyFrames;
  readonly thoraxYaw: KeyFrames;
  readonly trunkLean: KeyFrames;
  readonly trunkSideLean: KeyFrames;
  readonly headPitch: KeyFrames;
  readonly armSwing: Readonly<Record<Side, KeyFrames>>;
  readonly armOutward: Readonly<Record<Side, KeyFrames>>;
  readonly elbowFlexion: Readonly<Record<Side, KeyFrames>>;
}

/** How a performer departs from the key frames: planted differences and a way of their own. */
export interface Variation {
  /** Time in the key frames of a real time, and back. */
  readonly keyTime: (real: number) => number;
  readonly realTime: (key: number) => number;
  /** Degrees added at a time of the key frames. */
  readonly kneeFlexion: (side: Side, key: number) => number;
  readonly trunkLean: (key: number) => number;
  readonly elbowFlexion: (side: Side, key: number) => number;
  /** Time of the key frames at which an arm is. */
  readonly armTime: (side: Side, key: number) => number;
}

export const AS_KEYED: Variation = {
  keyTime: (real) => real,
  realTime: (key) => key,
  kneeFlexion: () => 0,
  trunkLean: () => 0,
  elbowFlexion: () => 0,
  armTime: (_, key) => key,
};

/** Key frames stretched between two times by a number of seconds. */
export function stretched(from: number, to: number, by: number): Pick<Variation, 'keyTime' | 'realTime'> {
  const duration = to - from;
  return {
    keyTime: (real) =>
      real <= from ? real : real >= to + by ? real - by : from + ((real - from) * duration) / (duration + by),
    realTime: (key) => (key <= from ? key : key >= to ? key + by : from + ((key - from) * (duration + by)) / duration),
  };
}

const STEP = 1 / 480;
const GRAVITY = 9.81;

/** 0 before `from`, 1 after `to`, smooth between. */
export const ramp = (t: number, from: number, to: number): number => {
  const u = Math.min(1, Math.max(0, (t - from) / (to - from)));
  return u * u * (3 - 2 * u);
};

interface Plant extends Stance {
  readonly heel: Vec3;
}

/** A movement, ready to be asked for the skeleton at any real time. */
export interface Motion {
  readonly poseAt: (time: number) => SkeletonPose;
  readonly start: number;
  readonly end: number;
}

/** A performer's movement with its moments, times in seconds on the key frames' own clock. */
export interface Trial extends Motion {
  /** Moments of the first repetition. */
  readonly moments: Readonly<Record<string, number>>;
  /** Moments of every repetition, where the movement repeats. */
  readonly repetitions: readonly Readonly<Record<string, number>>[];
  /** Points beside the body, by their id, where there are any. */
  readonly objects: Readonly<Record<string, (time: number) => Vec3>>;
}

export function move(body: Body, keys: MotionKeys, variation: Variation): Motion {
  const k = variation.keyTime;
  const kneeFlexion = (side: Side, t: number): number =>
    smoothKeyFrames(keys.kneeFlexion[side], t) + variation.kneeFlexion(side, t);
  const anglesAt = (t: number): JointAngles => {
    const both = (curves: MotionKeys['armSwing']): Record<Side, number> => ({
      left: smoothKeyFrames(curves.left, variation.armTime('left', t)),
      right: smoothKeyFrames(curves.right, variation.armTime('right', t)),
    });
    const elbows = both(keys.elbowFlexion);
    return {
      pelvisYaw: smoothKeyFrames(keys.pelvisYaw, t),
      thoraxYaw: smoothKeyFrames(keys.thoraxYaw, t),
      trunkLean: smoothKeyFrames(keys.trunkLean, t) + variation.trunkLean(t),
      trunkSideLean: smoothKeyFrames(keys.trunkSideLean, t),
      headPitch: smoothKeyFrames(keys.headPitch, t),
      armSwing: both(keys.armSwing),
      armOutward: both(keys.armOutward),
      elbowFlexion: {
        left: elbows.left + variation.elbowFlexion('left', t),
        right: elbows.right + variation.elbowFlexion('right', t),
      },
      footPitch: {
        left: smoothKeyFrames(keys.footPitch.left, t),
        right: smoothKeyFrames(keys.footPitch.right, t),
      },
      kneeOutward: keys.kneeOutward
        ? { left: smoothKeyFrames(keys.kneeOutward.left, t), right: smoothKeyFrames(keys.kneeOutward.right, t) }
        : { left: 0, right: 0 },
    };
  };

  // Forward position of the pelvis: the speed curve integrated over real time.
  const first = keys.start - 0.1;
  const count = Math.ceil((variation.realTime(keys.end) + 0.2 - first) / STEP);
  const forward = new Float64Array(count + 1);
  for (let i = 1; i <= count; i++) {
    forward[i] = forward[i - 1]! + sampleKeyFrames(keys.speed, k(first + (i - 0.5) * STEP)) * STEP;
  }
  const lookup = (curve: Float64Array, real: number): number => {
    const p = Math.min(count - 1e-6, Math.max(0, (real - first) / STEP));
    const i = Math.floor(p);
    return curve[i]! * (1 - (p - i)) + curve[i + 1]! * (p - i);
  };
  const origin = lookup(forward, keys.origin);
  const pelvisX = (real: number): number => lookup(forward, real) - origin;
  const realOf = variation.realTime;

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
  if (keys.pelvisHeight)
    for (let i = 0; i <= count; i++) height[i] = sampleKeyFrames(keys.pelvisHeight, k(first + i * STEP));
  // Support changes over in two or three hundredths of a second in the flesh, not in none.
  const smoothHeight = new Float64Array(count + 1);
  const sigma = 0.016 / STEP;
  for (let i = 0; i <= count; i++) {
    let sum = 0;
    let weight = 0;
    for (let j = -24; j <= 24; j++) {
      const w = Math.exp(-0.5 * (j / sigma) ** 2);
      sum += w * height[keys.pelvisHeight ? i : Math.min(count, Math.max(0, i + j))]!;
      weight += w;
    }
    smoothHeight[i] = sum / weight;
  }

  const blend = keys.swingBlend ?? 0.1;
  const ankleAt = (side: Side, real: number, pelvis: Vec3, angles: JointAngles): Vec3 => {
    const t = k(real);
    const hip = add(pelvis, hipOffset(body, angles.pelvisYaw, side));
    const reach = legLength(kneeFlexion(side, t));
    const axis = radians(smoothKeyFrames(keys.legAxis[side], t));
    const outward = keys.legOutward ? radians(smoothKeyFrames(keys.legOutward[side], t)) : 0;
    const inPlane = reach * Math.cos(outward);
    const free = vec3(
      hip.x + inPlane * Math.sin(axis),
      hip.y - inPlane * Math.cos(axis),
      footLine(side) + (side === 'left' ? -1 : 1) * reach * Math.sin(outward),
    );
    const planted = (plant: Plant): Vec3 => plantedAnkle(body, plant.heel, angles.footPitch[side]);
    for (const plant of plants) {
      if (plant.side !== side) continue;
      if (t >= plant.down && t <= plant.up) return planted(plant);
      // The swing runs into and out of the planted position without a jump.
      if (t < plant.down && t > plant.down - blend)
        return mix(free, planted(plant), ramp(t, plant.down - blend, plant.down));
      if (t > plant.up && t < plant.up + blend) return mix(planted(plant), free, ramp(t, plant.up, plant.up + blend));
    }
    return free;
  };
  const planted = (side: Side, t: number): boolean =>
    plants.some((plant) => plant.side === side && t >= plant.down && t <= plant.up);
  const withinReach = (hip: Vec3, ankle: Vec3, side: Side, t: number): Vec3 => {
    const axis = subtract(ankle, hip);
    const reach = Math.hypot(axis.x, axis.y, axis.z);
    const full = (body.thigh + body.shank) * (keys.longestReach ?? 0.9985);
    const most = keys.pelvisHeight && !planted(side, t) ? Math.min(full, legLength(kneeFlexion(side, t))) : full;
    return reach <= most ? ankle : mix(hip, ankle, most / reach);
  };

  const poseAt = (real: number): SkeletonPose => {
    const angles = anglesAt(k(real));
    const pelvis = vec3(pelvisX(real), lookup(smoothHeight, real), 0);
    const ankle = (side: Side): Vec3 =>
      withinReach(
        add(pelvis, hipOffset(body, angles.pelvisYaw, side)),
        ankleAt(side, real, pelvis, angles),
        side,
        k(real),
      );
    return poseSkeleton(body, pelvis, { left: ankle('left'), right: ankle('right') }, angles);
  };

  return { poseAt, start: keys.start, end: variation.realTime(keys.end) };
}

/** Time in a span at which something that is false at its beginning becomes true, by halving. */
export function whenTrue(from: number, to: number, test: (time: number) => boolean): number {
  let low = from;
  let high = to;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (test(middle)) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
