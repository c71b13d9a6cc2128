import { addThrough, backward, factorise, forward, inverseOf } from '../geometry/cholesky';
import { layoutOf, type Problem, type Sightings, type State } from './problem';
import { addFrame, emptyBlock, type Block } from './residuals';

const reset = ({ own, border, gradient }: Block): void => {
  own.fill(0);
  border.fill(0);
  gradient.fill(0);
};

/** Points that nothing says anything of in a frame are held where they are. */
function hold(own: Float64Array, n: number, damping: number): void {
  for (let i = 0; i < n; i++) own[i * n + i] = own[i * n + i]! * (1 + damping) + (own[i * n + i] === 0 ? 1 : 1e-9);
}

const MOST_STEPS = 12;
const SETTLED = 1e-4;

/**
 * The points of every frame by damped Gauss-Newton steps, the cameras and all else that the frames share left as they
 * are.
 * @returns the state with those points, and what the frames cost
 */
export function solveFrames(problem: Problem, state: State): { readonly state: State; readonly cost: number } {
  const layout = layoutOf(problem);
  const [n, m] = [3 * layout.points, layout.size];
  const saw = problem.cameras.map((_, c) => problem.sightings(c, state.clocks[c]!));
  const solved: State = { ...state, points: Float64Array.from(state.points) };
  const block = emptyBlock(n, m);
  let total = 0;
  for (let f = 0; f < problem.times.length; f++) {
    const mine = solved.points.subarray(f * n, f * n + n);
    const costNow = (): number => addFrame(problem, layout, solved, saw, f, null);
    let cost = costNow();
    let damping = 1e-3;
    for (let i = 0; i < MOST_STEPS && damping < 1e6; i++) {
      reset(block);
      addFrame(problem, layout, solved, saw, f, { block, all: null });
      hold(block.own, n, damping);
      const kept = Float64Array.from(mine);
      if (factorise(block.own, n)) {
        forward(block.own, n, block.gradient, 1);
        backward(block.own, n, block.gradient, 1);
        for (let k = 0; k < n; k++) mine[k] = mine[k]! - block.gradient[k]!;
        const next = costNow();
        if (next < cost) {
          const fell = (cost - next) / cost;
          [cost, damping] = [next, damping / 5];
          if (fell < SETTLED) break;
          continue;
        }
        mine.set(kept);
      }
      damping *= 8;
    }
    total += cost;
  }
  return { state: solved, cost: total };
}

/**
 * Covariance of a frame's points, n by n (x, y, z point by point, standing heights squared): what the frame itself
 * leaves open, and what the unknowns that all frames share leave open.
 * @param shared lower Cholesky factor of the covariance of those
 */
export function frameCovariance(
  problem: Problem,
  state: State,
  saw: readonly Sightings[],
  frame: number,
  shared: Float64Array,
): Float64Array {
  const layout = layoutOf(problem);
  const [n, m] = [3 * layout.points, layout.size];
  const block = emptyBlock(n, m);
  addFrame(problem, layout, state, saw, frame, { block, all: null });
  hold(block.own, n, 0);
  if (!factorise(block.own, n)) return new Float64Array(n * n).fill(NaN);
  const covariance = inverseOf(block.own, n);
  const { border } = block;
  forward(block.own, n, border, m);
  backward(block.own, n, border, m);
  addThrough(covariance, n, border, shared, m);
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) covariance[j * n + i] = covariance[i * n + j]!;
  return covariance;
}
