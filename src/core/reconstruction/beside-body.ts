import type { Adjusted } from './adjust';
import { layoutOf, type Problem } from './problem';

/**
 * Cameras that were found by a body, with further points beside it (an implement, an animal, a craft), which tell nothing
 * of the cameras: what stays of their errors is no better known than it was before.
 * @param joints the problem that was adjusted
 * @param all the same with the further points after its own
 */
export function withPointsBeside(adjusted: Adjusted, joints: Problem, all: Problem): Adjusted {
  const [from, to] = [layoutOf(joints), layoutOf(all)];
  const { state, covariance } = adjusted;
  /** Where an unknown of the body's stands among all. */
  const place = (at: number): number => {
    if (at < from.bias) return at;
    const [camera, within] = [Math.floor((at - from.bias) / (2 * from.points)), (at - from.bias) % (2 * from.points)];
    return to.bias + 2 * camera * to.points + within;
  };
  const biases = new Float64Array(2 * all.cameras.length * to.points);
  state.biases.forEach((v, i) => (biases[place(from.bias + i) - to.bias] = v));
  return { ...adjusted, layout: to, state: { ...state, biases }, covariance: covariance && widened(covariance) };

  function widened(own: Float64Array): Float64Array {
    const matrix = new Float64Array(to.size * to.size);
    all.cameras.forEach(({ biasSd }, c) => {
      for (let j = from.points; j < to.points; j++)
        for (const at of [0, 1].map((axis) => to.bias + 2 * (c * to.points + j) + axis))
          matrix[at * to.size + at] = biasSd[j]! ** 2;
    });
    for (let i = 0; i < from.size; i++)
      for (let k = 0; k < from.size; k++) matrix[place(i) * to.size + place(k)] = own[i * from.size + k]!;
    return matrix;
  }
}
