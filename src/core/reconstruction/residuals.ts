import type { Layout, Problem, Sightings, State } from './problem';
import { OF_CAMERA } from './problem';

/** Normal equations of one frame: its own unknowns, those that all frames share, and how the two go together. */
export interface Block {
  /** Own by own, n by n. */
  readonly own: Float64Array;
  /** Own by shared, n by m. */
  readonly border: Float64Array;
  readonly gradient: Float64Array;
}

export const emptyBlock = (n: number, m: number): Block => ({
  own: new Float64Array(n * n),
  border: new Float64Array(n * m),
  gradient: new Float64Array(n),
});

/** The part of the normal equations that all frames add to. */
export interface Shared {
  readonly matrix: Float64Array;
  readonly gradient: Float64Array;
}

/** One row of the Jacobian: where its entries stand, and what they are. */
interface Row {
  readonly ownAt: Int32Array;
  readonly own: Float64Array;
  ownCount: number;
  readonly sharedAt: Int32Array;
  readonly shared: Float64Array;
  sharedCount: number;
}

const emptyRow = (): Row => ({
  ownAt: new Int32Array(6),
  own: new Float64Array(6),
  ownCount: 0,
  sharedAt: new Int32Array(12),
  shared: new Float64Array(12),
  sharedCount: 0,
});

const clear = (row: Row): void => {
  row.ownCount = 0;
  row.sharedCount = 0;
};
const own = (row: Row, at: number, value: number): void => {
  row.ownAt[row.ownCount] = at;
  row.own[row.ownCount++] = value;
};
const shared = (row: Row, at: number, value: number): void => {
  row.sharedAt[row.sharedCount] = at;
  row.shared[row.sharedCount++] = value;
};

/** Adds w J'J and w J'r of one row. */
function add(row: Row, residual: number, weight: number, n: number, m: number, block: Block, all: Shared | null): void {
  for (let i = 0; i < row.ownCount; i++) {
    const [at, value] = [row.ownAt[i]!, weight * row.own[i]!];
    block.gradient[at] = block.gradient[at]! + value * residual;
    for (let k = 0; k < row.ownCount; k++) {
      const to = at * n + row.ownAt[k]!;
      block.own[to] = block.own[to]! + value * row.own[k]!;
    }
    for (let k = 0; k < row.sharedCount; k++) {
      const to = at * m + row.sharedAt[k]!;
      block.border[to] = block.border[to]! + value * row.shared[k]!;
    }
  }
  if (!all) return;
  for (let i = 0; i < row.sharedCount; i++) {
    const [at, value] = [row.sharedAt[i]!, weight * row.shared[i]!];
    all.gradient[at] = all.gradient[at]! + value * residual;
    for (let k = 0; k < row.sharedCount; k++) {
      const to = at * m + row.sharedAt[k]!;
      all.matrix[to] = all.matrix[to]! + value * row.shared[k]!;
    }
  }
}

/** Residuals beyond so many standard deviations count less and less (soft-L1: Triggs et al. 2000, 3.3). */
const SOFT = 2;

/** Cost of a squared residual, and how much its row counts. */
const softCost = (squared: number): number => 2 * SOFT ** 2 * (Math.sqrt(1 + squared / SOFT ** 2) - 1);
const softWeight = (squared: number): number => 1 / Math.sqrt(1 + squared / SOFT ** 2);

const [U, V] = [emptyRow(), emptyRow()];

/**
 * Adds what one frame says to the normal equations (Triggs et al. 2000, 4 and 6; the derivatives in closed form).
 * @param saw what each camera saw, at its clock of this state
 * @param into null to have the cost alone
 * @returns cost: twice the negative logarithm of the likelihood but for a constant
 */
export function addFrame(
  problem: Problem,
  layout: Layout,
  state: State,
  saw: readonly Sightings[],
  frame: number,
  into: { readonly block: Block; readonly all: Shared | null } | null,
): number {
  const points = layout.points;
  const [n, m] = [3 * points, layout.size];
  let cost = 0;
  for (let c = 0; c < state.cameras.length; c++) {
    const { rotation: R, translation: t, focal, centreX, centreY } = state.cameras[c]!;
    const { x, y, speedX, speedY, sdX, sdY } = saw[c]!;
    for (let j = 0; j < points; j++) {
      const at = frame * points + j;
      if (Number.isNaN(x[at]!)) continue;
      const p = 3 * at;
      const [X, Y, Z] = [state.points[p]!, state.points[p + 1]!, state.points[p + 2]!];
      const rx = R[0] * X + R[1] * Y + R[2] * Z;
      const ry = R[3] * X + R[4] * Y + R[5] * Z;
      const rz = R[6] * X + R[7] * Y + R[8] * Z;
      const [px, py, pz] = [rx + t[0]!, ry + t[1]!, Math.max(1e-3, rz + t[2]!)];
      const [kx, ky, bias] = [1 / sdX[at]!, 1 / sdY[at]!, 2 * (c * points + j)];
      const [u, v] = [(focal * px) / pz, (focal * py) / pz];
      const dx = (u + centreX + (problem.biased ? state.biases[bias]! : 0) - x[at]!) * kx;
      const dy = (v + centreY + (problem.biased ? state.biases[bias + 1]! : 0) - y[at]!) * ky;
      const squared = dx * dx + dy * dy;
      cost += softCost(squared);
      if (!into) continue;
      const weight = softWeight(squared);
      const [ax, bx] = [(focal / pz) * kx, kx / pz];
      const [ay, by] = [(focal / pz) * ky, ky / pz];
      clear(U);
      clear(V);
      for (let i = 0; i < 3; i++) {
        own(U, 3 * j + i, ax * R[i]! - u * bx * R[6 + i]!);
        own(V, 3 * j + i, ay * R[3 + i]! - v * by * R[6 + i]!);
      }
      // The camera turned by w in its own axes moves R X by w x R X.
      const base = OF_CAMERA * c;
      shared(U, base, -u * bx * ry);
      shared(U, base + 1, ax * rz + u * bx * rx);
      shared(U, base + 2, -ax * ry);
      shared(U, base + 3, ax);
      shared(U, base + 5, -u * bx);
      shared(U, base + 6, u * kx);
      shared(V, base, -ay * rz - v * by * ry);
      shared(V, base + 1, v * by * rx);
      shared(V, base + 2, ay * rx);
      shared(V, base + 4, ay);
      shared(V, base + 5, -v * by);
      shared(V, base + 6, v * ky);
      if (c > 0) {
        const since = problem.times[frame]! - problem.middle;
        const clock = layout.clock(c);
        shared(U, clock, -speedX[at]! * kx);
        shared(U, clock + 1, -speedX[at]! * kx * since);
        shared(V, clock, -speedY[at]! * ky);
        shared(V, clock + 1, -speedY[at]! * ky * since);
      }
      if (problem.biased) {
        shared(U, layout.bias + bias, kx);
        shared(V, layout.bias + bias + 1, ky);
      }
      add(U, dx, weight, n, m, into.block, into.all);
      add(V, dy, weight, n, m, into.block, into.all);
    }
  }
  for (const { a, b, length, wander } of problem.links.links) {
    const [pa, pb] = [3 * (frame * points + a), 3 * (frame * points + b)];
    const [dx, dy, dz] = [0, 1, 2].map((i) => state.points[pb + i]! - state.points[pa + i]!) as [
      number,
      number,
      number,
    ];
    const [far, wanted] = [Math.hypot(dx, dy, dz), Math.exp(state.lengths[length]!)];
    if (!(far > 0)) continue;
    const k = 1 / wander;
    const residual = (far - wanted) * k;
    cost += softCost(residual * residual);
    if (!into) continue;
    clear(U);
    [dx, dy, dz].forEach((d, i) => {
      own(U, 3 * a + i, (-d / far) * k);
      own(U, 3 * b + i, (d / far) * k);
    });
    shared(U, layout.length + length, -wanted * k);
    add(U, residual, softWeight(residual * residual), n, m, into.block, into.all);
  }
  return cost;
}
