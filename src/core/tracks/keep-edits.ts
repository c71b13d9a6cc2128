import type { PointId } from '../anatomy/body-points';
import { copySeries, emptySeries, type PointSeries, type Track } from './track';

/** Where each point of a track lies in every frame, as one number a frame; NaN where it is missing. */
export type Places = Readonly<Partial<Record<PointId, Float32Array<ArrayBuffer>>>>;

/** One number for a place: an edit changes it, as good as always, and files keep it to a hundredth. */
const placeAt = ({ x, y }: PointSeries, i: number): number => x[i]! + 0.37 * y[i]!;

/** Pixels by which a place is another one: files keep seven digits. */
const SAME = 0.02;
const isSame = (a: number, b: number): boolean => Math.abs(a - b) < SAME || (Number.isNaN(a) && Number.isNaN(b));

export const placesOf = (track: Track): Places =>
  Object.fromEntries(
    (Object.entries(track) as [PointId, PointSeries][]).map(([id, series]) => [
      id,
      Float32Array.from(series.x, (_, i) => placeAt(series, i)),
    ]),
  );

/**
 * A track that was derived anew, with what somebody changed in the one derived before.
 * @param before where its points lay as they were derived; @param changed the same, edited; @param anew as it is
 *   derived now
 */
export function keepEdits(before: Places, changed: Track, anew: Track): Track {
  const next: Partial<Record<PointId, PointSeries>> = { ...anew };
  for (const [id, edited] of Object.entries(changed) as [PointId, PointSeries][]) {
    const was = before[id];
    const series = copySeries(anew[id] ?? emptySeries(edited.x.length));
    let isEdited = false;
    for (let i = 0; i < edited.x.length; i++) {
      if (isSame(was ? was[i]! : NaN, placeAt(edited, i))) continue;
      isEdited = true;
      for (const key of ['x', 'y', 'confidence', 'origin'] as const) series[key][i] = edited[key][i]!;
    }
    if (isEdited) next[id] = series;
  }
  return next;
}
