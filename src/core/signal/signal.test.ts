import { lowPassSection, zeroLagLowPass } from './butterworth';
import { bridgeDropouts, findDropouts } from './dropouts';
import { findOutliers } from './outliers';
import { evenlySpaced, interpolateLinear, typicalInterval } from './resample';
import { smoothCoordinate } from './smooth';

const wave = (n: number, rate: number): Float64Array =>
  Float64Array.from({ length: n }, (_, i) => 200 + 30 * Math.sin((2 * Math.PI * 1.5 * i) / rate));

describe('the low-pass filter', () => {
  it('leaves a constant alone, and a straight line away from its ends', () => {
    const filtered = (input: Float64Array): Float64Array => {
      const result = zeroLagLowPass(input, 6, 60);
      if (!result.ok) throw new Error(result.issue.message);
      return result.value;
    };
    filtered(new Float64Array(50).fill(7)).forEach((v) => expect(v).toBeCloseTo(7, 9));
    const line = Float64Array.from({ length: 80 }, (_, i) => 3 * i - 4);
    filtered(line)
      .slice(30, 50)
      .forEach((v, i) => expect(v).toBeCloseTo(line[30 + i]!, 3));
  });

  it('refuses a cut-off at or above half the rate, quoting it', () => {
    const section = lowPassSection(60, 100);
    expect(section).toMatchObject({ ok: false, issue: { code: 'cutoff-out-of-range' } });
    expect(!section.ok && section.issue.message).toContain('60 Hz');
  });

  it('refuses too few samples', () => {
    expect(zeroLagLowPass(new Float64Array(6), 6, 60)).toMatchObject({ ok: false, issue: { code: 'too-few-samples' } });
  });
});

describe('dropouts', () => {
  it('are found with start and length', () => {
    expect(findDropouts(Float64Array.of(1, NaN, NaN, 4, NaN))).toEqual([
      { start: 1, length: 2 },
      { start: 4, length: 1 },
    ]);
  });

  it('are bridged by a cubic up to the stated length, never longer, never at an end', () => {
    const cubic = (t: number): number => 0.1 * t ** 2 - 2 * t + 5;
    const full = Float64Array.from({ length: 20 }, (_, i) => cubic(i));
    const holed = full.map((v, i) => (i === 0 || (i >= 6 && i <= 8) || (i >= 12 && i <= 17) ? NaN : v));
    const bridged = bridgeDropouts(holed, 4);
    expect(bridged[7]).toBeCloseTo(cubic(7), 0);
    expect(bridged[0]).toBeNaN();
    expect(bridged[14]).toBeNaN();
    expect(holed[7]).toBeNaN();
  });
});

describe('outliers', () => {
  const x = wave(60, 120);
  const y = Float64Array.from({ length: 60 }, (_, i) => 100 + 2 * i);

  it('finds single and double jumps and nothing else', () => {
    const wx = x.map((v, i) => ([20, 40, 41].includes(i) ? v + 25 : v));
    const found = findOutliers(wx, y, 5, 120).flatMap((wild, i) => (wild ? [i] : []));
    expect(found).toEqual([20, 40, 41]);
  });

  it('finds none in a smooth path, missing samples included', () => {
    const holed = x.map((v, i) => (i > 10 && i < 14 ? NaN : v));
    expect(findOutliers(holed, y, 5, 120).some(Boolean)).toBe(false);
  });
});

describe('resampling', () => {
  it('reads between samples and is missing outside and beside missing ones', () => {
    const times = Float64Array.of(0, 1, 3);
    expect(interpolateLinear(times, Float64Array.of(0, 10, 30), 2)).toBeCloseTo(20, 12);
    expect(interpolateLinear(times, Float64Array.of(0, NaN, 30), 0.5)).toBeNaN();
    expect(interpolateLinear(times, Float64Array.of(0, 10, 30), 3.1)).toBeNaN();
    expect(interpolateLinear(times, Float64Array.of(0, 10, 30), 3)).toBe(30);
  });

  it('tells even from uneven spacing', () => {
    expect(evenlySpaced(Float64Array.of(0, 1, 2, 3))).toBe(true);
    expect(evenlySpaced(Float64Array.of(0, 1, 2, 4))).toBe(false);
    expect(typicalInterval(Float64Array.of(0, 1, 2, 4))).toBe(1);
  });
});

describe('smoothing a coordinate', () => {
  it('takes noise away and keeps the movement, at an even and at a variable frame rate', () => {
    let state = 9;
    const noise = (): number => ((state = (state * 1103515245 + 12345) % 2147483648) / 2147483648 - 0.5) * 8;
    for (const jitter of [0, 0.35]) {
      const times = Float64Array.from({ length: 180 }, (_, i) => (i + (i % 3 === 1 ? jitter : 0)) / 120);
      const truth = times.map((t) => 200 + 30 * Math.sin(2 * Math.PI * 1.5 * t));
      const noisy = truth.map((v) => v + noise());
      const smooth = smoothCoordinate(times, noisy, { cutoff: 8, longestBridge: 6 });
      const rms = (a: Float64Array): number =>
        Math.sqrt(a.reduce((sum, v, i) => sum + (v - truth[i]!) ** 2, 0) / a.length);
      expect(rms(smooth)).toBeLessThan(0.55 * rms(noisy));
    }
  });

  it('filters each side of a long dropout by itself', () => {
    const times = Float64Array.from({ length: 60 }, (_, i) => i / 60);
    const samples = Float64Array.from({ length: 60 }, (_, i) => (i < 25 ? 10 : i < 35 ? NaN : 500));
    const smooth = smoothCoordinate(times, samples, { cutoff: 6, longestBridge: 4 });
    expect(smooth[24]).toBeCloseTo(10, 6);
    expect(smooth[30]).toBeNaN();
    expect(smooth[35]).toBeCloseTo(500, 6);
  });
});
