import { onAxes } from '../geometry/vec2';
import type { PointRef } from '../model/quantity';
import type { Trial } from './trial';
import { placesOf, type Places } from './places';
import type { CameraAngles } from '../calibration/view';

/** A point, what it is seen from, and the line with which the axes turn; null for the picture's own. */
export interface SeenFrom {
  readonly point: PointRef;
  readonly relativeTo: PointRef | null;
  readonly line: readonly [PointRef, PointRef] | null;
}

/** Points that the way of a point needs: itself, what it is seen from, and the line that the axes turn with. */
export const refsOfTrajectory = ({ point, relativeTo, line }: SeenFrom): readonly PointRef[] => [
  ...new Set([point, ...(line ? [relativeTo ?? line[0], ...line] : relativeTo === null ? [] : [relativeTo])]),
];

/**
 * A point at every frame, pixels, NaN where it is not known: in movement coordinates, as seen from a point that moves
 * along (without one named, from where the line begins), and on axes that turn with a line.
 */
export function trajectoryOf(trial: Trial, { point, relativeTo, line }: SeenFrom, camera: CameraAngles): Places {
  const own = placesOf(trial, point, camera);
  const seenFrom = relativeTo ?? line?.[0];
  if (seenFrom === undefined) return own;
  const from = placesOf(trial, seenFrom, camera);
  const beside = { x: own.x.map((v, i) => v - from.x[i]!), y: own.y.map((v, i) => v - from.y[i]!) };
  if (!line) return beside;
  const [a, b] = line.map((ref) => placesOf(trial, ref, camera));
  beside.x.forEach((x, i) => {
    const turned = onAxes({ x, y: beside.y[i]! }, { x: a!.x[i]!, y: a!.y[i]! }, { x: b!.x[i]!, y: b!.y[i]! });
    beside.x[i] = turned.x;
    beside.y[i] = turned.y;
  });
  return beside;
}
