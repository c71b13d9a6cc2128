import type { Trial } from './motion';
import { add, scale, subtract, vec3, type Vec3 } from './vec3';

export const BALL_RADIUS = 0.036;
const GRAVITY = 9.81;
const SPEED = 31;

/** The ball: in the bowling hand until release, then in free flight. */
export function ballAt(trial: Trial, time: number): Vec3 {
  const release = trial.moments['release'] ?? Infinity;
  const held = (t: number): Vec3 => {
    const { points } = trial.poseAt(t);
    const finger = points['right-index']!;
    return add(finger, scale(subtract(finger, points['right-wrist']!), 0.25));
  };
  if (time <= release) return held(time);
  const t = time - release;
  return add(held(release), vec3(SPEED * t, -0.05 * SPEED * t - 0.5 * GRAVITY * t * t, 0));
}
