import { normals } from '../../../tests/fixtures/random';
import { wrapAngle } from '../geometry/angle';
import { meanAndSd } from './mean';
import { largestOf, normalCdf, normalQuantile } from './normal';
import { resels, simultaneousThreshold } from './random-field';
import { predictionFactor, studentCdf, studentQuantile } from './student';

describe('Student\u2019s distribution', () => {
  it('has the quantiles of published tables: 4.303 for two degrees of freedom, 2.776 for four, 1.960 for very many', () => {
    expect(studentQuantile(0.975, 2)).toBeCloseTo(4.3027, 4);
    expect(studentQuantile(0.975, 4)).toBeCloseTo(2.7764, 4);
    expect(studentQuantile(0.975, 1e6)).toBeCloseTo(1.96, 3);
    expect(studentQuantile(0.025, 4)).toBeCloseTo(-2.7764, 4);
    expect(studentCdf(0, 3)).toBeCloseTo(0.5, 12);
  });

  it.each([3, 5])('the range of %i performers holds the next one in 95 of 100 cases', (n) => {
    const normal = normals(17);
    const factor = predictionFactor(n);
    let held = 0;
    for (let k = 0; k < 20000; k++) {
      const { mean, sd } = meanAndSd(Array.from({ length: n }, normal), (a, b) => a - b);
      if (Math.abs(normal() - mean) <= factor * sd) held++;
    }
    expect(held / 20000).toBeGreaterThan(0.943);
    expect(held / 20000).toBeLessThan(0.957);
  });
});

describe('means of what goes round', () => {
  const round = (a: number, b: number): number => wrapAngle(a - b);
  const deg = Math.PI / 180;

  it('do not depend on where the circle is cut', () => {
    const values = [-178, 178, -179].map((v) => v * deg);
    const { mean, sd } = meanAndSd(values, round);
    expect(mean / deg).toBeCloseTo(-179.667, 3);
    expect(sd / deg).toBeCloseTo(2.0817, 3);
    for (const turned of [10, 100, 200])
      expect(
        meanAndSd(
          values.map((v) => wrapAngle(v + turned * deg)),
          round,
        ).sd,
      ).toBeCloseTo(sd, 12);
  });

  it('are the plain ones of plain numbers', () => {
    expect(meanAndSd([1, 2, 6], (a, b) => a - b)).toEqual({ mean: 3, sd: Math.sqrt(7) });
  });
});

describe('the largest of several errors', () => {
  it('lies 0.56, 1.16 and 1.54 deviations up for 2, 5 and 10 of them (tables of normal order statistics, Harter 1961)', () => {
    expect(normalCdf(normalQuantile(0.9))).toBeCloseTo(0.9, 6);
    expect(largestOf(1)).toBe(0);
    expect(largestOf(2)).toBeCloseTo(0.564, 1);
    expect(largestOf(5)).toBeCloseTo(1.163, 1);
    expect(largestOf(10)).toBeCloseTo(1.539, 1);
  });
});

describe('smooth noise along a curve', () => {
  /** A curve of white noise smoothed over a width, with unit variance. */
  function series(normal: () => number, width: number): Float64Array {
    const white = Float64Array.from({ length: 100 + 6 * width }, normal);
    const weights = Array.from({ length: 6 * width + 1 }, (_, k) => Math.exp(-0.5 * ((k - 3 * width) / width) ** 2));
    const norm = Math.sqrt(weights.reduce((sum, w) => sum + w * w, 0));
    return Float64Array.from(
      { length: 100 },
      (_, i) => weights.reduce((sum, w, k) => sum + w * white[i + k]!, 0) / norm,
    );
  }

  it('counts as many independent pieces as its width leaves: its length over 2.355 widths of the kernel', () => {
    const normal = normals(5);
    const pieces = resels(Array.from({ length: 60 }, () => series(normal, 6)));
    expect(pieces).toBeGreaterThan(0.85 * (99 / (2.355 * 6)));
    expect(pieces).toBeLessThan(1.15 * (99 / (2.355 * 6)));
  });

  it('passes the simultaneous threshold anywhere in at most five of a hundred cases, and a single place\u2019s far more often', () => {
    const normal = normals(11);
    const n = 8;
    const threshold = simultaneousThreshold(0.05, n - 1, 99 / (2.355 * 6));
    const single = studentQuantile(0.975, n - 1);
    let [beyond, beyondSingle] = [0, 0];
    for (let k = 0; k < 1500; k++) {
      const members = Array.from({ length: n }, () => series(normal, 6));
      const next = series(normal, 6);
      const mean = members[0]!.map((_, i) => members.reduce((sum, m) => sum + m[i]!, 0) / n);
      const sd = mean.map((m, i) => Math.sqrt(members.reduce((sum, c) => sum + (c[i]! - m) ** 2, 0) / (n - 1)));
      const t = next.map((v, i) => Math.abs(v - mean[i]!) / (sd[i]! * Math.sqrt(1 + 1 / n)));
      if (t.some((v) => v > threshold)) beyond++;
      if (t.some((v) => v > single)) beyondSingle++;
    }
    expect(beyond / 1500).toBeLessThanOrEqual(0.06);
    expect(beyondSingle / 1500).toBeGreaterThan(0.15);
  });
});
