import { addGram, backward, factorise, forward, inverseOf } from '../geometry/cholesky';
import { turnedBy } from './pinhole';
import { addPriors } from './priors';
import { layoutOf, OF_CAMERA, type Layout, type Problem, type Sightings, type State } from './problem';
import { addFrame, emptyBlock, type Block, type Shared } from './residuals';

export interface AdjustOptions {
  readonly iterations: number;
  /** Called after every iteration; true ends the work. */
  readonly stopped?: () => boolean;
}

export interface Adjusted {
  readonly state: State;
  readonly cost: number;
  /** Covariance of the unknowns that all frames share, size by size; null where they are not determined. */
  readonly covariance: Float64Array | null;
  readonly layout: Layout;
}

const sightingsAt = (problem: Problem, state: State): readonly Sightings[] =>
  problem.cameras.map((_, c) => problem.sightings(c, state.clocks[c]!));

const emptyShared = (m: number): Shared => ({ matrix: new Float64Array(m * m), gradient: new Float64Array(m) });

function costOf(problem: Problem, layout: Layout, state: State, first: State): number {
  const saw = sightingsAt(problem, state);
  let cost = addPriors(problem, layout, state, first, null);
  for (let f = 0; f < problem.times.length; f++) cost += addFrame(problem, layout, state, saw, f, null);
  return cost;
}

/** The state after a step of the shared unknowns and of every frame's own. */
function stepped(
  { biased, ids, links }: Problem,
  layout: Layout,
  state: State,
  step: Float64Array,
  ownSteps: readonly Float64Array[],
): State {
  const n = 3 * ids.length;
  const points = Float64Array.from(state.points);
  ownSteps.forEach((own, f) => own.forEach((d, i) => (points[f * n + i] = points[f * n + i]! + d)));
  return {
    cameras: state.cameras.map((camera, c) => {
      const at = (i: number): number => step[OF_CAMERA * c + i]!;
      return {
        ...camera,
        rotation: turnedBy(camera.rotation, [at(0), at(1), at(2)]),
        translation: camera.translation.map((v, i) => v + at(3 + i)),
        focal: camera.focal * Math.exp(Math.max(-0.5, Math.min(0.5, at(6)))),
      };
    }),
    clocks: state.clocks.map(({ offset, drift }, c) =>
      c === 0
        ? { offset, drift }
        : { offset: offset + step[layout.clock(c)]!, drift: drift + step[layout.clock(c) + 1]! },
    ),
    lengths: state.lengths.map((v, i) => v + (i < links.lengths.length ? step[layout.length + i]! : 0)),
    biases: state.biases.map((v, i) => v + (biased ? step[layout.bias + i]! : 0)),
    points,
  };
}

/** Normal equations at a state: of every frame, and of what all frames share. */
interface Normals {
  readonly blocks: readonly Block[];
  readonly all: Shared;
}

function normalsOf(problem: Problem, layout: Layout, state: State, first: State): Normals {
  const [n, m] = [3 * layout.points, layout.size];
  const saw = sightingsAt(problem, state);
  const all = emptyShared(m);
  addPriors(problem, layout, state, first, all);
  const blocks = Array.from(problem.times, (_, f) => {
    const block = emptyBlock(n, m);
    addFrame(problem, layout, state, saw, f, { block, all });
    return block;
  });
  return { blocks, all };
}

/** A frame's block after its own unknowns are eliminated, in place: L, and L^-1 of the border and of the gradient. */
function eliminated({ own, border, gradient }: Block, n: number, m: number, damping: number, all: Shared): boolean {
  // A point that nobody saw in this frame is held where it is.
  for (let i = 0; i < n; i++) own[i * n + i] = own[i * n + i]! * (1 + damping) + (own[i * n + i] === 0 ? 1 : 1e-9);
  if (!factorise(own, n)) return false;
  forward(own, n, border, m);
  forward(own, n, gradient, 1);
  addGram(all.matrix, m, border, n, -1);
  for (let k = 0; k < n; k++)
    for (let i = 0; i < m; i++) all.gradient[i] = all.gradient[i]! - border[k * m + i]! * gradient[k]!;
  return true;
}

const copyOf = ({ own, border, gradient }: Block): Block => ({
  own: own.slice(),
  border: border.slice(),
  gradient: gradient.slice(),
});

/** One step of all unknowns by the Schur complement of the frames; null where the damping is too small for it. */
function stepOf(
  normals: Normals,
  layout: Layout,
  damping: number,
): { readonly step: Float64Array; readonly own: readonly Float64Array[]; readonly factor: Float64Array } | null {
  const [n, m] = [3 * layout.points, layout.size];
  const all: Shared = { matrix: normals.all.matrix.slice(), gradient: normals.all.gradient.slice() };
  const blocks = normals.blocks.map(copyOf);
  for (let i = 0; i < m; i++) all.matrix[i * m + i] = all.matrix[i * m + i]! * (1 + damping);
  for (const block of blocks) if (!eliminated(block, n, m, damping, all)) return null;
  if (!factorise(all.matrix, m)) return null;
  const step = all.gradient.map((g) => -g);
  forward(all.matrix, m, step, 1);
  backward(all.matrix, m, step, 1);
  const own = blocks.map(({ own: factor, border, gradient }) => {
    const right = gradient.map((g, k) => {
      let sum = -g;
      for (let i = 0; i < m; i++) sum -= border[k * m + i]! * step[i]!;
      return sum;
    });
    backward(factor, n, right, 1);
    return right;
  });
  return { step, own, factor: all.matrix };
}

/** The cost falls by less than this share: it is at its least. */
const SETTLED = 1e-5;

/**
 * Bundle adjustment: cameras, clocks, lengths of segments and every point of every frame, by Levenberg's and
 * Marquardt's damped Gauss-Newton steps; the frames' own unknowns are eliminated by the Schur complement, so that the
 * work grows with the number of frames and not with its cube (Triggs, McLauchlan, Hartley and Fitzgibbon 2000, Bundle
 * adjustment: a modern synthesis, 6; Hartley and Zisserman 2004, A6).
 */
export function adjust(problem: Problem, first: State, { iterations, stopped }: AdjustOptions): Adjusted {
  const layout = layoutOf(problem);
  let state = first;
  let cost = costOf(problem, layout, state, first);
  let normals = normalsOf(problem, layout, state, first);
  let damping = 1e-3;
  for (let i = 0; i < iterations && !stopped?.(); i++) {
    const tried = stepOf(normals, layout, damping);
    const next = tried && stepped(problem, layout, state, tried.step, tried.own);
    const nextCost = next ? costOf(problem, layout, next, first) : Infinity;
    if (next && nextCost < cost) {
      const fell = (cost - nextCost) / cost;
      [state, cost, damping] = [next, nextCost, Math.max(1e-9, damping / 5)];
      normals = normalsOf(problem, layout, state, first);
      if (fell < SETTLED) break;
    } else {
      damping *= 8;
      if (damping > 1e8) break;
    }
  }
  const last = stepOf(normals, layout, 0);
  return { state, cost, covariance: last && inverseOf(last.factor, layout.size), layout };
}
