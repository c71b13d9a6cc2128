import type { Layout, Problem, State } from './problem';
import { OF_CAMERA } from './problem';
import type { Shared } from './residuals';

const RADIANS = Math.PI / 180;
/** The first camera's direction and place are where all is measured from; so well they are held, radians and heights. */
const HELD = 1e-4;
/** Clocks of two cameras drift by less (common practice), seconds a second. */
const DRIFT_SD = 1e-4;

/** A prior as one row: what is off by how much, and how that changes with the shared unknowns. */
type AddRow = (residual: number, entries: readonly (readonly [number, number])[]) => void;

function addCamera(problem: Problem, state: State, first: State, c: number, row: AddRow): void {
  const prior = problem.cameras[c]!;
  const { rotation: R, translation, focal } = state.cameras[c]!;
  const base = OF_CAMERA * c;
  const right = [R[0], R[1], R[2]] as const;
  // To the right in the world: the first row of R, which w changes by w_y times the third less w_z times the second.
  const level = right[0] ** 2 + right[2] ** 2;
  const azimuth = Math.atan2(-right[2], right[0]);
  const off = azimuth - prior.azimuthDegrees * RADIANS;
  const k = 1 / (c === 0 ? HELD : prior.azimuthSd * RADIANS);
  const along = (row1: number): number => (right[2] * R[row1]! - right[0] * R[row1 + 2]!) / level;
  row(Math.atan2(Math.sin(off), Math.cos(off)) * k, [
    [base + 1, along(6) * k],
    [base + 2, -along(3) * k],
  ]);
  // Up in the camera's axes, which w turns with it: the second column of R.
  const [ux, uy, uz] = [R[1], R[4], R[7]];
  const turned = [
    [0, -uz, uy],
    [uz, 0, -ux],
    [-uy, ux, 0],
  ] as const;
  const elevation = Math.asin(Math.max(-1, Math.min(1, -uz)));
  const ke = 1 / (prior.elevationSd * RADIANS);
  const slope = -1 / Math.sqrt(Math.max(1e-6, 1 - uz * uz));
  row(
    (elevation - prior.elevationDegrees * RADIANS) * ke,
    turned.map(([, , dz], i) => [base + i, slope * dz * ke]),
  );
  if (prior.roll) {
    const kr = 1 / (prior.roll.sd * RADIANS);
    const flat = ux * ux + uy * uy;
    row(
      (Math.atan2(ux, -uy) - prior.roll.degrees * RADIANS) * kr,
      turned.map(([dx, dy], i) => [base + i, ((-uy * dx + ux * dy) / flat) * kr]),
    );
  }
  row(Math.log(focal / prior.focal) / prior.focalLogSd, [[base + 6, 1 / prior.focalLogSd]]);
  if (c > 0) return;
  for (let i = 0; i < 3; i++)
    row((translation[i]! - first.cameras[0]!.translation[i]!) / HELD, [[base + 3 + i, 1 / HELD]]);
}

/**
 * Adds what is known beforehand to the normal equations.
 * @param first the state from which the adjustment began: the first camera stays where it was put
 * @param into null to have the cost alone
 * @returns cost, as of the frames
 */
export function addPriors(problem: Problem, layout: Layout, state: State, first: State, into: Shared | null): number {
  let cost = 0;
  const m = layout.size;
  const row: AddRow = (residual, entries) => {
    cost += residual * residual;
    if (!into) return;
    for (const [i, a] of entries) {
      into.gradient[i] = into.gradient[i]! + a * residual;
      for (const [j, b] of entries) into.matrix[i * m + j] = into.matrix[i * m + j]! + a * b;
    }
  };
  state.cameras.forEach((_, c) => addCamera(problem, state, first, c, row));
  for (let c = 1; c < state.cameras.length; c++) {
    const [at, { clockSd }] = [layout.clock(c), problem.cameras[c]!];
    row(state.clocks[c]!.offset / clockSd, [[at, 1 / clockSd]]);
    row(state.clocks[c]!.drift / DRIFT_SD, [[at + 1, 1 / DRIFT_SD]]);
  }
  problem.links.lengths.forEach(({ length, logSd }, i) =>
    row((state.lengths[i]! - Math.log(length)) / logSd, [[layout.length + i, 1 / logSd]]),
  );
  if (problem.biased) {
    problem.cameras.forEach(({ biasSd }, c) =>
      biasSd.forEach((sd, j) => {
        for (const axis of [0, 1]) {
          const i = 2 * (c * layout.points + j) + axis;
          row(state.biases[i]! / sd, [[layout.bias + i, 1 / sd]]);
        }
      }),
    );
  }
  return cost;
}
