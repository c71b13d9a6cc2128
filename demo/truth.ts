import type { Vec3 } from './athlete/vec3';
import { project, turnAt } from './camera/camera';
import { trialOf, type DemoClip } from './scenario';

/** What the generator knows of one rendered clip. */
export interface ClipTruth {
  readonly clip: string;
  readonly performer: string;
  readonly planted: DemoClip['planted'];
  readonly frameRate: number;
  /** Seconds from the first frame. */
  readonly moments: Readonly<Record<string, number>>;
  /** The same for every repetition, where the movement repeats. */
  readonly repetitions?: readonly Readonly<Record<string, number>>[];
  /** Point names, in the order of the arrays below. */
  readonly points: readonly string[];
  /** Per frame, per point: x and y in pixels. */
  readonly pixels: readonly (readonly (readonly [number, number])[])[];
  /** Per frame, per point: x, y, z in metres. */
  readonly metres: readonly (readonly (readonly [number, number, number])[])[];
  /** Per frame: pan, tilt and roll in degrees, and zoom, of a camera that moves. */
  readonly camera?: readonly (readonly [number, number, number, number])[];
}

const round = (value: number, digits: number): number => Number(value.toFixed(digits));

export function truthOf(clip: DemoClip): ClipTruth {
  const trial = trialOf(clip);
  const { frameRate } = clip.camera;
  const frames = Math.floor((trial.end - trial.start) * frameRate);
  const names = [...Object.keys(trial.poseAt(0).points), ...Object.keys(trial.objects)];
  const poses = Array.from({ length: frames }, (_, i) => {
    const time = trial.start + i / frameRate;
    return {
      time,
      points: {
        ...trial.poseAt(time).points,
        ...Object.fromEntries(Object.entries(trial.objects).map(([id, at]) => [id, at(time)])),
      } as Record<string, Vec3>,
    };
  });
  const fromFirstFrame = (moments: Readonly<Record<string, number>>): Record<string, number> =>
    Object.fromEntries(Object.entries(moments).map(([id, time]) => [id, round(time - trial.start, 5)]));
  return {
    clip: clip.id,
    performer: clip.performer,
    planted: clip.planted,
    frameRate,
    moments: fromFirstFrame(trial.moments),
    ...(trial.repetitions.length > 1 ? { repetitions: trial.repetitions.map(fromFirstFrame) } : {}),
    points: names,
    pixels: poses.map((pose) =>
      names.map((name) => {
        const { x, y } = project(clip.camera, pose.points[name]!, pose.time);
        return [round(x, 2), round(y, 2)] as const;
      }),
    ),
    ...(clip.camera.motion
      ? {
          camera: poses.map(({ time }) => {
            const { pan, tilt, roll, zoom } = turnAt(clip.camera, time);
            return [round(pan, 4), round(tilt, 4), round(roll, 4), round(zoom, 5)] as const;
          }),
        }
      : {}),
    metres: poses.map((pose) =>
      names.map((name) => {
        const { x, y, z } = pose.points[name]!;
        return [round(x, 4), round(y, 4), round(z, 4)] as const;
      }),
    ),
  };
}
