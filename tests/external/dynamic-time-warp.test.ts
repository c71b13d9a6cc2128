import DynamicTimeWarping from 'dynamic-time-warping';
import { dice } from '../fixtures/random';
import { warpInside, warpWhole } from '../../src/core/timing/dynamic-time-warp';

/** Against the package `dynamic-time-warping` of the registry, and a published worked example. */
const one = (values: readonly number[]): Float64Array[] => [Float64Array.from(values)];

test('cost and path of the package, on curves of one and of several dimensions', () => {
  const roll = dice(5);
  for (let round = 0; round < 40; round++) {
    const [n, m, k] = [3 + Math.floor(roll() * 30), 3 + Math.floor(roll() * 30), 1 + Math.floor(roll() * 4)];
    const curves = (length: number): number[][] =>
      Array.from({ length }, () => Array.from({ length: k }, () => roll() * 10));
    const [a, b] = [curves(n), curves(m)];
    const theirs = new DynamicTimeWarping(a, b, (p: number[], q: number[]) =>
      Math.hypot(...p.map((v, i) => v - q[i]!)),
    );
    const across = (frames: number[][]): Float64Array[] =>
      Array.from({ length: k }, (_, d) => Float64Array.from(frames, (f) => f[d]!));
    const ours = warpWhole(across(a), across(b));
    expect(ours.cost).toBeCloseTo(theirs.getDistance(), 9);
    const cost = ours.path.reduce((sum, [i, j]) => sum + Math.hypot(...a[i]!.map((v, d) => v - b[j]![d]!)), 0);
    expect(cost).toBeCloseTo(theirs.getDistance(), 9);
  }
});

test('cost and path of the package, on long smooth curves of which few pairs are looked at', () => {
  const roll = dice(11);
  for (let round = 0; round < 24; round++) {
    const [n, m, k] = [60 + Math.floor(roll() * 90), 60 + Math.floor(roll() * 90), 1 + Math.floor(roll() * 11)];
    const [late, bent] = [roll() * 20, roll() * 2];
    const frames = (length: number, shift: number): number[][] =>
      Array.from({ length }, (_, i) =>
        Array.from(
          { length: k },
          (_unused, c) =>
            Math.sin((i * 100) / length / (9 + 2 * c) + shift + bent * Math.sin(i / length)) + 0.05 * roll(),
        ),
      );
    const [a, b] = [frames(n, 0), frames(m, late / 20)];
    const far = (p: readonly number[], q: readonly number[]): number => Math.hypot(...p.map((v, c) => v - q[c]!));
    const theirs = new DynamicTimeWarping(a, b, far);
    const across = (all: number[][]): Float64Array[] =>
      Array.from({ length: k }, (_, c) => Float64Array.from(all, (f) => f[c]!));
    const { cost, path } = warpWhole(across(a), across(b));
    expect(cost).toBeCloseTo(theirs.getDistance(), 9);
    expect(path.reduce((sum, [i, j]) => sum + far(a[i]!, b[j]!), 0)).toBeCloseTo(theirs.getDistance(), 9);
    path
      .slice(1)
      .forEach(([i, j], p) =>
        expect([`${i - path[p]![0]},${j - path[p]![1]}`]).toEqual([expect.stringMatching(/^(1,1|1,0|0,1)$/)]),
      );
  }
});

test('the path joins the ends and goes on by one at most, in both', () => {
  const { path } = warpWhole(one([1, 2, 3, 3, 2]), one([1, 1, 2, 3, 2, 2]));
  expect(path[0]).toEqual([0, 0]);
  expect(path.at(-1)).toEqual([4, 5]);
  path.slice(1).forEach(([i, j], k) => {
    const [a, b] = [i - path[k]![0], j - path[k]![1]];
    expect([a, b].every((step) => step === 0 || step === 1) && a + b > 0).toBe(true);
  });
  // 1 1 2 3 3 2 2 against each other: nothing is left over.
  expect(warpWhole(one([1, 2, 3, 3, 2]), one([1, 1, 2, 3, 2, 2])).cost).toBe(0);
});

test('a movement is found inside a longer one, at its own rate and with its own timing', () => {
  const shape = (u: number): number => Math.sin(6 * u) + 0.5 * Math.sin(17 * u);
  const first = Float64Array.from({ length: 60 }, (_, i) => shape(i / 59));
  // The second begins after 40 frames of something else and takes 80.
  const second = Float64Array.from({ length: 170 }, (_, j) =>
    j < 40 ? 3 + 0.01 * j : j < 120 ? shape((j - 40) / 79) : -3,
  );
  const warp = warpInside([first], [second])!;
  for (const i of [0, 15, 30, 45, 59]) expect(Math.abs(warp.at[i]! - (40 + (79 * i) / 59))).toBeLessThan(1.6);
  expect(warp.cost / 60).toBeLessThan(0.05);
  expect(warpInside([first], [second.slice(0, 20)])).toBeNull();
});

test('missing samples are passed over', () => {
  const whole = [Float64Array.from([0, 1, 2, 3]), Float64Array.from([5, 5, 5, 5])];
  const holed = [Float64Array.from([0, NaN, 2, 3]), Float64Array.from([NaN, 5, NaN, 5])];
  expect(warpWhole(whole, holed).cost).toBe(0);
});
