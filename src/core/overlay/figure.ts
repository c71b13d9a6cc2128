import type { Performance } from '../performance/performance';
import { BONES, JOINT_POINTS, type PointId } from '../points/body-points';
import { inRegion } from '../points/regions';
import { UNSURE_CONFIDENCE } from '../points/point-error';
import { ORIGIN } from '../points/track';
import type { Primitive } from './scene';

/**
 * Bones and joints of the smoothed points at a frame, in picture pixels.
 * @param lit a region to be drawn strong, the rest faint
 */
export function drawFigure(performance: Performance, frame: number, lit: string | null = null): readonly Primitive[] {
  const i = Math.min(performance.times.length - 1, Math.max(0, Math.round(frame)));
  const at = (id: PointId): { x: number; y: number } | null => {
    const series = performance.smoothed[id];
    if (!series || Number.isNaN(series.x[i]!)) return null;
    return { x: series.x[i]!, y: series.y[i]! };
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
  return [...bones, ...dots];
}
