import { normals } from '../../../tests/fixtures/random';
import { residualAnalysis } from './residual-analysis';
import { smoothCoordinate } from './smooth';

const RATE = 120;
const times = Float64Array.from({ length: 360 }, (_, i) => i / RATE);
/** A movement with parts up to a frequency (Hz), 100 pixels wide. */
const movement = (highest: number): Float64Array =>
  times.map(
    (t) =>
      60 * Math.sin(2 * Math.PI * 0.8 * t) +
      25 * Math.sin(2 * Math.PI * 0.5 * highest * t + 1) +
      12 * Math.sin(2 * Math.PI * highest * t + 2),
  );
const noisy = (clean: Float64Array, sd: number, seed: number): Float64Array => {
  const roll = normals(seed);
  return clean.map((v) => v + sd * roll());
};
const analyse = (samples: Float64Array) => {
  const found = residualAnalysis(times, samples, 6);
  if (!found.ok) throw new Error(found.issue.message);
  return found.value;
};

describe('residual analysis', () => {
  it('finds the noise: the line meets 0 Hz near its deviation', () => {
    for (const sd of [0.5, 1, 3]) expect(analyse(noisy(movement(4), sd, 5)).noise.intercept / sd).toBeCloseTo(1, 0);
  });

  it('chooses a higher corner for quicker movements and a lower one for more noise', () => {
    const slow = analyse(noisy(movement(3), 1, 7)).cutoff;
    const quick = analyse(noisy(movement(9), 1, 7)).cutoff;
    const noisier = analyse(noisy(movement(9), 4, 7)).cutoff;
    expect(slow).toBeGreaterThan(3);
    expect(quick).toBeGreaterThan(9);
    expect(quick).toBeGreaterThan(slow);
    expect(noisier).toBeLessThan(quick);
  });

  it('brings samples nearer to the truth than leaving them, or smoothing far off its corner', () => {
    const clean = movement(5);
    const samples = noisy(clean, 2, 11);
    const error = (values: Float64Array): number =>
      Math.sqrt(values.reduce((s, v, i) => s + (v - clean[i]!) ** 2, 0) / values.length);
    const at = (cutoff: number): number => error(smoothCoordinate(times, samples, { cutoff, longestBridge: 6 }));
    const chosen = at(analyse(samples).cutoff);
    expect(chosen).toBeLessThan(0.7 * error(samples));
    expect(chosen).toBeLessThan(at(2));
    expect(chosen).toBeLessThan(at(40));
  });

  it('needs enough samples', () => {
    expect(residualAnalysis(times.slice(0, 10), new Float64Array(10), 6)).toMatchObject({
      ok: false,
      issue: { code: 'too-short' },
    });
  });
});
