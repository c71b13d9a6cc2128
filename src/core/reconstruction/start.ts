import type { PointId } from '../anatomy/body-points';
import { solve } from '../geometry/solve';
import type { Rotation } from '../calibration/turning-camera';
import { isJoint } from './body';
import { rotationOf, type Pinhole } from './pinhole';
import type { CameraPrior, Problem, Sightings, State } from './problem';
import type { FigureCamera } from '../tracks/spatial-view';

/** Middle of what a camera saw of the body where every camera saw it, pixels. */
function middlesOf(saw: readonly Sightings[], ids: readonly PointId[]): readonly (readonly [number, number])[] {
  const sums = saw.map(() => [0, 0] as [number, number]);
  let n = 0;
  for (let i = 0; i < saw[0]!.x.length; i++) {
    if (!isJoint(ids[i % ids.length]!) || saw.some((s) => Number.isNaN(s.x[i]!))) continue;
    n++;
    saw.forEach((s, c) => {
      sums[c]![0] += s.x[i]!;
      sums[c]![1] += s.y[i]!;
    });
  }
  return sums.map(([x, y]) => [x / n, y / n] as const);
}

/**
 * Every point by least squares from cameras that are taken as far away (parallel projection): what an adjustment
 * starts from.
 * @param stature standing height in each camera's picture, pixels
 */
export function startOf(
  { cameras, links, ids, times, sightings }: Problem,
  directions: readonly FigureCamera[],
  stature: readonly number[],
): State {
  const still = { offset: 0, drift: 0 };
  const saw = cameras.map((_, c) => sightings(c, still));
  const middles = middlesOf(saw, ids);
  const rotations = directions.map(rotationOf);
  const points = new Float64Array(3 * ids.length * times.length);
  for (let i = 0; i < ids.length * times.length; i++) {
    const matrix = [0, 1, 2].map(() => [0, 0, 0]);
    const right = [0, 0, 0];
    const add = (row: readonly number[], value: number): void => {
      for (let a = 0; a < 3; a++) {
        right[a] = right[a]! + row[a]! * value;
        for (let b = 0; b < 3; b++) matrix[a]![b] = matrix[a]![b]! + row[a]! * row[b]!;
      }
    };
    saw.forEach(({ x, y }, c) => {
      if (Number.isNaN(x[i]!)) return;
      const R = rotations[c]!;
      add([R[0], R[1], R[2]], (x[i]! - middles[c]![0]) / stature[c]!);
      add([R[3], R[4], R[5]], (y[i]! - middles[c]![1]) / stature[c]!);
    });
    // What a single camera saw lies in the middle of the depth.
    for (let a = 0; a < 3; a++) matrix[a]![a] = matrix[a]![a]! + 1e-3;
    const at = solve(matrix, right) ?? [0, 0, 0];
    points.set(at, 3 * i);
  }
  const pinholes = cameras.map((prior, c) => pinholeAt(prior, rotations[c]!, middles[c]!, stature[c]!));
  return {
    cameras: pinholes,
    clocks: cameras.map(() => still),
    lengths: Float64Array.from(links.lengths, ({ length }) => Math.log(length)),
    biases: new Float64Array(2 * cameras.length * ids.length),
    points,
  };
}

/** A camera that sees the origin where the middle of the points is, and a body as tall as it was seen. */
function pinholeAt(
  { focal, width, height }: CameraPrior,
  rotation: Rotation,
  [x, y]: readonly [number, number],
  stature: number,
): Pinhole {
  const depth = focal / stature;
  const [centreX, centreY] = [width / 2, height / 2];
  return {
    rotation,
    translation: Float64Array.of(((x - centreX) / focal) * depth, ((y - centreY) / focal) * depth, depth),
    focal,
    centreX,
    centreY,
  };
}
