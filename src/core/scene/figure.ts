import type { Performance } from '../performance/performance';
import { asFilmed } from '../performance/places';
import { BONES, isOwnPoint, JOINT_POINTS, type PointId } from '../anatomy/body-points';
import { inRegion } from '../anatomy/regions';
import { UNSURE_CONFIDENCE } from '../tracks/point-error';
import { ORIGIN } from '../tracks/track';
import type { Primitive } from '../geometry/primitives';

/** Frames of its way that are drawn behind a point of the movement's own. */
const TRAIL = 16;

/** Points beside the body with the way they came. */
function ownPoints(performance: Performance, i: number): readonly Primitive[] {
  return (Object.keys(performance.smoothed) as PointId[]).filter(isOwnPoint).flatMap((id): Primitive[] => {
    const { x, y } = performance.smoothed[id]!;
    if (Number.isNaN(x[i]!)) return [];
    let from = i;
    while (from > 0 && i - from < TRAIL && !Number.isNaN(x[from - 1]!)) from--;
    const way = Array.from({ length: i - from + 1 }, (_, k) =>
      asFilmed(performance, i, { x: x[from + k]!, y: y[from + k]! }),
    );
    return [
      ...way.slice(1).map((to, k): Primitive => ({ shape: 'segment', from: way[k]!, to, weight: 'faint' })),
      { shape: 'dot', at: way.at(-1)!, sure: true },
    ];
  });
}

/**
 * Bones and joints of the smoothed points at a frame, in picture pixels.
 * @param lit a region to be drawn strong, the rest faint
 */
export function drawFigure(performance: Performance, frame: number, lit: string | null = null): readonly Primitive[] {
  const i = Math.min(performance.times.length - 1, Math.max(0, Math.round(frame)));
  const at = (id: PointId): { x: number; y: number } | null => {
    const series = performance.smoothed[id];
    if (!series || Number.isNaN(series.x[i]!)) return null;
    return asFilmed(performance, i, { x: series.x[i]!, y: series.y[i]! });
  };
  const bones = BONES.flatMap(([a, b]): Primitive[] => {
    const from = at(a);
    const to = at(b);
    const weight = lit === null ? 'bone' : inRegion(lit, a) && inRegion(lit, b) ? 'measure' : 'faint';
    return from && to ? [{ shape: 'segment', from, to, weight }] : [];
  });
  const dots = JOINT_POINTS.flatMap((id): Primitive[] => {
    const point = at(id);
    const raw = performance.raw[id];
    if (!point || !raw) return [];
    const sure = raw.origin[i] === ORIGIN.hand || raw.confidence[i]! >= UNSURE_CONFIDENCE;
    return [{ shape: 'dot', at: point, sure }];
  });
  return [...bones, ...dots, ...ownPoints(performance, i)];
}
