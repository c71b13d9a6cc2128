import { inverseOf, factorise } from '../geometry/cholesky';
import { dice, normals } from '../../../tests/fixtures/random';
import { linksBetween } from './body';
import { rotationOf, turnedBy } from './pinhole';
import { addPriors } from './priors';
import { layoutOf, OF_CAMERA, type CameraPrior, type Problem, type State } from './problem';
import { addFrame } from './residuals';
import type { PointId } from '../anatomy/body-points';

const IDS: readonly PointId[] = ['left-hip', 'right-hip', 'left-knee', 'right-knee', 'left-ankle'];

function prior(azimuthDegrees: number): CameraPrior {
  return {
    azimuthDegrees,
    azimuthSd: 15,
    elevationDegrees: 3,
    elevationSd: 6,
    roll: { degrees: 0.5, sd: 1.5 },
    focal: 1500,
    focalLogSd: 0.3,
    width: 1280,
    height: 720,
    clockSd: 0.01,
    biasSd: new Float64Array(IDS.length).fill(2),
  };
}

/** Two cameras and two frames of five points, all of it somewhat off. */
function made(): { readonly problem: Problem; readonly state: State } {
  const normal = normals(7);
  const size = IDS.length * 2;
  const sightings = [0, 1].map(() => ({
    x: Float64Array.from({ length: size }, () => 640 + 90 * normal()),
    y: Float64Array.from({ length: size }, () => 360 + 90 * normal()),
    speedX: Float64Array.from({ length: size }, () => 300 * normal()),
    speedY: Float64Array.from({ length: size }, () => 300 * normal()),
    sdX: new Float64Array(size).fill(40),
    sdY: new Float64Array(size).fill(30),
  }));
  const problem: Problem = {
    ids: IDS,
    links: linksBetween(IDS),
    cameras: [prior(0), prior(90)],
    times: Float64Array.of(0, 0.1),
    middle: 0.03,
    biased: true,
    sightings: (c, { offset, drift }) => {
      const saw = sightings[c]!;
      const late = (i: number): number => offset + drift * ((i < IDS.length ? 0 : 0.1) - 0.03);
      return {
        ...saw,
        x: saw.x.map((v, i) => v + late(i) * saw.speedX[i]!),
        y: saw.y.map((v, i) => v + late(i) * saw.speedY[i]!),
      };
    },
  };
  const state: State = {
    cameras: [0, 90].map((azimuthDegrees, c) => ({
      rotation: turnedBy(rotationOf({ azimuthDegrees, elevationDegrees: 4 }), [0.02, -0.01 * c, 0.03]),
      translation: Float64Array.of(0.1, -0.05, 6 + c),
      focal: 1400 + 200 * c,
      centreX: 640,
      centreY: 360,
    })),
    clocks: [
      { offset: 0, drift: 0 },
      { offset: 0.004, drift: 5e-5 },
    ],
    lengths: Float64Array.from(linksBetween(IDS).lengths, ({ length }) => Math.log(length) + 0.05),
    biases: Float64Array.from({ length: 2 * 2 * IDS.length }, () => normal()),
    points: Float64Array.from({ length: 3 * size }, () => 0.3 * normal()),
  };
  return { problem, state };
}

/** The state with one shared unknown changed. */
function changed(state: State, problem: Problem, at: number, by: number): State {
  const layout = layoutOf(problem);
  const clockOf = (c: number): number => layout.clock(c);
  return {
    cameras: state.cameras.map((camera, c) => {
      const d = (i: number): number => (at === OF_CAMERA * c + i ? by : 0);
      return {
        ...camera,
        rotation: turnedBy(camera.rotation, [d(0), d(1), d(2)]),
        translation: camera.translation.map((v, i) => v + d(3 + i)),
        focal: camera.focal * Math.exp(d(6)),
      };
    }),
    clocks: state.clocks.map(({ offset, drift }, c) => ({
      offset: offset + (c > 0 && at === clockOf(c) ? by : 0),
      drift: drift + (c > 0 && at === clockOf(c) + 1 ? by : 0),
    })),
    lengths: state.lengths.map((v, i) => v + (at === layout.length + i ? by : 0)),
    biases: state.biases.map((v, i) => v + (at === layout.bias + i ? by : 0)),
    points: state.points,
  };
}

test('the gradient of every unknown that frames share is that of the cost, differenced', () => {
  const { problem, state } = made();
  const layout = layoutOf(problem);
  const costOf = (s: State): number => {
    const saw = [0, 1].map((c) => problem.sightings(c, s.clocks[c]!));
    return (
      addPriors(problem, layout, s, state, null) +
      [0, 1].reduce((sum, f) => sum + addFrame(problem, layout, s, saw, f, null), 0)
    );
  };
  const all = { matrix: new Float64Array(layout.size ** 2), gradient: new Float64Array(layout.size) };
  const saw = [0, 1].map((c) => problem.sightings(c, state.clocks[c]!));
  addPriors(problem, layout, state, state, all);
  const n = 3 * IDS.length;
  for (const f of [0, 1]) {
    const block = {
      own: new Float64Array(n * n),
      border: new Float64Array(n * layout.size),
      gradient: new Float64Array(n),
    };
    addFrame(problem, layout, state, saw, f, { block, all });
    for (let k = 0; k < n; k++) {
      const step = 1e-6;
      const moved = (by: number): State => {
        const points = Float64Array.from(state.points);
        points[f * n + k] = points[f * n + k]! + by;
        return { ...state, points };
      };
      const slope = (costOf(moved(step)) - costOf(moved(-step))) / (2 * step);
      expect(2 * block.gradient[k]! - slope).toBeCloseTo(0, 3);
    }
  }
  for (let at = 0; at < layout.size; at++) {
    const step = 1e-6;
    const slope = (costOf(changed(state, problem, at, step)) - costOf(changed(state, problem, at, -step))) / (2 * step);
    expect(Math.abs(2 * all.gradient[at]! - slope)).toBeLessThan(1e-3 + 1e-5 * Math.abs(slope));
  }
});

test('a matrix times the inverse of its factor is one', () => {
  const roll = dice(3);
  const n = 12;
  const half = Float64Array.from({ length: n * n }, () => roll() - 0.5);
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      matrix[i * n + j] = i === j ? 0.1 : 0;
      for (let k = 0; k < n; k++) matrix[i * n + j]! += half[i * n + k]! * half[j * n + k]!;
    }
  const factor = Float64Array.from(matrix);
  expect(factorise(factor, n)).toBe(true);
  const inverse = inverseOf(factor, n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      let sum = 0;
      for (let k = 0; k < n; k++) sum += matrix[i * n + k]! * inverse[k * n + j]!;
      expect(sum).toBeCloseTo(i === j ? 1 : 0, 8);
    }
});

test('a matrix that is not positive definite is refused', () => {
  expect(factorise(Float64Array.of(1, 2, 2, 1), 2)).toBe(false);
});
