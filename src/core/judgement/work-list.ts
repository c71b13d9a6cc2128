import { viewRefusal } from '../calibration/view';
import { refsOfMeasure } from '../measures';
import { eventsOf } from '../model/measure';
import type { Movement } from '../model/movement';
import type { Trial } from '../trial/trial';
import { partsOf } from '../trial/places';
import { isOwnPoint, JOINT_POINTS, type BodyPoint, type PointId } from '../anatomy/body-points';
import { UNSURE_CONFIDENCE } from '../tracks/point-error';
import { isFromDetector } from '../tracks/track';

/** Points in the order in which a movement's measures name them, then its own, then the rest of the joints. */
export function placingOrder(movement: Movement, trial: Trial): readonly PointId[] {
  const needed = movement.measures
    .flatMap(refsOfMeasure)
    .flatMap((ref) => partsOf(ref, trial.clip.performer, trial.raw).map(({ id }) => id));
  return [
    ...new Set<PointId>([
      ...needed.filter((id) => isOwnPoint(id) || JOINT_POINTS.includes(id as BodyPoint)),
      ...movement.points.map((p) => p.id),
      ...JOINT_POINTS,
    ]),
  ];
}

/** A point that a measure needs at a moment and that is not known there, or not surely. */
export interface WorkItem {
  readonly eventId: string;
  readonly frame: number;
  readonly id: PointId;
  readonly state: 'missing' | 'unsure';
  /** Names of the measures that wait for it. */
  readonly measures: readonly string[];
}

/**
 * What is still to be placed or checked before the movement's measures can be trusted in this clip, in the order of its
 * moments.
 */
export function workList(movement: Movement, trial: Trial): readonly WorkItem[] {
  const items = new Map<string, WorkItem & { measures: string[] }>();
  for (const moment of movement.moments) {
    const mark = trial.marks[moment.id];
    if (mark === undefined) continue;
    const frame = Math.round(mark);
    for (const measure of movement.measures) {
      if (!eventsOf(measure).includes(moment.id) || viewRefusal(trial.clip, measure.plane)) continue;
      for (const { id } of refsOfMeasure(measure).flatMap((ref) =>
        partsOf(ref, trial.clip.performer, trial.smoothed),
      )) {
        const known = trial.smoothed[id]?.x[frame];
        const series = trial.raw[id];
        const missing = known === undefined || Number.isNaN(known);
        const unsure =
          !missing &&
          isFromDetector(series?.origin[frame]) &&
          trial.smoothed[id]!.confidence[frame]! < UNSURE_CONFIDENCE;
        if (!missing && !unsure) continue;
        const key = `${moment.id} ${id}`;
        const item = items.get(key) ?? {
          eventId: moment.id,
          frame,
          id,
          state: missing ? ('missing' as const) : ('unsure' as const),
          measures: [],
        };
        if (!item.measures.includes(measure.name)) item.measures.push(measure.name);
        items.set(key, item);
      }
    }
  }
  return [...items.values()];
}
