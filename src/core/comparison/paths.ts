import { offPlane } from '../calibration/view';
import type { Movement, PointRef } from '../model/movement';
import type { Performance } from '../performance/performance';
import { pointAt } from '../performance/places';
import { wayOfPoint, type SeenFrom } from '../performance/way';

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
 * The way of a point, so that it can be laid over that of another performance: both begin at the same place, go the
 * same way and are in standing heights.
 * @returns null where the point, the height or two moments are not known
 */
export function pathOf(movement: Movement, performance: Performance, { point, from }: PathOptions): PointPath | null {
  const marked = movement.moments.map((m) => performance.marks[m.id]).filter((frame) => frame !== undefined);
  if (marked.length < 2 || Number.isNaN(performance.bodyHeight)) return null;
  const { angle: psi } = offPlane(performance.clip);
  const [first, last] = [Math.round(Math.min(...marked)), Math.round(Math.max(...marked))];
  const atMoment = 'moment' in from;
  const fixed = atMoment ? performance.marks[from.moment] : undefined;
  const origin = fixed === undefined ? null : pointAt(performance, point, fixed, psi);
  if (atMoment && !origin) return null;
  const way = wayOfPoint(performance, { point, ...(atMoment ? { relativeTo: null, line: null } : from) }, psi);
  const frames = Array.from({ length: last - first + 1 }, (_, k) => first + k);
  const places = frames.map((frame) => ({
    x: (way.x[frame]! - (origin?.x ?? 0)) / performance.bodyHeight,
    y: (way.y[frame]! - (origin?.y ?? 0)) / performance.bodyHeight,
  }));
  if (places.every((p) => Number.isNaN(p.x))) return null;
  return {
    clipId: performance.clip.id,
    frames,
    x: Float64Array.from(places, (p) => p.x),
    y: Float64Array.from(places, (p) => p.y),
    moments: Object.fromEntries(
      movement.moments.flatMap((m) =>
        performance.marks[m.id] === undefined ? [] : [[m.id, Math.round(performance.marks[m.id]!) - first]],
      ),
    ),
  };
}
