import { levelOf } from '../calibration/level';
import { lensOf, USUAL_ELEVATION } from '../calibration/usual-camera';
import { directionOf } from '../calibration/camera-direction';
import { cameraOffPlane, downSd } from '../calibration/view';
import { wrapDegrees } from '../geometry/angle';
import { LENGTH_SHARES } from '../anatomy/segment-table';
import { isOwnPoint, type PointId } from '../anatomy/body-points';
import type { Clip } from '../model/clip';
import { afterSmoothing } from '../signal/noise';
import type { SyncMap } from '../timing/sync-map';
import type { PointSeries, Track } from '../tracks/track';
import { bodyInPicture } from '../tracks/body-in-picture';
import { jitterOf } from '../trial/places';
import type { Trial } from '../trial/trial';
import { isJoint } from './body';
import type { CameraPrior } from './problem';
import { seenErrors } from './seen-errors';
import type { SpaceCamera } from './problem-of-cameras';
import type { SeenPoint } from './seen-points';

/** How far a camera stands from where its view says, degrees (common practice). */
const AZIMUTH_SD = 15;
/** How level a picture is that nobody levelled, degrees (common practice). */
const ROLL_SD = 1.5;

/**
 * Where a view's camera stands, degrees: 0 sees the right side, 90 the front, of a performer who faces along x; one
 * above the performer is as one beside it that was lifted.
 */
export const statedAzimuth = (clip: Pick<Clip, 'view' | 'travel'>): number =>
  0 - wrapDegrees((directionOf(clip) ?? (clip.travel === 'right' ? 90 : 270)) - 90);

function priorOf(clip: Clip, clockSd: number): Omit<CameraPrior, 'biasSd'> {
  const above = clip.view.kind === 'overhead';
  const stated = above ? undefined : clip.view.downDegrees;
  const elevation =
    stated === undefined ? USUAL_ELEVATION[above ? 'above' : 'level'] : { degrees: stated, sd: downSd(clip.view) };
  const { focal, logSd } = lensOf(clip);
  return {
    azimuthDegrees: statedAzimuth(clip),
    azimuthSd: AZIMUTH_SD,
    elevationDegrees: elevation.degrees,
    elevationSd: elevation.sd,
    roll: above ? null : { degrees: (-levelOf(clip) * 180) / Math.PI, sd: ROLL_SD },
    focal,
    focalLogSd: logSd,
    width: clip.width,
    height: clip.height,
    clockSd,
  };
}

/** Standing height in a picture from whichever limbs lie in its plane at times: their longest, by usual shares. */
function statureByLimbs(track: Track): number {
  const heights = (
    [
      ['shoulder', 'elbow', LENGTH_SHARES.upperArm],
      ['elbow', 'wrist', LENGTH_SHARES.forearm],
      ['hip', 'knee', LENGTH_SHARES.thigh],
      ['knee', 'ankle', LENGTH_SHARES.shank],
    ] as const
  ).flatMap(([from, to, share]) =>
    (['left', 'right'] as const).flatMap((side) => {
      const [a, b] = [track[`${side}-${from}`], track[`${side}-${to}`]];
      if (!a || !b) return [];
      const lengths = Array.from(a.x, (x, i) => Math.hypot(x - b.x[i]!, a.y[i]! - b.y[i]!))
        .filter((v) => !Number.isNaN(v))
        .sort((p, q) => p - q);
      const long = lengths[Math.floor(0.95 * lengths.length)];
      return long === undefined ? [] : [long / share];
    }),
  );
  heights.sort((p, q) => p - q);
  return heights[heights.length >> 1] ?? NaN;
}

function seenPoint(trial: PreparedTrial, id: PointId, smoothed: PointSeries, stature: number): SeenPoint {
  const raw = trial.raw[id] ?? smoothed;
  const noise = afterSmoothing(jitterOf(trial, id), trial.cutoff, trial.interval);
  return {
    x: smoothed.x,
    y: smoothed.y,
    rawX: raw.x,
    rawY: raw.y,
    ...seenErrors(trial.clip, id, smoothed, stature, noise),
  };
}

/** A clip with its points smoothed; moments are not needed. */
export type PreparedTrial = Omit<Trial, 'marks' | 'timing' | 'checks'>;

/** From the first to the last time at which the body is in the picture. */
function inPicture({ smoothed, times }: PreparedTrial): readonly [from: number, to: number] {
  const [first, last] = bodyInPicture(smoothed) ?? [0, times.length - 1];
  return [times[first]!, times[last]!];
}

/**
 * One camera of a performance as the geometry needs it.
 * @param map from the first camera's time to this one's; null for the first camera itself
 * @param clockSd how well the two clocks are brought together, seconds
 */
export function spaceCameraOf(trial: PreparedTrial, map: SyncMap | null, clockSd: number): SpaceCamera {
  const { clip, smoothed, times, bodyHeight } = trial;
  const rate = map ? 1 + map.drift : 1;
  const height = clip.view.kind === 'overhead' || Number.isNaN(bodyHeight) ? statureByLimbs(smoothed) : bodyHeight;
  const stature = height * (clip.view.kind === 'side' ? Math.cos(cameraOffPlane(clip).angle) : 1);
  const points = Object.fromEntries(
    (Object.entries(smoothed) as [PointId, PointSeries][])
      .filter(([id]) => isJoint(id) || isOwnPoint(id))
      .map(([id, series]) => [id, seenPoint(trial, id, series, stature)]),
  );
  return {
    clip: {
      clipId: clip.id,
      width: clip.width,
      height: clip.height,
      times,
      clock: { offset: map ? map.map(0) : 0, rate },
      points,
    },
    inPicture: inPicture(trial),
    prior: priorOf(clip, clockSd),
    stature,
  };
}

/** How well two cameras are brought together by frames that are one instant in both: each is the nearest frame. */
export const clockSdOf = (first: PreparedTrial, own: PreparedTrial, pairs: number): number =>
  Math.hypot(first.interval, own.interval) / Math.sqrt(12 * Math.max(1, pairs));
