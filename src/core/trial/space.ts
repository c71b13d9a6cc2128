import type { PointId } from '../anatomy/body-points';
import type { SpatialTrack } from '../tracks/marker-map';

export type Triple = readonly [number, number, number];

/** Where a trial's points are in space. */
export interface Space {
  /** Smoothed, y up; metres, or standing heights where no length is known. */
  readonly points: SpatialTrack;
  /** A unit of them in the trial's picture, pixels. */
  readonly pixelsPerUnit: number;
  /** From where the performer is seen to go to the right, degrees round the vertical; left out where nobody asked. */
  readonly azimuthDegrees?: number;
  /** Of points computed from several cameras; left out for recorded ones, whose errors are those of the picture. */
  readonly errors?: SpaceErrors;
}

/** How wrong points in space may be that were computed together. */
export interface SpaceErrors {
  readonly ids: readonly PointId[];
  /** Frame by frame: covariance of x, y, z point by point, the lower triangle row by row; empty where nothing is known. */
  readonly covariances: readonly Float32Array[];
  /** Right and up of the trial's picture, as directions in space. */
  readonly right: Triple;
  readonly up: Triple;
  /** How well straight ahead of the performer is known, radians. */
  readonly headingSd: number;
}

/** What a number changes by with a point's x, y and z. */
export type Gradient = ReadonlyMap<PointId, Triple>;

const MOST_FRAMES_AWAY = 1;

/** Covariance at a frame or beside it; null where nothing is known there. */
function covarianceAt({ covariances }: SpaceErrors, frame: number): Float32Array | null {
  for (let away = 0; away <= MOST_FRAMES_AWAY; away++)
    for (const at of [frame - away, frame + away]) if (covariances[at]?.length) return covariances[at];
  return null;
}

/** Variance of a number that changes with points in space, first order (JCGM 100:2008, 5.2.2); NaN where not known. */
export function varianceInSpace(errors: SpaceErrors, frame: number, gradient: Gradient): number {
  const triangle = covarianceAt(errors, Math.round(frame));
  if (!triangle) return NaN;
  const entries = [...gradient].flatMap(([id, slopes]) => {
    const j = errors.ids.indexOf(id);
    return slopes.map((slope, axis) => ({ at: 3 * j + axis, slope }));
  });
  if (entries.some(({ at }) => at < 0)) return NaN;
  let sum = 0;
  for (const a of entries)
    for (const b of entries) {
      const [low, high] = a.at < b.at ? [a.at, b.at] : [b.at, a.at];
      sum += a.slope * b.slope * triangle[(high * (high + 1)) / 2 + low]!;
    }
  return Math.max(0, sum);
}

/** Standard deviation of a point in the trial's picture, mean of both directions, pixels; NaN where not known. */
export function pictureSd({ errors, pixelsPerUnit }: Space, id: PointId, frame: number): number {
  if (!errors) return NaN;
  const along = (direction: Triple): number => varianceInSpace(errors, frame, new Map([[id, direction]]));
  return pixelsPerUnit * Math.sqrt((along(errors.right) + along(errors.up)) / 2);
}
