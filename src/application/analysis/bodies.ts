import { clockSdOf, spaceCameraOf, type PreparedTrial } from '../../core/reconstruction/camera-of-trial';
import type { SpaceCamera } from '../../core/reconstruction/problem-of-cameras';
import { reconstruct } from '../../core/reconstruction/reconstruct';
import type { Body } from '../../core/reconstruction/stated-body';
import type { BenchClip } from '../bench/bench-clips';

/** Bodies in space by the main clip of their performance. */
export type Bodies = ReadonlyMap<string, Body>;
export const NO_BODIES: Bodies = new Map();

/** A performance that several cameras saw, each with detected points and joined to the first. */
export interface Filmed {
  readonly mainId: string;
  readonly name: string;
  /** What a body in space follows from: as long as these stay, it does. */
  readonly from: readonly unknown[];
  readonly cameras: () => readonly SpaceCamera[];
}

const hasPoints = ({ trial }: BenchClip): boolean => Object.keys(trial.smoothed).length > 0;

/** What of a clip a body in space depends on. */
const madeOf = ({ clip, smoothed }: PreparedTrial): readonly unknown[] => [
  smoothed,
  clip.view.kind,
  clip.view.offPlaneDegrees,
  clip.view.downDegrees,
  clip.travel,
  clip.levelDegrees,
  clip.camera,
  clip.frameTimes,
  clip.captureRate,
  clip.rateChanges,
  JSON.stringify(clip.sync),
];

/** Every performance of which a body in space can be computed. */
export function filmedBySeveral(clips: readonly BenchClip[]): readonly Filmed[] {
  return clips
    .filter((main) => main.join === null && hasPoints(main) && !main.trial.clip.figure)
    .flatMap((main) => {
      const others = clips.filter(
        (c) => c.join?.mainId === main.trial.clip.id && hasPoints(c) && c.trial.clip.sync!.pairs.length > 0,
      );
      if (others.length === 0) return [];
      return [
        {
          mainId: main.trial.clip.id,
          name: main.trial.clip.performer.name,
          from: [main, ...others].flatMap(({ trial }) => madeOf(trial)),
          cameras: () => [
            spaceCameraOf(main.trial, null, 0),
            ...others.map(({ trial, join }) =>
              spaceCameraOf(trial, join!.map, clockSdOf(main.trial, trial, trial.clip.sync!.pairs.length)),
            ),
          ],
        },
      ];
    });
}

/** All bodies at once, where nobody waits for them: in a worker. */
export function bodiesOf(clips: readonly BenchClip[]): Bodies {
  return new Map(
    filmedBySeveral(clips).flatMap(({ mainId, cameras }) => {
      const body = reconstruct(cameras());
      return body.ok ? [[mainId, body.value] as const] : [];
    }),
  );
}
