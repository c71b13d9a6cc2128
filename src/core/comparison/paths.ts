import { cameraAngles } from '../calibration/view';
import type { Movement } from '../model/movement';
import type { PointRef } from '../model/quantity';
import type { Trial } from '../trial/trial';
import { pointAt } from '../trial/places';
import { trajectoryOf, type SeenFrom } from '../trial/trajectory';

/** A point's way from the first to the last marked moment, x forward and y up, in standing heights. */
export interface PointPath {
  readonly clipId: string;
  /** Frame of every place. */
  readonly frames: readonly number[];
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Index of the place at which each moment lies. */
  readonly moments: Readonly<Record<string, number>>;
}

export interface PathOptions {
  readonly point: PointRef;
  /** Seen from a point, on axes that may turn with a line, or from where the point itself is at a moment. */
  readonly from: Pick<SeenFrom, 'relativeTo' | 'line'> | { readonly moment: string };
}

/**
 * The way of a point, so that it can be laid over that of another trial: both begin at the same place, go the
 * same way and are in standing heights.
 * @returns null where the point, the height or two moments are not known
 */
export function pathOf(movement: Movement, trial: Trial, { point, from }: PathOptions): PointPath | null {
  const marked = movement.moments.map((m) => trial.marks[m.id]).filter((frame) => frame !== undefined);
  if (trial.clip.pictures || marked.length < 2 || Number.isNaN(trial.bodyHeight)) return null;
  const camera = cameraAngles(trial.clip);
  const [first, last] = [Math.round(Math.min(...marked)), Math.round(Math.max(...marked))];
  const atEvent = 'moment' in from;
  const fixed = atEvent ? trial.marks[from.moment] : undefined;
  const origin = fixed === undefined ? null : pointAt(trial, point, fixed, camera);
  if (atEvent && !origin) return null;
  const trajectory = trajectoryOf(trial, { point, ...(atEvent ? { relativeTo: null, line: null } : from) }, camera);
  const frames = Array.from({ length: last - first + 1 }, (_, k) => first + k);
  const places = frames.map((frame) => ({
    x: (trajectory.x[frame]! - (origin?.x ?? 0)) / trial.bodyHeight,
    y: (trajectory.y[frame]! - (origin?.y ?? 0)) / trial.bodyHeight,
  }));
  if (places.every((p) => Number.isNaN(p.x))) return null;
  return {
    clipId: trial.clip.id,
    frames,
    x: Float64Array.from(places, (p) => p.x),
    y: Float64Array.from(places, (p) => p.y),
    moments: Object.fromEntries(
      movement.moments.flatMap((m) =>
        trial.marks[m.id] === undefined ? [] : [[m.id, Math.round(trial.marks[m.id]!) - first]],
      ),
    ),
  };
}
