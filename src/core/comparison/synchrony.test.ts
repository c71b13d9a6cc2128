import { lean, rod } from '../../../tests/fixtures/phased-trials';
import { normals } from '../../../tests/fixtures/random';
import { smoothCoordinate } from '../signal/smooth';
import type { Trial } from '../trial/trial';
import { toSi } from '../units';
import { COVERAGE_95 } from '../statistics/normal';
import { SYNCHRONY_TIMES, synchronyOfCurves, synchronyWith, type CurveRound, type Synchrony } from './synchrony';

const CUTOFF = 10;

/** A joint that bends and stretches once from -0.6 to 0.8 s, so much later; nothing is known outside of it. */
const swing = (later: number, before = 0.4): Float64Array =>
  SYNCHRONY_TIMES.map((t) => {
    const s = t - later;
    return s < -0.6 || s > 0.8
      ? NaN
      : Math.exp(-(((s - 0.1) / 0.15) ** 2)) + before * Math.exp(-(((s + 0.25) / 0.1) ** 2));
  });

/** Noise as smoothing leaves it, with unit deviation. */
function smoothNoise(roll: () => number): Float64Array {
  const white = SYNCHRONY_TIMES.map(roll);
  const values = smoothCoordinate(SYNCHRONY_TIMES, white, { cutoff: CUTOFF, longestBridge: 0 });
  const sd = Math.sqrt(values.reduce((sum, v) => sum + v * v, 0) / values.length);
  return values.map((v) => v / sd);
}

const round = (values: Float64Array, random: number, systematic = 0): CurveRound => ({
  values,
  random,
  systematic,
  goesOn: 1 / (2 * CUTOFF),
});

const NO_EVENT = { aligned: 0, alike: true };

describe('the synchrony of two performers', () => {
  const NOISE = 0.06;

  it('holds lag, correlation and difference of the curves without noise in its 95 % interval', () => {
    const roll = normals(7);
    const clean = synchronyOfCurves(round(swing(0), 0), round(swing(0.043), 0), NO_EVENT)!;
    expect(clean.lag!.value).toBeCloseTo(0.043, 3);
    const noisy = (later: number): CurveRound => {
      const noise = smoothNoise(roll);
      return round(
        swing(later).map((v, i) => v + NOISE * noise[i]!),
        NOISE,
      );
    };
    const runs = Array.from({ length: 150 }, () => synchronyOfCurves(noisy(0), noisy(0.043), NO_EVENT)!);
    const held = (of: 'lag' | 'correlation' | 'difference'): number =>
      runs.filter((run) => Math.abs(run[of]!.value - clean[of]!.value) <= COVERAGE_95 * run[of]!.sd).length /
      runs.length;
    for (const number of ['lag', 'correlation', 'difference'] as const) expect(held(number)).toBeGreaterThan(0.9);
    // Nor is it said much wider than it is.
    const spread = Math.sqrt(runs.reduce((sum, { lag }) => sum + (lag!.value - 0.043) ** 2, 0) / runs.length);
    expect(runs[0]!.lag!.sd / spread).toBeGreaterThan(0.7);
    expect(runs[0]!.lag!.sd / spread).toBeLessThan(1.5);
  });

  describe('the lag of two curves', () => {
    const roll = normals(11);
    const errors = Array.from({ length: 300 }, () => smoothNoise(roll));
    const noisy = (curve: Float64Array, noise: number, draw: number): CurveRound =>
      round(
        curve.map((v, i) => v + noise * errors[draw]![i]!),
        noise,
      );

    it.each([
      ['another shape', 0.06, -0.3],
      ['much noise', 0.12, 0.4],
      ['another shape and much noise', 0.12, 0.1],
    ])('of %s lies in its 95 %% interval', (_, noise, before) => {
      const [first, second] = [swing(0), swing(0.043, before)];
      const clean = synchronyOfCurves(round(first, 0), round(second, 0), NO_EVENT)!.lag!.value;
      const lags = Array.from(
        { length: 150 },
        (_, n) => synchronyOfCurves(noisy(first, noise, 2 * n), noisy(second, noise, 2 * n + 1), NO_EVENT)!.lag,
      ).filter((lag) => lag !== null);
      expect(lags.length).toBeGreaterThan(100);
      const held = lags.filter(({ value, sd }) => Math.abs(value - clean) <= COVERAGE_95 * sd).length / lags.length;
      expect(held).toBeGreaterThan(0.9);
      expect(held).toBeLessThan(0.985);
    });
  });

  it('has no lag where curves agree at another as well, or hardly at all', () => {
    const wave = (later: number): CurveRound =>
      round(
        SYNCHRONY_TIMES.map((t) => (Math.abs(t) > 1 ? NaN : Math.sin((2 * Math.PI * (t - later)) / 0.2))),
        0.05,
      );
    expect(synchronyOfCurves(wave(0), wave(0.02), NO_EVENT)!.lag).toBeNull();
    const [a, b] = [normals(3), normals(4)];
    const unlike = synchronyOfCurves(round(smoothNoise(a), 0.01), round(smoothNoise(b), 0.01), NO_EVENT)!;
    expect(unlike.correlation.value).toBeLessThan(0.7);
    expect(unlike.lag).toBeNull();
  });

  it('is as unsure as the event that both are aligned at, and a difference as what is systematic in two views', () => {
    const of = (aligned: number, alike: boolean): Synchrony =>
      synchronyOfCurves(round(swing(0), 0.01, 0.05), round(swing(0.02), 0.01, 0.05), { aligned, alike })!;
    expect(of(0.01, true).lag!.sd ** 2 - of(0, true).lag!.sd ** 2).toBeCloseTo(0.01 ** 2, 9);
    expect(of(0, false).difference.sd ** 2 - of(0, true).difference.sd ** 2).toBeCloseTo(2 * 0.05 ** 2, 9);
  });

  it('says an onset with the error that its slope gives it', () => {
    const rises = (later: number): CurveRound =>
      round(
        SYNCHRONY_TIMES.map((t) => (t < -0.5 || t > 0.6 ? NaN : Math.min(1, Math.max(0, (t - later) / 0.2)))),
        0.01,
      );
    const { onset } = synchronyOfCurves(rises(0), rises(0.05), NO_EVENT)!;
    expect(onset!.value).toBeCloseTo(0.05, 6);
    // Two thresholds and two baselines, each off by a hundredth, at five a second.
    expect(onset!.sd).toBeCloseTo((2 * 0.01) / 5, 9);
  });

  it('takes directions that began on either side of half a turn for what they are', () => {
    const nods = (later: number): Trial => rod((f) => 178 + 40 * Math.sin((f - later) / 5), { a: 2, b: 14, c: 30 });
    const { lag, difference } = synchronyWith(lean, nods(0), [nods(-2)], 'b').others[0]!.synchrony!;
    expect(lag!.value).toBeCloseTo(-0.02, 3);
    expect(difference.value).toBeLessThan(toSi(2, 'deg'));
  });
});
