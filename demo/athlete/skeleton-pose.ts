import type { Body } from './body';
import { add, cross, dot, mix, radians, scale, subtract, unit, vec3, type Vec3 } from './vec3';

export type Side = 'left' | 'right';

/** Joint angles of one instant, in degrees unless said otherwise. */
export interface JointAngles {
  /**
   * Rotation of the pelvis and of the rib cage about the vertical; positive turns the chest to the performer's right.
   */
  readonly pelvisYaw: number;
  readonly thoraxYaw: number;
  /** Trunk away from the vertical: forward, and to the performer's left. */
  readonly trunkLean: number;
  readonly trunkSideLean: number;
  readonly headPitch: number;
  /** Upper arm in the plane of travel: 0 hanging, positive forward, unwrapped. */
  readonly armSwing: Readonly<Record<Side, number>>;
  /** Upper arm out of the plane of travel, outward positive. */
  readonly armOutward: Readonly<Record<Side, number>>;
  readonly elbowFlexion: Readonly<Record<Side, number>>;
  /** Foot against the ground: toes up positive. */
  readonly footPitch: Readonly<Record<Side, number>>;
  /** Where the knee points: 0 ahead, 90 outward. */
  readonly kneeOutward: Readonly<Record<Side, number>>;
}

/** Joint centres and surface marks of one instant, metres. */
export interface SkeletonPose {
  readonly pelvis: Vec3;
  readonly neckBase: Vec3;
  readonly head: Vec3;
  readonly headForward: Vec3;
  readonly headUp: Vec3;
  readonly pelvisRight: Vec3;
  readonly thoraxRight: Vec3;
  readonly points: Readonly<Record<string, Vec3>>;
}

const SIGN: Readonly<Record<Side, number>> = { left: -1, right: 1 };

/** Unit vector to the performer's right for a body turned by a yaw and rolled so that the right side rises. */
function rightVector(yawDegrees: number, rollDegrees: number): Vec3 {
  const yaw = radians(yawDegrees);
  const roll = radians(rollDegrees);
  return vec3(-Math.sin(yaw) * Math.cos(roll), Math.sin(roll), Math.cos(yaw) * Math.cos(roll));
}

export function hipOffset(body: Body, pelvisYaw: number, side: Side): Vec3 {
  return scale(rightVector(pelvisYaw, 0), SIGN[side] * body.hipHalfWidth);
}

/**
 * Knee from hip and ankle by the cosine law, bent towards a direction; the leg straightens when the ankle is out of
 * reach.
 */
export function solveKnee(body: Body, hip: Vec3, ankle: Vec3, bend: Vec3 = vec3(1, 0, 0)): Vec3 {
  const axis = subtract(ankle, hip);
  const reach = Math.min(Math.hypot(axis.x, axis.y, axis.z), (body.thigh + body.shank) * 0.99995);
  const along = (body.thigh ** 2 - body.shank ** 2 + reach ** 2) / (2 * reach);
  const out = Math.sqrt(Math.max(0, body.thigh ** 2 - along ** 2));
  const down = unit(axis);
  const forward = unit(subtract(bend, scale(down, dot(down, bend))));
  return add(hip, add(scale(down, along), scale(forward, out)));
}

function footMarks(body: Body, ankle: Vec3, pitchDegrees: number): { heel: Vec3; toe: Vec3 } {
  const pitch = radians(pitchDegrees);
  const turn = (dx: number, dy: number): Vec3 =>
    vec3(dx * Math.cos(pitch) - dy * Math.sin(pitch), dx * Math.sin(pitch) + dy * Math.cos(pitch), 0);
  return {
    heel: add(ankle, turn(-body.heelBehindAnkle, -body.ankleHeight)),
    toe: add(ankle, turn(body.toeAheadOfAnkle, -body.ankleHeight)),
  };
}

/** Ankle of a planted foot: flat when the pitch is 0, turning about the heel (toes up) or the toe (heel up). */
export function plantedAnkle(body: Body, heelOnGround: Vec3, pitchDegrees: number): Vec3 {
  const pitch = radians(pitchDegrees);
  const pivotX = pitch >= 0 ? -body.heelBehindAnkle : body.toeAheadOfAnkle;
  const pivot = vec3(heelOnGround.x + body.heelBehindAnkle + pivotX, 0, heelOnGround.z);
  const dx = -pivotX;
  const dy = body.ankleHeight;
  return add(pivot, vec3(dx * Math.cos(pitch) - dy * Math.sin(pitch), dx * Math.sin(pitch) + dy * Math.cos(pitch), 0));
}

/** All joint centres from the pelvis, both ankles and the joint angles of the upper body. */
export function poseSkeleton(
  body: Body,
  pelvis: Vec3,
  ankles: Readonly<Record<Side, Vec3>>,
  angles: JointAngles,
): SkeletonPose {
  const lean = radians(angles.trunkLean);
  const side = radians(angles.trunkSideLean);
  const trunkUp = unit(vec3(Math.sin(lean), Math.cos(lean) * Math.cos(side), -Math.sin(side)));
  const pelvisRight = rightVector(angles.pelvisYaw, 0);
  const thoraxRight = rightVector(angles.thoraxYaw, angles.trunkSideLean * 0.9);
  const neckBase = add(pelvis, scale(trunkUp, body.trunk * 1.03));
  const shoulderLine = add(pelvis, scale(trunkUp, body.trunk));

  const pitch = radians(angles.headPitch);
  const headYaw = radians(angles.thoraxYaw * 0.25);
  const headForward = unit(
    vec3(Math.cos(pitch) * Math.cos(headYaw), Math.sin(pitch), Math.cos(pitch) * Math.sin(headYaw)),
  );
  const headRight = unit(cross(headForward, vec3(0, 1, 0)));
  const headUp = cross(headRight, headForward);
  const neckUp = unit(mix(trunkUp, headUp, 0.6));
  const head = add(neckBase, scale(neckUp, body.neck + 0.062 * body.height));

  const points: Record<string, Vec3> = {};
  const h = body.height;
  points['nose'] = add(head, add(scale(headForward, 0.062 * h), scale(headUp, -0.012 * h)));
  for (const s of ['left', 'right'] as const) {
    const sign = SIGN[s];
    const at = (f: number, u: number, r: number): Vec3 =>
      add(head, add(scale(headForward, f * h), add(scale(headUp, u * h), scale(headRight, sign * r * h))));
    points[`${s}-eye-inner`] = at(0.054, 0.008, 0.01);
    points[`${s}-eye`] = at(0.052, 0.008, 0.018);
    points[`${s}-eye-outer`] = at(0.047, 0.008, 0.026);
    points[`${s}-ear`] = at(-0.004, -0.002, 0.044);
    points[`mouth-${s}`] = at(0.05, -0.03, 0.014);

    const shoulder = add(shoulderLine, scale(thoraxRight, sign * body.shoulderHalfWidth));
    const direction = (swingDegrees: number): Vec3 => {
      const swing = radians(swingDegrees);
      const outward = radians(angles.armOutward[s]);
      return vec3(Math.sin(swing) * Math.cos(outward), -Math.cos(swing) * Math.cos(outward), sign * Math.sin(outward));
    };
    const elbow = add(shoulder, scale(direction(angles.armSwing[s]), body.upperArm));
    const forearm = direction(angles.armSwing[s] + angles.elbowFlexion[s]);
    const wrist = add(elbow, scale(forearm, body.forearm));
    points[`${s}-shoulder`] = shoulder;
    points[`${s}-elbow`] = elbow;
    points[`${s}-wrist`] = wrist;
    points[`${s}-index`] = add(wrist, scale(forearm, body.hand * 0.75));
    points[`${s}-pinky`] = add(wrist, add(scale(forearm, body.hand * 0.7), scale(thoraxRight, sign * 0.012 * h)));
    points[`${s}-thumb`] = add(wrist, add(scale(forearm, body.hand * 0.4), scale(thoraxRight, -sign * 0.018 * h)));

    const hip = add(pelvis, hipOffset(body, angles.pelvisYaw, s));
    const ankle = ankles[s];
    points[`${s}-hip`] = hip;
    points[`${s}-knee`] = solveKnee(
      body,
      hip,
      ankle,
      vec3(Math.cos(radians(angles.kneeOutward[s])), 0, sign * Math.sin(radians(angles.kneeOutward[s]))),
    );
    points[`${s}-ankle`] = ankle;
    const marks = footMarks(body, ankle, angles.footPitch[s]);
    points[`${s}-heel`] = marks.heel;
    points[`${s}-foot-index`] = marks.toe;
  }
  return { pelvis, neckBase, head, headForward, headUp, pelvisRight, thoraxRight, points };
}
