import type { Trial } from './motion';
import type { SkeletonPose } from './skeleton-pose';
import { vec3, type Vec3 } from './vec3';

/**
 * A trial turned by half a turn about the vertical, so that it goes the other way; its origin comes to lie at x,
 * z.
 */
export function turnedRound(trial: Trial, x: number, z: number): Trial {
  const place = (p: Vec3): Vec3 => vec3(x - p.x, p.y, z - p.z);
  const direction = (d: Vec3): Vec3 => vec3(-d.x, d.y, -d.z);
  const turned = (pose: SkeletonPose): SkeletonPose => ({
    pelvis: place(pose.pelvis),
    neckBase: place(pose.neckBase),
    head: place(pose.head),
    headForward: direction(pose.headForward),
    headUp: direction(pose.headUp),
    pelvisRight: direction(pose.pelvisRight),
    thoraxRight: direction(pose.thoraxRight),
    points: Object.fromEntries(Object.entries(pose.points).map(([id, p]) => [id, place(p)])),
  });
  return {
    ...trial,
    poseAt: (time) => turned(trial.poseAt(time)),
    objects: Object.fromEntries(
      Object.entries(trial.objects).map(([id, at]) => [id, (time: number) => place(at(time))]),
    ),
  };
}
