import type { Trial } from '../trial/trial';
import { asFilmed } from '../trial/places';
import { BONES, isOwnPoint, JOINT_POINTS, type PointId } from '../anatomy/body-points';
import { inRegion } from '../anatomy/regions';
import { UNSURE_CONFIDENCE } from '../tracks/point-error';
import { ORIGIN } from '../tracks/track';
import type { Primitive } from '../geometry/primitives';

/** Frames of its way that are drawn behind a point of the movement's own. */
const TRAIL = 16;

/** Points beside the body with the way they came. */
function ownPoints(trial: Trial, i: number): readonly Primitive[] {
  return (Object.keys(trial.smoothed) as PointId[]).filter(isOwnPoint).flatMap((id): Primitive[] => {
    const { x, y } = trial.smoothed[id]!;
    if (Number.isNaN(x[i]!)) return [];
    let from = i;
    while (from > 0 && i - from < TRAIL && !Number.isNaN(x[from - 1]!)) from--;
    const trajectory = Array.from({ length: i - from + 1 }, (_, k) =>
      asFilmed(trial, i, { x: x[from + k]!, y: y[from + k]! }),
    );
    return [
      ...trajectory
        .slice(1)
        .map((to, k): Primitive => ({ shape: 'segment', from: trajectory[k]!, to, weight: 'faint' })),
      { shape: 'dot', at: trajectory.at(-1)!, sure: true },
    ];
  });
}

/**
 * Bones and joints of the smoothed points at a frame, in picture pixels.
 * @param lit a region to be drawn strong, the rest faint
 */
export function drawFigure(trial: Trial, frame: number, lit: string | null = null): readonly Primitive[] {
  const i = Math.min(trial.times.length - 1, Math.max(0, Math.round(frame)));
  const at = (id: PointId): { x: number; y: number } | null => {
    const series = trial.smoothed[id];
    if (!series || Number.isNaN(series.x[i]!)) return null;
    return asFilmed(trial, i, { x: series.x[i]!, y: series.y[i]! });
  };
  const bones = BONES.flatMap(([a, b]): Primitive[] => {
    const from = at(a);
    const to = at(b);
    const weight = lit === null ? 'bone' : inRegion(lit, a) && inRegion(lit, b) ? 'measure' : 'faint';
    return from && to ? [{ shape: 'segment', from, to, weight }] : [];
  });
  const dots = JOINT_POINTS.flatMap((id): Primitive[] => {
    const point = at(id);
    const raw = trial.raw[id];
    if (!point || !raw) return [];
    const sure = raw.origin[i] === ORIGIN.hand || raw.confidence[i]! >= UNSURE_CONFIDENCE;
    return [{ shape: 'dot', at: point, sure }];
  });
  return [...bones, ...dots, ...ownPoints(trial, i)];
}
